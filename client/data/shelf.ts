import type { Container, NewContainers, Recall, Shelf, Waste } from '@brook/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from './api';
import { apiKept } from './apiKept';

/** The shelf of this moment. */
export function useShelf() {
  return useQuery({ queryKey: ['shelf'], queryFn: () => apiKept<Shelf>('/shelf') });
}

export function useAddContainers() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (given: NewContainers) =>
      api<Container[]>('/shelf', { method: 'POST', body: given }),
    onSuccess: () => forgetShelf(client),
  });
}

/** What a person does to one container on the shelf. */
export type ContainerAct =
  | { readonly kind: 'open'; readonly openedDaysAgo: number | null; readonly keptCapped: boolean }
  | { readonly kind: 'count'; readonly leftMl: number }
  | { readonly kind: 'discard'; readonly caught: boolean };

export function useContainerAct(container: Pick<Container, 'id' | 'version'>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ kind, ...body }: ContainerAct) =>
      api<Container>(`/shelf/${container.id}/${kind}`, {
        method: 'POST',
        body,
        version: container.version,
      }),
    onSettled: () => forgetShelf(client),
  });
}

/** Which vehicles got a batch; asked once there is something to ask for. */
export function useRecall(batch: string) {
  return useQuery({
    queryKey: ['recall', batch],
    queryFn: () => api<Recall>(`/shelf/recall?batch=${encodeURIComponent(batch)}`),
    enabled: batch !== '',
  });
}

/** The waste drum. */
export function useWaste() {
  return useQuery({ queryKey: ['waste'], queryFn: () => api<Waste>('/waste') });
}

export function useHandOver() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (given: { toWhom: string; document: string }) =>
      api<Waste>('/waste/hand-overs', { method: 'POST', body: given }),
    onSuccess: (waste) => client.setQueryData(['waste'], waste),
  });
}

/** Shelf and drum show what a job or a person moves; plans show what the shelf gives. */
export function forgetShelf(client: ReturnType<typeof useQueryClient>): void {
  for (const key of ['shelf', 'waste', 'recall', 'job'])
    void client.invalidateQueries({ queryKey: [key] });
}
