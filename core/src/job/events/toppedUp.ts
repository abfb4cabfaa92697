import { fillTo, isWaiting } from '../standing';
import { reservoirFault } from './faults';
import { SETTLES_NOTHING, PROVES_NOTHING, runEvent } from './kind';
import { broughtByPour, type OutOf } from './product';

/** Filled up; out of which container, where somebody said so. */
export interface ToppedUpHappening extends OutOf {
  readonly kind: 'topped up';
  readonly reservoirId: string;
  readonly containerId: string | null;
}

export const toppedUp = runEvent<ToppedUpHappening>({
  kind: 'topped up',
  voids: 'level',
  opens: (event) => broughtByPour(event, event.reservoirId),
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: 'asks whether it went in',
  fold: (run, { reservoirId, containerId }) => {
    const reservoir = run.plan.reservoirs.find((b) => b.id === reservoirId);
    if (!reservoir) return run;
    const everyShut = run.bleeders.every((b) => !isWaiting(run, b));
    const { finalLevelMl, maxMl } = reservoir;
    return {
      ...fillTo(run, reservoirId, everyShut ? finalLevelMl : maxMl, containerId),
      topUps: run.topUps + (everyShut ? 0 : 1),
    };
  },
  fault: ({ reservoirId }, { plans }) => reservoirFault(plans, reservoirId),
  words: ({ product }) =>
    product ? `a top-up, ${product.grade}, batch ${product.batch}` : 'a top-up',
});
