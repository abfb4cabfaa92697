import { atBleeder, opened } from '../standing';
import { openingFault } from './faults';
import { SETTLES_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';
import { airBehind } from './places';

/** How the order of a round is broken: let go while the bleeder was open, or the end of the hose out of the fluid. */
export const BROKEN_ROUNDS = ['let go while open', 'hose end out'] as const;
export type BrokenRound = (typeof BROKEN_ROUNDS)[number];

/** The order of a round was broken: air may have gone in, and what was seen free of bubbles counts no more. */
export interface RoundBrokenHappening {
  readonly kind: 'round broken';
  readonly openingId: string;
  readonly how: BrokenRound;
}

export const roundBroken = runEvent<RoundBrokenHappening>({
  kind: 'round broken',
  voids: 'all',
  opens: ({ openingId }, plans) => airBehind(plans, openingId),
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { openingId, atMs }) =>
    atBleeder(opened(run, atMs), openingId, (b) => ({
      ...b,
      broken: b.broken + 1,
      lastBrokenAtStroke: b.strokes,
    })),
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ how, openingId }, { at }) => `${how}, ${at(openingId)}`,
});
