import {
  BRINGS_NOTHING,
  SETTLES_NOTHING,
  PROVES_NOTHING,
  nothing,
  jobEvent,
  TAKES_BACK,
} from './kind';

/** Somebody looked, whether or not it was up; named by the event that started it. */
export interface ClockEndedHappening {
  readonly kind: 'clock ended';
  readonly eventId: string;
}

export const clockEnded = jobEvent<ClockEndedHappening>({
  kind: 'clock ended',
  voids: nothing('a clock moves nothing'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fault: ({ eventId }, { find }) =>
    find(eventId)?.kind === 'clock started' ? null : `There is no clock "${eventId}" to end.`,
  words: () => 'a clock that was looked at',
});
