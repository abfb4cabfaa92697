import type { Container, NewContainers } from '@brook/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call, callKept } from './call';

/** The shelf of this moment. */
export function useShelf() {
  return useQuery({ queryKey: ['shelf'], queryFn: () => callKept('/shelf') });
}

export function useAddContainers() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (given: NewContainers) => call('post', '/shelf', { body: given }),
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
    mutationFn: (act: ContainerAct) => actOn(container, act),
    onSettled: () => forgetShelf(client),
  });
}

function actOn(to: Pick<Container, 'id' | 'version'>, act: ContainerAct): Promise<Container> {
  const { id, version } = to;
  switch (act.kind) {
    case 'open': {
      const { openedDaysAgo, keptCapped } = act;
      const body = { openedDaysAgo, keptCapped };
      return call('post', '/shelf/{id}/open', { id, version, body });
    }
    case 'count':
      return call('post', '/shelf/{id}/count', { id, version, body: { leftMl: act.leftMl } });
    case 'discard':
      return call('post', '/shelf/{id}/discard', { id, version, body: { caught: act.caught } });
  }
}

/** Which vehicles got a batch; asked once there is something to ask for. */
export function useRecall(batch: string) {
  return useQuery({
    queryKey: ['recall', batch],
    queryFn: () => call('get', '/shelf/recall', { query: { batch } }),
    enabled: batch !== '',
  });
}

/** The waste drum. */
export function useWaste() {
  return useQuery({ queryKey: ['waste'], queryFn: () => call('get', '/waste') });
}

export function useHandOver() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (given: { toWhom: string; document: string }) =>
      call('post', '/waste/hand-overs', { body: given }),
    onSuccess: (waste) => client.setQueryData(['waste'], waste),
  });
}

/** Shelf and drum show what a job or a person moves; plans show what the shelf gives. */
export function forgetShelf(client: ReturnType<typeof useQueryClient>): void {
  for (const key of ['shelf', 'waste', 'recall', 'job'])
    void client.invalidateQueries({ queryKey: [key] });
}
