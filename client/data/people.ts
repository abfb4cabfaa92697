import type { ChangePassword, Person, Session } from '@brook/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from './api';

/** The people of the workshop, for a lead. */
export function usePeople() {
  return useQuery({ queryKey: ['people'], queryFn: () => api<Person[]>('/people') });
}

/** Say that somebody left, or is back. */
export function useSetLeft() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, left }: { readonly id: string; readonly left: boolean }) =>
      api<Person>(`/people/${id}`, { method: 'PUT', body: { left } }),
    onSettled: () => client.invalidateQueries({ queryKey: ['people'] }),
  });
}

/** Change one’s own password. */
export function useChangePassword() {
  return useMutation({
    mutationFn: (given: ChangePassword) =>
      api<Session>('/session/password', { method: 'PUT', body: given }),
  });
}
