import { atBleeder } from '../standing';
import { openingFault } from './faults';
import {
  BRINGS_NOTHING,
  SETTLES_NOTHING,
  PROVES_NOTHING,
  nothing,
  runEvent,
  TAKES_BACK,
} from './kind';

/** The syringe is empty: shut before the plunger comes back, and readied anew. */
export interface SyringeEmptyHappening {
  readonly kind: 'syringe empty';
  readonly openingId: string;
}

export const syringeEmpty = runEvent<SyringeEmptyHappening>({
  kind: 'syringe empty',
  voids: nothing('what it moved was counted'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { openingId }) => atBleeder(run, openingId, (b) => ({ ...b, syringeReady: false })),
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ openingId }, { at }) => `the syringe empty, ${at(openingId)}`,
});
