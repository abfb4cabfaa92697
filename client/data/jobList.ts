import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { call, callKept } from './call';

/**
 * The workshop's jobs, page by page.
 *
 * @param words that stand in vehicle, plate or number; all jobs when empty
 */
export function useJobList(words = '') {
  const q = words.trim();
  return useInfiniteQuery({
    queryKey: q === '' ? ['jobs'] : ['jobs', q],
    placeholderData: keepPreviousData,
    queryFn: ({ pageParam }) => {
      const query = { limit: 30, ...(q ? { q } : {}), ...(pageParam ? { cursor: pageParam } : {}) };
      // The first page of all is what is looked at without reception.
      return pageParam || q ? call('get', '/jobs', { query }) : callKept('/jobs', { query });
    },
    initialPageParam: null as string | null,
    getNextPageParam: (page) => page.next,
  });
}
