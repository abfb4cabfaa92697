import type { JobPage } from '@brook/contract';
import { useInfiniteQuery } from '@tanstack/react-query';
import { api } from './api';

/** The workshop's jobs, page by page. */
export function useJobList() {
  return useInfiniteQuery({
    queryKey: ['jobs'],
    queryFn: ({ pageParam }) =>
      api<JobPage>(`/jobs?limit=30${pageParam ? `&cursor=${pageParam}` : ''}`),
    initialPageParam: null as string | null,
    getNextPageParam: (page) => page.next,
  });
}
