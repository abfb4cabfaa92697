import { sizesOf, type Layout } from '../../vehicle/circuit';
import type { ActualRow } from '../run';
import { type Logged, type Tightened, type JobEvent } from '../events';
import { jointAgain, jointHolds, jointWords } from '../../vehicle/torque';
import { undoneIds } from './undo';

/** One thing that a later visit looks at again, and why. */
export interface LookAgain {
  /** A joint against its value, one whose torque nobody wrote down, or a part that was used again. */
  readonly kind: 'tightness' | 'by feel' | 'look again';
  readonly elementId: string | null;
  readonly because: string;
  readonly person: string;
  readonly atMs: number;
  /** Whether it holds the vehicle: far above its value, or below it. */
  readonly holds?: true;
}

type Joint = Extract<Logged<JobEvent>, { readonly kind: 'joint tightened' }>;

/** What was said of each joint in a job, the last word of each. */
export function jointsOf(log: readonly Logged<JobEvent>[]): readonly Joint[] {
  const undone = undoneIds(log);
  const joints = new Map<string, Joint>();
  for (const e of log)
    if (e.kind === 'joint tightened' && !undone.has(e.id)) joints.set(e.elementId, e);
  return [...joints.values()];
}

/**
 * How tight a bleeder is: the torque that was said of it last, else what was
 * said when it was shut; null where it was not.
 */
export function tightnessOf(
  { bleederId, openingId, tightened }: Pick<ActualRow, 'bleederId' | 'openingId' | 'tightened'>,
  log: readonly Logged<JobEvent>[],
): Tightened | null {
  const joint = jointsOf(log).find((j) => j.elementId === bleederId);
  if (tightened === null || !joint || joint.appliedNm === null) return tightened;
  if (isOpenedSince(joint, [openingId], log)) return tightened;
  return { torqueNm: joint.appliedNm };
}

/** Whether a bleeder was opened again after its torque was said: then that is past. */
export const isOpenedSince = (
  joint: Pick<Joint, 'id'>,
  openingIds: readonly string[],
  log: readonly Logged<JobEvent>[],
): boolean =>
  log
    .slice(log.findIndex((e) => e.id === joint.id))
    .some(
      (e) => (e.kind === 'stroke' || e.kind === 'opened again') && openingIds.includes(e.openingId),
    );

/** The manual's value of a joint of this vehicle, and who put it there. */
export interface ManualTorque {
  readonly elementId: string;
  readonly manualNm: number;
  readonly by: string;
}

/**
 * The manual's value for a joint, as it is known: of this job, else of an
 * earlier one on this vehicle, else of the bleeder as its layout lists it.
 */
export function manualTorqueOf(
  elementId: string,
  given: {
    readonly log: readonly Logged<JobEvent>[];
    readonly earlier: readonly ManualTorque[];
    readonly layout: Layout;
  },
): ManualTorque | null {
  const here = jointsOf(given.log).find((j) => j.elementId === elementId);
  if (here && here.manualNm !== null)
    return { elementId, manualNm: here.manualNm, by: here.person };
  const before = given.earlier.find((m) => m.elementId === elementId);
  if (before) return before;
  const bleeder = given.layout.bleeders.find((b) => b.id === elementId);
  const listed = bleeder && sizesOf(bleeder.fitting).torqueNm;
  return listed ? { elementId, manualNm: listed, by: 'the layout' } : null;
}

/**
 * What a job leaves to be looked at again: joints above the manual's value or
 * by feel, and parts that were used again.
 */
export function lookAgainOf(log: readonly Logged<JobEvent>[]): LookAgain[] {
  const undone = undoneIds(log);
  const joints = jointsOf(log)
    .filter((j) => jointAgain(j) !== null)
    .map(
      (j): LookAgain => ({
        kind: jointAgain(j) === 'by feel' ? 'by feel' : 'tightness',
        elementId: j.elementId,
        because: jointWords(j),
        person: j.person,
        atMs: j.atMs,
        ...(jointHolds(j) ? { holds: true } : {}),
      }),
    );
  const parts = log.flatMap((e): LookAgain[] => {
    if (e.kind !== 'look later' || undone.has(e.id)) return [];
    const by = [e.byDate, e.byKm === null ? null : `${e.byKm.toLocaleString('en')} km`].filter(
      (x) => x !== null,
    );
    const until = by.length > 0 ? `, look by ${by.join(' or ')}` : '';
    const { elementId, person, atMs } = e;
    return [
      { kind: 'look again', elementId, because: `${e.why}: ${e.what}${until}`, person, atMs },
    ];
  });
  return [...joints, ...parts];
}
