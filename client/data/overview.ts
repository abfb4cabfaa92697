import { useQuery } from '@tanstack/react-query';
import { callKept } from './call';

/** What stands open in the workshop. */
export function useOverview() {
  return useQuery({ queryKey: ['overview'], queryFn: () => callKept('/overview'), staleTime: 0 });
}
