import { openingFault } from './faults';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent } from './kind';

/** How many strokes are said at once, at the most. */
export const MOST_MADE = 10;

/** One stroke or mark; several made in a row and said at once, where `made` says how many. */
export interface StrokeHappening {
  readonly kind: 'stroke';
  readonly openingId: string;
  readonly made?: number | undefined;
}

export const stroke = runEvent<StrokeHappening>({
  kind: 'stroke',
  voids: 'all',
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ made = 1, openingId }, { at }) =>
    `${made > 1 ? `${made} strokes` : 'a stroke'}, ${at(openingId)}`,
});
