import { chambersOf } from '../../vehicle/circuit';
import type { JobState } from '../../job/log';
import type { FluidUsedEntry } from '../../job/events';
import { balanceGap, type BalanceGap } from '../../fluid/shelf';

/**
 * How far what a person put down of the fluid is from what the run came to.
 *
 * @returns null before a run began
 */
export function usedGap(
  { run }: Pick<JobState, 'run'>,
  used: Pick<FluidUsedEntry, 'containers' | 'bledMl' | 'removedMl' | 'spilledMl'>,
): BalanceGap | null {
  if (!run) return null;
  const { layout, reservoirs } = run.plan;
  const levels = reservoirs.map((b) => {
    const outlets = chambersOf(layout)
      .filter(({ chamber }) => chamber.fedBy === b.id)
      .map(({ chamber }) => chamber.outlet);
    const lowest = outlets.reduce((a, o) => (o.belowMaxMm > a.belowMaxMm ? o : a));
    return { maxMl: b.maxMl, ...lowest };
  });
  return balanceGap(
    { ...used, pouredMl: used.containers.reduce((sum, c) => sum + c.pouredMl, 0) },
    run.pouredMl - run.bledMl - run.removedMl,
    used.containers.filter((c) => c.pouredMl > 0).length,
    levels,
  );
}
