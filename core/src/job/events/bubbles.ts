import { atBleeder, type BleederState, type BubbleReading } from '../standing';
import { openingFault } from './faults';
import { PROVES_NOTHING, nothing, runEvent, TAKES_BACK } from './kind';
import { airBehind } from './places';

export interface BubblesHappening {
  readonly kind: 'bubbles';
  readonly openingId: string;
  readonly reading: BubbleReading;
}

export const bubbles = runEvent<BubblesHappening>({
  kind: 'bubbles',
  voids: nothing('it is only seen'),
  opens: ({ openingId, reading }, plans) => (reading === 'none' ? [] : airBehind(plans, openingId)),
  settles: ['air possible'],
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { openingId, reading }) => atBleeder(run, openingId, (b) => read(b, reading)),
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ reading, openingId }, { at }) => `bubbles ${reading}, ${at(openingId)}`,
});

/** Bubbles as they were seen: how often the same in a row, and what was changed by what was tried. */
function read(b: BleederState, reading: BubbleReading): BleederState {
  const same = b.bubbles?.reading === reading;
  // A second tap on the same answer is no second look.
  const looked = b.bubbles?.atStroke !== b.strokes;
  const equal = same ? b.equalBubbles + (looked ? 1 : 0) : 1;
  return {
    ...b,
    bubbles: { reading, atStroke: b.strokes },
    lastBubblesAtStroke: reading === 'none' ? b.lastBubblesAtStroke : b.strokes,
    equalBubbles: reading === 'none' ? 0 : equal,
    tried: b.tried.map((t) =>
      t.done && t.after === null && b.strokes > t.atStroke ? { ...t, after: reading } : t,
    ),
  };
}
