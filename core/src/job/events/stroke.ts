import { countsItself, opened, strokes } from '../standing';
import { openingFault } from './faults';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';

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
  undo: TAKES_BACK,
  fold: (run, { id: eventId, openingId, deviceId, person, atMs, made = 1 }) => {
    const said = { eventId, openingId, deviceId, person, atMs, made };
    // Whether one of another source counts is asked; that somebody was at the brakes is not.
    if (!countsItself(run.counting, said))
      return { ...opened(run, atMs), asked: [...run.asked, said] };
    return strokes({ ...run, counting: run.counting ?? { deviceId, way: 'tap' } }, said);
  },
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ made = 1, openingId }, { at }) =>
    `${made > 1 ? `${made} strokes` : 'a stroke'}, ${at(openingId)}`,
});
