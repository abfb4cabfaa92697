import { openingFault } from './faults';
import { runEvent } from './kind';

/** How far the bleeder was opened, turns. */
export interface BleederOpenedHappening {
  readonly kind: 'bleeder opened';
  readonly openingId: string;
  readonly turns: number;
}

export const bleederOpened = runEvent<BleederOpenedHappening>({
  kind: 'bleeder opened',
  voids: 'all',
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ turns, openingId }, { at }) => `opened ${turns} turns, ${at(openingId)}`,
});
