import type { SignIn } from '@brook/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
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
    onSuccess: (session) => {
      client.setQueryData(['session'], session);
      // What somebody else looked at on this phone is theirs.
      void forgetAnswers();
    },
  });
}

export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async () => {
      // What this person tapped goes in their name, or waits for them.
      await sendAll(client).catch(() => undefined);
      await call('delete', '/session');
    },
    onSuccess: () => {
      client.clear();
      void forgetAnswers();
    },
  });
}
