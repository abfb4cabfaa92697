import type { Session, SignIn } from '@brook/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from './api';

/** Who is signed in; fails with status 401 when nobody is. */
export function useSession() {
  return useQuery({
    queryKey: ['session'],
    queryFn: () => api<Session>('/session'),
    staleTime: 60_000,
  });
}

export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (entry: SignIn) => api<Session>('/session', { method: 'POST', body: entry }),
    onSuccess: (session) => client.setQueryData(['session'], session),
  });
}

export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => api<void>('/session', { method: 'DELETE' }),
    onSuccess: () => client.clear(),
  });
}
