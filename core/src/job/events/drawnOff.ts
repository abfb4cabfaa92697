import { reservoirFault } from './faults';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent } from './kind';

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
  fault: ({ reservoirId }, { plans }) => reservoirFault(plans, reservoirId),
  words: () => 'drawn off to half',
});
