import { useInfiniteQuery } from '@tanstack/react-query';

/** What a page of a list is asked by. */
interface PageQuery extends Readonly<Record<string, string | number>> {
  readonly limit: number;
}

/** As much as a page may hold: what is read to its end is read in few questions. */
const MOST = 500;

/** Every page of a list, in order; there is always a first one. */
export async function pagesOf<P extends { readonly next: string | null }>(
  ask: (query: PageQuery) => Promise<P>,
): Promise<[P, ...P[]]> {
  const pages: [P, ...P[]] = [await ask({ limit: MOST })];
  for (let last = pages[0]; last.next !== null; pages.push(last))
    last = await ask({ limit: MOST, cursor: last.next });
  return pages;
}

/** Pages behind one that came with something else; they are asked for when somebody wants to see them. */
export interface Earlier<P> {
  readonly pages: readonly P[];
  readonly more: boolean;
  readonly fetching: boolean;
  readonly error: Error | null;
  readonly fetch: () => void;
}

/** @param after cursor of the page that is there, null where it was the last */
export function useEarlier<P extends { readonly next: string | null }>(
  key: readonly string[],
  after: string | null,
  ask: (query: { readonly cursor: string }) => Promise<P>,
): Earlier<P> {
  const { data, error, hasNextPage, isFetching, fetchNextPage } = useInfiniteQuery({
    queryKey: [...key, after],
    queryFn: ({ pageParam }) => ask({ cursor: pageParam! }),
    initialPageParam: after,
    getNextPageParam: (page) => page.next,
    enabled: false,
  });
  return {
    pages: data?.pages ?? [],
    more: data ? hasNextPage : after !== null,
    fetching: isFetching,
    error,
    fetch: () => void fetchNextPage(),
  };
}
