import type { JoinWorkshop, Session, SignIn } from '@brook/contract';
import type { UnitChoice } from '@brook/core/base/units';
import { useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { call, callKept } from './call';
import { forgetAnswers } from './keptAnswers';
import { sendAll } from './sender';

/** Who is signed in; fails with status 401 when nobody is. */
export function useSession() {
  return useQuery({
    queryKey: ['session'],
    queryFn: () => callKept('/session'),
    staleTime: 60_000,
  });
}

export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (entry: SignIn) => call('post', '/session', { body: entry }),
    onSuccess: (session) => began(client, session),
  });
}

/** Come in by an invitation, and be signed in. */
export function useJoinWorkshop() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (given: JoinWorkshop) => call('post', '/session/join', { body: given }),
    onSuccess: (session) => began(client, session),
  });
}

function began(client: QueryClient, session: Session): void {
  client.setQueryData(['session'], session);
  // What somebody else looked at on this phone is theirs.
  void forgetAnswers();
}

/** Choose the units in which one reads and types. */
export function useChooseUnits() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (units: UnitChoice) => call('put', '/session/units', { body: units }),
    onSuccess: (session) => client.setQueryData(['session'], session),
  });
}

export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async () => {
      // What this person tapped goes in their name, or waits for them.
      await sendAll(client).catch(() => undefined);
      await call('delete', '/session', { keepalive: true });
    },
    onSuccess: () => {
      client.clear();
      void forgetAnswers();
    },
  });
}
