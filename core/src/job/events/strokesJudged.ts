import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, runEvent } from './kind';

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
  fault: ({ eventIds }, { find }) => {
    const unknown = eventIds.find((id) => find(id)?.kind !== 'stroke');
    return unknown === undefined ? null : `There is no stroke "${unknown}" to judge.`;
  },
  words: ({ count }) =>
    count ? 'strokes of another phone counted' : 'strokes of another phone dropped',
});
