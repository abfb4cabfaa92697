import type { ChangePassword } from '@brook/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call } from './call';
import { pagesOf } from './pages';

/** The people of the workshop, for a lead. */
export function usePeople() {
  return useQuery({
    queryKey: ['people'],
    queryFn: async () =>
      (await pagesOf((query) => call('get', '/people', { query }))).flatMap((p) => p.people),
  });
}

/** Say that somebody left, or is back. */
export function useSetLeft() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, left }: { readonly id: string; readonly left: boolean }) =>
      call('put', '/people/{id}', { id, body: { left } }),
    onSettled: () => client.invalidateQueries({ queryKey: ['people'] }),
  });
}

/** Change one’s own password. */
export function useChangePassword() {
  return useMutation({
    mutationFn: (given: ChangePassword) => call('put', '/session/password', { body: given }),
  });
}
