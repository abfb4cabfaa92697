import { atBleeder, opened } from '../standing';
import { openingFault } from './faults';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';

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
  undo: TAKES_BACK,
  fold: (run, { openingId, turns, atMs }) =>
    atBleeder(opened(run, atMs), openingId, (b) => ({
      ...b,
      openedTurns: turns,
      shut: false,
      tightened: null,
      early: null,
    })),
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ turns, openingId }, { at }) => `opened ${turns} turns, ${at(openingId)}`,
});
