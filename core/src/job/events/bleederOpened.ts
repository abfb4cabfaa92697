import { openingFault } from './faults';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent } from './kind';

/** How far the bleeder was opened, turns. */
export interface BleederOpenedHappening {
  readonly kind: 'bleeder opened';
  readonly openingId: string;
  readonly turns: number;
}

export const bleederOpened = runEvent<BleederOpenedHappening>({
  kind: 'bleeder opened',
  voids: 'all',
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ turns, openingId }, { at }) => `opened ${turns} turns, ${at(openingId)}`,
});
