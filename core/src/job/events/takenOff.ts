import { opened } from '../standing';
import { elementFault } from './faults';
import { SETTLES_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';

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
  undo: TAKES_BACK,
  fold: (run, { atMs }) => opened(run, atMs),
  fault: ({ elementId }, { plans }) => elementFault(plans, elementId),
  words: () => 'a part taken off',
});
