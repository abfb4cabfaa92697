import { BRINGS_NOTHING, PROVES_NOTHING, nothing, jobEvent, TAKES_BACK } from './kind';

/** Of this job by the event that told of it, of an earlier one by its open item. */
export interface BackOnHappening {
  readonly kind: 'back on';
  readonly eventId: string | null;
  readonly openItemId: string | null;
}

export const backOn = jobEvent<BackOnHappening>({
  kind: 'back on',
  voids: nothing('what came off made the proof void'),
  opens: BRINGS_NOTHING,
  settles: ['not back on'],
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fault: ({ eventId, openItemId }, { find }) => {
    if ((eventId === null) === (openItemId === null))
      return 'Name what is back: by the event that told of it, or by the open item of an earlier job.';
    return eventId === null || find(eventId)?.kind === 'came off'
      ? null
      : `There is no event "${eventId}" by which something came off.`;
  },
  words: () => 'something is back on',
});
