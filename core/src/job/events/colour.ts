import type { Colour } from '../../fluid/verdict';
import { openingFault } from './faults';
import { BRINGS_NOTHING, PROVES_NOTHING, nothing, runEvent } from './kind';

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
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ colour: seen, openingId }, { at }) => `colour ${seen}, ${at(openingId)}`,
});
