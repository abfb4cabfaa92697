import { reservoirFault } from './faults';
import { runEvent } from './kind';

/** A reservoir drawn off to half, before or while fluid is pushed up into it. */
export interface DrawnOffHappening {
  readonly kind: 'drawn off';
  readonly reservoirId: string;
}

export const drawnOff = runEvent<DrawnOffHappening>({
  kind: 'drawn off',
  voids: 'level',
  fault: ({ reservoirId }, { plans }) => reservoirFault(plans, reservoirId),
  words: () => 'drawn off to half',
});
