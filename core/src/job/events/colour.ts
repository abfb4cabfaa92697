import { atBleeder } from '../standing';
import type { Colour } from '../../fluid/verdict';
import { openingFault } from './faults';
import { BRINGS_NOTHING, PROVES_NOTHING, nothing, runEvent, TAKES_BACK } from './kind';

export interface ColourHappening {
  readonly kind: 'colour';
  readonly openingId: string;
  readonly colour: Colour;
}

export const colour = runEvent<ColourHappening>({
  kind: 'colour',
  voids: nothing('it is only seen'),
  opens: BRINGS_NOTHING,
  settles: ['old fluid', 'wrong grade'],
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { openingId, colour: seen }) =>
    atBleeder(run, openingId, (b) => ({ ...b, colour: { seen, atStroke: b.strokes } })),
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ colour: seen, openingId }, { at }) => `colour ${seen}, ${at(openingId)}`,
});
