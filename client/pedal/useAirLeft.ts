import type { Layout } from '@brook/core/circuit';
import type { AirLeft, Reading } from '@brook/core/pedal';
import { useQuery } from '@tanstack/react-query';
import type { AirQuestion } from '../workers/air.worker';
import { askWorker } from '../workers/ask';

/**
 * Air behind a control by its readings, from a worker of its own; asked again
 * only where they changed.
 *
 * @param now null where there is nothing to reckon from
 */
export function useAirLeft(
  layout: Layout,
  masterId: string,
  now: readonly Reading[] | null,
  baseline: readonly Reading[] | null,
): { readonly air: AirLeft | null; readonly fault: string | null; readonly busy: boolean } {
  const plain = (readings: readonly Reading[] | null) =>
    readings && readings.map(({ at, pumped, heightMm }) => ({ at, pumped, heightMm }));
  const question: AirQuestion = {
    layout,
    masterId,
    now: plain(now) ?? [],
    baseline: plain(baseline),
  };
  const { data, error, isFetching } = useQuery({
    queryKey: ['air left', masterId, question.now, question.baseline],
    queryFn: () =>
      askWorker<AirLeft>(
        () => new Worker(new URL('../workers/air.worker', import.meta.url)),
        question,
      ).answer,
    enabled: now !== null,
    // The same readings always give the same answer.
    staleTime: Infinity,
    retry: false,
    networkMode: 'always',
  });
  return { air: data ?? null, fault: error?.message ?? null, busy: isFetching };
}
