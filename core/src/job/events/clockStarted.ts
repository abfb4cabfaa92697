import { lowerFirst } from '../../base/text';
import { type ClockKind, CLOCK_WORDS } from '../../base/clock';
import { elementIfAny } from './faults';
import {
  BRINGS_NOTHING,
  SETTLES_NOTHING,
  PROVES_NOTHING,
  nothing,
  jobEvent,
  TAKES_BACK,
} from './kind';

export interface ClockStartedHappening {
  readonly kind: 'clock started';
  readonly clock: ClockKind;
  readonly minutes: number;
  /** Where; null where it is of the whole vehicle. */
  readonly elementId: string | null;
}

export const clockStarted = jobEvent<ClockStartedHappening>({
  kind: 'clock started',
  voids: nothing('a clock moves nothing'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fault: ({ elementId }, { plans }) => elementIfAny(plans, elementId),
  words: ({ clock, minutes }) => `a clock: ${lowerFirst(CLOCK_WORDS[clock].title)}, ${minutes} min`,
});
