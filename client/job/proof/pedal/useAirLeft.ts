import type { AirLeft, Reading } from '@brook/core/control/pedal';
import type { Plan } from '@brook/core/bleed/plan';
import { useQuery } from '@tanstack/react-query';
import type { AirQuestion } from '../../../data/workers/air.worker';
import { askWorker } from '../../../data/workers/ask';

/** What is asked of one control. */
export interface AirRequest {
  readonly masterId: string;
  /** Null asks nothing. */
  readonly now: readonly Reading[] | null;
  /** Of this vehicle, bled; null without. */
  readonly baseline: readonly Reading[] | null;
}

/**
 * Air behind a control by its readings, from a worker of its own; asked again
 * only where they changed. None while it is reckoned, and where nothing is asked.
 */
export function useAirLeft(
  { layout, preferences }: Pick<Plan, 'layout' | 'preferences'>,
  { masterId, now, baseline }: AirRequest,
): {
  readonly air: AirLeft | null;
  readonly fault: string | null;
  readonly busy: boolean;
} {
  const plain = (readings: readonly Reading[]) =>
    readings.map(({ at, pumped, heightMm }) => ({ at, pumped, heightMm }));
  const question: AirQuestion | null = now && {
    layout,
    altitudeM: preferences.altitudeM,
    masterId,
    now: plain(now),
    baseline: baseline && plain(baseline),
  };
  const { data, error, isFetching } = useQuery({
    queryKey: ['air left', question],
    queryFn: () =>
      askWorker<AirLeft>(
        () => new Worker(new URL('../../../data/workers/air.worker', import.meta.url)),
        question,
      ).answer,
    enabled: question !== null,
    // The same readings always give the same answer.
    staleTime: Infinity,
    retry: false,
    networkMode: 'always',
  });
  return { air: data ?? null, fault: error?.message ?? null, busy: isFetching };
}
