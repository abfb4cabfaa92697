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
  fault: ({ reservoirId }, { plans }) => reservoirFault(plans, reservoirId),
  words: ({ product }) =>
    product ? `a top-up, ${product.grade}, batch ${product.batch}` : 'a top-up',
});
