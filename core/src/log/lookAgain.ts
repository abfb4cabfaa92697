import type { Kept } from '../run';
import { jointAgain, jointWords } from '../torque';
import type { JobEvent } from './event';
import { undoneIds } from './undo';

/** One thing that a later visit looks at again, and why. */
export interface LookAgain {
  readonly elementId: string | null;
  readonly because: string;
  readonly person: string;
  readonly atMs: number;
}

type Joint = Extract<Kept<JobEvent>, { readonly kind: 'joint tightened' }>;

/** What was said of each joint in a job, the last word of each. */
export function jointsOf(log: readonly Kept<JobEvent>[]): readonly Joint[] {
  const undone = undoneIds(log);
  const joints = new Map<string, Joint>();
  for (const e of log)
    if (e.kind === 'joint tightened' && !undone.has(e.id)) joints.set(e.elementId, e);
  return [...joints.values()];
}

/**
 * What a job leaves to be looked at again: joints above the manual's value or
 * by feel, and parts that were used again.
 */
export function lookAgainOf(log: readonly Kept<JobEvent>[]): LookAgain[] {
  const undone = undoneIds(log);
  const joints = jointsOf(log)
    .filter((j) => jointAgain(j) !== null)
    .map((j) => ({
      elementId: j.elementId,
      because: jointWords(j),
      person: j.person,
      atMs: j.atMs,
    }));
  const parts = log.flatMap((e): LookAgain[] => {
    if (e.kind !== 'look later' || undone.has(e.id)) return [];
    const by = [e.byDate, e.byKm === null ? null : `${e.byKm.toLocaleString('en')} km`].filter(
      (x) => x !== null,
    );
    const until = by.length > 0 ? `, look by ${by.join(' or ')}` : '';
    const { elementId, person, atMs } = e;
    return [{ elementId, because: `${e.why}: ${e.what}${until}`, person, atMs }];
  });
  return [...joints, ...parts];
}
