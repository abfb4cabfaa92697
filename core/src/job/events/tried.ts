import { atBleeder, type Try } from '../standing';
import { lowerFirst } from '../../base/text';
import { openingFault } from './faults';
import {
  BRINGS_NOTHING,
  SETTLES_NOTHING,
  PROVES_NOTHING,
  nothing,
  runEvent,
  TAKES_BACK,
} from './kind';

/** What to try where bubbles stay the same, and why that helps [C]. */
export const TRY_WORDS: Readonly<Record<Try, { readonly title: string; readonly why: string }>> = {
  'open less': {
    title: 'Open it less',
    why: 'Only as far as it flows: opened further it lets air in past its threads.',
  },
  'tap it': {
    title: 'Tap it',
    why: 'Caliper, backing plate or line, lightly, while fluid moves: bubbles that cling let go.',
  },
  'flick it': {
    title: 'Flick the pedal or lever',
    why: 'Shut; then a dozen times through its first few millimetres: bubbles below the port rise into the reservoir.',
  },
  'another stroke': {
    title: 'Another stroke',
    why: 'Fast down and slowly back where it was steady, steady where it was fast.',
  },
  'turn it up': {
    title: 'Turn or raise it',
    why: 'So that its bleeder is the highest point. Unhooked: its pistons blocked first, and hung by wire, never by its hose.',
  },
  wait: {
    title: 'Wait half an hour',
    why: 'Shut. Fine bubbles rise and gather; then go on.',
  },
  'another method': {
    title: 'Another method',
    why: 'Under “Something is wrong”, air that never ends: the rest is planned anew.',
  },
};

/** Where bubbles stay the same: what was tried against it, or passed over. */
export interface TriedHappening {
  readonly kind: 'tried';
  readonly openingId: string;
  readonly what: Try;
  readonly done: boolean;
}

export const tried = runEvent<TriedHappening>({
  kind: 'tried',
  voids: nothing('what is done at the bleeder is said by its own events'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  // What was done against them begins the looks anew; what was passed over does not.
  fold: (run, { openingId, what, done }) =>
    atBleeder(run, openingId, (b) => ({
      ...b,
      tried: [
        ...b.tried,
        { what, done, atStroke: b.strokes, before: b.bubbles?.reading ?? null, after: null },
      ],
      equalBubbles: done ? 0 : b.equalBubbles,
    })),
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ done, what, openingId }, { at }) =>
    `${done ? 'tried' : 'passed over'}: ${lowerFirst(TRY_WORDS[what].title)}, ${at(openingId)}`,
});
