import type { Container, NewContainers, Recall, Shelf } from '@brook/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call, callKept } from './call';
import { pagesOf, useEarlier } from './pages';

/** The shelf of this moment. */
export function useShelf() {
  return useQuery({ queryKey: ['shelf'], queryFn: wholeShelf });
}

async function wholeShelf(): Promise<Shelf> {
  const pages = await pagesOf((query) => callKept('/shelf', { query }));
  return { ...pages[0], containers: pages.flatMap((p) => p.containers), next: null };
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
    queryFn: () => wholeRecall(batch),
    enabled: batch !== '',
  });
}

async function wholeRecall(batch: string): Promise<Recall> {
  const pages = await pagesOf((query) =>
    call('get', '/shelf/recall', { query: { batch, ...query } }),
  );
  return { ...pages[0], uses: pages.flatMap((p) => p.uses), next: null };
}

/** The waste drum. */
export function useWaste() {
  return useQuery({ queryKey: ['waste'], queryFn: () => call('get', '/waste') });
}

/** What went into the drum before what came with it, page by page. */
export const useWentIn = (after: string | null) =>
  useEarlier(['waste', 'entries'], after, (query) => call('get', '/waste/entries', { query }));

/** What was handed over before what came with the drum, page by page. */
export const useHandedOver = (after: string | null) =>
  useEarlier(['waste', 'hand-overs'], after, (query) =>
    call('get', '/waste/hand-overs', { query }),
  );

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
