import type { ChangePassword, NewInvitation } from '@brook/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call } from './call';
import { pagesOf } from './pages';

/** The people of the workshop and who was asked in, for a lead. */
export function usePeople() {
  return useQuery({
    queryKey: ['people'],
    queryFn: async () => {
      const pages = await pagesOf((query) => call('get', '/people', { query }));
      return {
        people: pages.flatMap((p) => p.people),
        invited: pages.flatMap((p) => p.invited),
        next: null,
      };
    },
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

/** Ask somebody in. */
export function useInvite() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (given: NewInvitation) => call('post', '/people/invitations', { body: given }),
    onSettled: () => client.invalidateQueries({ queryKey: ['people'] }),
  });
}

/** Take an invitation back. */
export function useTakeBack() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => call('delete', '/people/invitations/{id}', { id }),
    onSettled: () => client.invalidateQueries({ queryKey: ['people'] }),
  });
}

/** Change one’s own password. */
export function useChangePassword() {
  return useMutation({
    mutationFn: (given: ChangePassword) => call('put', '/session/password', { body: given }),
  });
}
