import type { HouseRulesRecord } from '@brook/contract';
import type { HouseRules } from '@brook/core/rules';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from './api';
import { apiKept } from './apiKept';
import { forgetShelf } from './shelf';

/** What the workshop decided for itself. */
export function useHouseRules() {
  return useQuery({
    queryKey: ['house-rules'],
    queryFn: () => apiKept<HouseRulesRecord>('/house-rules'),
  });
}

export function useChangeHouseRules() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ rules, version }: HouseRulesRecord) =>
      api<HouseRulesRecord>('/house-rules', {
        method: 'PUT',
        body: rules satisfies HouseRules,
        version,
      }),
    onSuccess: (page) => {
      client.setQueryData(['house-rules'], page);
      forgetShelf(client);
      void client.invalidateQueries({ queryKey: ['history'] });
    },
    onError: () => client.invalidateQueries({ queryKey: ['house-rules'] }),
  });
}
