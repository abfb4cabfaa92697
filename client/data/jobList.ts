import type { JobPage } from '@brook/contract';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { api } from './api';
import { apiKept } from './apiKept';

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
    queryFn: ({ pageParam }) =>
      (pageParam || q !== '' ? api : apiKept)<JobPage>(
        `/jobs?limit=30${q === '' ? '' : `&q=${encodeURIComponent(q)}`}${pageParam ? `&cursor=${pageParam}` : ''}`,
      ),
    initialPageParam: null as string | null,
    getNextPageParam: (page) => page.next,
  });
}
