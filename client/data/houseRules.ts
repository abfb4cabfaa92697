import type { HouseRulesRecord } from '@brook/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call, callKept } from './call';
import { forgetShelf } from './shelf';

/** What the workshop decided for itself. */
export function useHouseRules() {
  return useQuery({
    queryKey: ['house-rules'],
    queryFn: () => callKept('/house-rules'),
  });
}

/** Times of the workshop's own, as its runs told them; for whoever may take them. */
export function usePaceProposals(enabled: boolean) {
  return useQuery({
    queryKey: ['house-rules', 'paces'],
    queryFn: () => call('get', '/house-rules/paces'),
    enabled,
  });
}

export function useChangeHouseRules() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ rules, version }: HouseRulesRecord) =>
      call('put', '/house-rules', { body: rules, version }),
    onSuccess: (page) => {
      client.setQueryData(['house-rules'], page);
      forgetShelf(client);
      void client.invalidateQueries({ queryKey: ['history'] });
      void client.invalidateQueries({ queryKey: ['house-rules', 'paces'] });
    },
    onError: () => client.invalidateQueries({ queryKey: ['house-rules'] }),
  });
}
