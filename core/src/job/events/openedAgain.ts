import { atBleeder, opened } from '../standing';
import { openingFault } from './faults';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';

/** Somebody goes back to a bleeder that was through: three strokes and a look follow before it is shut again. */
export interface OpenedAgainHappening {
  readonly kind: 'opened again';
  readonly openingId: string;
}

export const openedAgain = runEvent<OpenedAgainHappening>({
  kind: 'opened again',
  voids: 'all',
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { openingId, atMs }) =>
    atBleeder(opened(run, atMs), openingId, (b) =>
      b.shut ? { ...b, shut: false, tightened: null, early: null, againAtStroke: b.strokes } : b,
    ),
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ openingId }, { at }) => `opened again, ${at(openingId)}`,
});
