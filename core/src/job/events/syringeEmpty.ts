import { openingFault } from './faults';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, nothing, runEvent } from './kind';

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
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ openingId }, { at }) => `the syringe empty, ${at(openingId)}`,
});
