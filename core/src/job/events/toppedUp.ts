import { reservoirFault } from './faults';
import { runEvent } from './kind';

/** Filled up; out of which container, where somebody said so. */
export interface ToppedUpHappening {
  readonly kind: 'topped up';
  readonly reservoirId: string;
  readonly containerId: string | null;
}

export const toppedUp = runEvent<ToppedUpHappening>({
  kind: 'topped up',
  voids: 'level',
  fault: ({ reservoirId }, { plans }) => reservoirFault(plans, reservoirId),
  words: () => 'a top-up',
});
