import type { Layout } from '@brook/core/circuit';
import type { AirLeft, Reading } from '@brook/core/pedal';
import { useQuery } from '@tanstack/react-query';
import type { AirQuestion } from '../workers/air.worker';
import { askWorker } from '../workers/ask';

/** What is asked of one control: null readings ask nothing. */
export interface AirAsked {
  readonly masterId: string;
  readonly now: readonly Reading[] | null;
  readonly baseline: readonly Reading[] | null;
}

/**
 * Air behind controls by their readings, from a worker of its own; asked again
 * only where they changed. None while it is reckoned, and where one asks nothing.
 *
 * @param altitudeM where the workshop lies
 */
export function useAirLeft(
  layout: Layout,
  altitudeM: number,
  asked: readonly AirAsked[],
): {
  readonly air: readonly AirLeft[] | null;
  readonly fault: string | null;
  readonly busy: boolean;
} {
  const plain = (readings: readonly Reading[]) =>
    readings.map(({ at, pumped, heightMm }) => ({ at, pumped, heightMm }));
  const questions = asked.flatMap(({ masterId, now, baseline }): AirQuestion[] =>
    now
      ? [{ layout, altitudeM, masterId, now: plain(now), baseline: baseline && plain(baseline) }]
      : [],
  );
  const { data, error, isFetching } = useQuery({
    queryKey: ['air left', questions],
    queryFn: () =>
      askWorker<AirLeft[]>(
        () => new Worker(new URL('../workers/air.worker', import.meta.url)),
        questions,
      ).answer,
    enabled: questions.length > 0 && questions.length === asked.length,
    // The same readings always give the same answer.
    staleTime: Infinity,
    retry: false,
    networkMode: 'always',
  });
  return { air: data ?? null, fault: error?.message ?? null, busy: isFetching };
}
