import type { Layout } from '../../vehicle/circuit';
import { type Overridable } from '../events';
import { CHECK_WORDS, type CheckItem } from '../items';
import { nameOf } from '../../bleed/scope';
import { lowerFirst } from '../../base/text';
import type { JobState } from './state';

/** One piece of paper that a lead let go. */
export interface Overridden {
  readonly what: string;
  readonly why: string;
  readonly person: string;
  readonly atMs: number;
}

/** What was let go, in words. */
export function overriddenWords(
  layout: Layout | null,
  { code, of }: { readonly code: Overridable; readonly of: string },
): string {
  return code === 'photo asked for'
    ? `photo of: ${lowerFirst(CHECK_WORDS[of as CheckItem].ask)}`
    : `torque of the ${layout ? nameOf(layout, of) : of}`;
}

/** What of the gate's paper was let go in a job, by whom and why. */
export function overridesOf({ log, run }: Pick<JobState, 'log' | 'run'>): Overridden[] {
  return log.flatMap((e): Overridden[] =>
    e.kind === 'overridden'
      ? [
          {
            what: overriddenWords(run?.plan.layout ?? null, e),
            why: e.why,
            person: e.person,
            atMs: e.atMs,
          },
        ]
      : [],
  );
}
