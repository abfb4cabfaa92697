import { openingFault } from './faults';
import { nothing, runEvent } from './kind';

/** The syringe is empty: shut before the plunger comes back, and readied anew. */
export interface SyringeEmptyHappening {
  readonly kind: 'syringe empty';
  readonly openingId: string;
}

export const syringeEmpty = runEvent<SyringeEmptyHappening>({
  kind: 'syringe empty',
  voids: nothing('what it moved was counted'),
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ openingId }, { at }) => `the syringe empty, ${at(openingId)}`,
});
