import { CHECK_WORDS, type CheckItem } from '../gate';
import { nameOf } from '../scope';
import { lowerFirst } from '../text';
import type { JobState } from './state';

/** One piece of paper that a lead let go. */
export interface Overridden {
  readonly what: string;
  readonly why: string;
  readonly person: string;
  readonly atMs: number;
}

/** What of the gate's paper was let go in a job, by whom and why. */
export function overridesOf({ log, run }: Pick<JobState, 'log' | 'run'>): Overridden[] {
  return log.flatMap((e): Overridden[] => {
    if (e.kind !== 'overridden') return [];
    const { code, of, why, person, atMs } = e;
    const what =
      code === 'photo asked for'
        ? `photo of: ${lowerFirst(CHECK_WORDS[of as CheckItem].ask)}`
        : `torque of the ${run ? nameOf(run.plan.layout, of) : of}`;
    return [{ what, why, person, atMs }];
  });
}
