import { halfMl } from '../../hydraulics/order';
import { levelled } from '../standing';
import { reservoirFault } from './faults';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';

/** A reservoir drawn off to half, before or while fluid is pushed up into it. */
export interface DrawnOffHappening {
  readonly kind: 'drawn off';
  readonly reservoirId: string;
}

export const drawnOff = runEvent<DrawnOffHappening>({
  kind: 'drawn off',
  voids: 'level',
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { reservoirId }) => {
    const reservoir = run.plan.reservoirs.find((b) => b.id === reservoirId);
    if (!reservoir) return run;
    const levelMl = run.levelMl[reservoirId]!;
    const removedMl = Math.max(0, levelMl - halfMl(reservoir));
    return {
      ...run,
      removedMl: run.removedMl + removedMl,
      ...levelled(run, { [reservoirId]: levelMl - removedMl }),
    };
  },
  fault: ({ reservoirId }, { plans }) => reservoirFault(plans, reservoirId),
  words: () => 'drawn off to half',
});
