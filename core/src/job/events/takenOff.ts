import { elementFault } from './faults';
import { runEvent } from './kind';

/** A part came off the vehicle: from here on it must not be driven. */
export interface TakenOffHappening {
  readonly kind: 'taken off';
  readonly elementId: string;
}

export const takenOff = runEvent<TakenOffHappening>({
  kind: 'taken off',
  voids: 'all',
  fault: ({ elementId }, { plans }) => elementFault(plans, elementId),
  words: () => 'a part taken off',
});
