import { reservoirFault } from './faults';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent } from './kind';

/** Filled up; out of which container, where somebody said so. */
export interface ToppedUpHappening {
  readonly kind: 'topped up';
  readonly reservoirId: string;
  readonly containerId: string | null;
}

export const toppedUp = runEvent<ToppedUpHappening>({
  kind: 'topped up',
  voids: 'level',
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  fault: ({ reservoirId }, { plans }) => reservoirFault(plans, reservoirId),
  words: () => 'a top-up',
});
