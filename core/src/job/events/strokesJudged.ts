import { strokes } from '../standing';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';

/** What another source counted meanwhile: strokes of their own, or the same ones counted twice. */
export interface StrokesJudgedHappening {
  readonly kind: 'strokes judged';
  readonly eventIds: readonly string[];
  readonly count: boolean;
}

export const strokesJudged = runEvent<StrokesJudgedHappening>({
  kind: 'strokes judged',
  voids: 'all',
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  // Strokes of their own are made now, the same ones are dropped.
  fold: (run, { eventIds, count }) => {
    const judged = run.asked.filter((a) => eventIds.includes(a.eventId));
    const left = { ...run, asked: run.asked.filter((a) => !judged.includes(a)) };
    return count ? judged.reduce(strokes, left) : left;
  },
  fault: ({ eventIds }, { find }) => {
    const unknown = eventIds.find((id) => find(id)?.kind !== 'stroke');
    return unknown === undefined ? null : `There is no stroke "${unknown}" to judge.`;
  },
  words: ({ count }) =>
    count ? 'strokes of another phone counted' : 'strokes of another phone dropped',
});
