import { elementFault } from './faults';
import { SETTLES_NOTHING, PROVES_NOTHING, runEvent } from './kind';

/** A part came off the vehicle: from here on it must not be driven. */
export interface TakenOffHappening {
  readonly kind: 'taken off';
  readonly elementId: string;
}

export const takenOff = runEvent<TakenOffHappening>({
  kind: 'taken off',
  voids: 'all',
  opens: ({ elementId }) => [{ what: 'part off', where: elementId }],
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  fault: ({ elementId }, { plans }) => elementFault(plans, elementId),
  words: () => 'a part taken off',
});
