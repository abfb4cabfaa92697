import type { DriveState } from '../job';
import type { Kept } from '../run';
import type { JobEvent, VehicleEvent } from './event';
import { touches } from './proof';
import { driveInForce, type JobState } from './state';
import { takenBackIn, undoneIds } from './undo';

/** What a job or a mark says about whether its vehicle may move. */
export interface DriveEffect {
  readonly state: DriveState;
  /** Since when, milliseconds since 1970; null where it is free. */
  readonly sinceMs: number | null;
  readonly reason: string | null;
  /** Whether it came of what was done after the job was closed. */
  readonly afterClose?: true;
}

export const FREE: DriveEffect = { state: 'free', sinceMs: null, reason: null };

/** What a job says about its vehicle; null where it touched nothing. */
export function driveEffectOf(job: JobState): DriveEffect | null {
  if (job.released) return FREE;
  const openedAtMs = job.run?.openedAtMs ?? null;
  if (job.ended) {
    if (openedAtMs !== null) return open(openedAtMs);
    return job.ended.stop ? doNotDrive(job.ended.atMs, job.ended.reason) : null;
  }
  const drive = driveInForce(job);
  if (drive)
    return {
      state: 'test drive only',
      sinceMs: drive.setAtMs,
      reason: 'Slow, in a safe place, nobody else on board.',
    };
  const failed = job.drives.at(-1)?.result;
  if (failed?.result === 'bad') return doNotDrive(failed.atMs, 'The test drive failed.');
  return openedAtMs === null ? null : open(openedAtMs);
}

/**
 * What the additions to a closed job say: what was done after its release, or
 * taken back from what it was released on, holds the vehicle again. What an
 * addition took back of another addition is as if it had not been.
 */
export function driveEffectOfAdditions(
  additions: readonly Kept<JobEvent>[],
  log: readonly Kept<JobEvent>[],
): DriveEffect | null {
  const undone = undoneIds(additions);
  const takenBack = takenBackIn(log);
  const first = additions.find((e) => !undone.has(e.id) && touches(e, takenBack) !== 'nothing');
  if (!first) return null;
  const reason = 'Something was done on it after its job was closed. Look before it is driven.';
  return { ...doNotDrive(first.atMs, reason), afterClose: true };
}

/** The marks of a vehicle's own log that hold, in order. */
export function marksOf(
  log: readonly Kept<VehicleEvent>[],
): Kept<Extract<VehicleEvent, { readonly kind: 'marked' }>>[] {
  const undone = undoneIds(log);
  return log.flatMap((e) => (e.kind === 'marked' && !undone.has(e.id) ? [e] : []));
}

/** What a vehicle's jobs and marks say, jobs in the order in which they were taken in. */
export interface DriveFacts {
  readonly jobs: readonly {
    readonly openedAtMs: number;
    readonly released: boolean;
    readonly effect: DriveEffect | null;
  }[];
  readonly marks: readonly { readonly atMs: number; readonly reason: string }[];
}

/**
 * Whether a vehicle may move. The moment stays that of the first change to a
 * state. A mark holds until a job releases the vehicle that was taken in after
 * it: whoever took it in has seen the mark. So does what was done on it after a
 * job was closed, however late it comes to be known.
 */
export function vehicleDrive({ jobs, marks }: DriveFacts): DriveEffect {
  const byJobs = jobs.reduce<DriveEffect>((now, job) => {
    // What was done later holds by its own moment; its job was released all the same.
    const effect = job.released && job.effect?.afterClose ? FREE : job.effect;
    return effect === null || effect.state === now.state ? now : effect;
  }, FREE);
  if (byJobs.state === 'do not drive') return byJobs;
  const done = jobs.flatMap(({ effect }, i) =>
    effect?.afterClose && !releasedSince(jobs.slice(i + 1), effect.sinceMs!) ? [effect] : [],
  );
  const marked = marks.flatMap((m) =>
    releasedSince(jobs, m.atMs) ? [] : [doNotDrive(m.atMs, m.reason)],
  );
  return [...done, ...marked][0] ?? byJobs;
}

/** Whether one of these jobs was taken in at that moment or after it, and released. */
const releasedSince = (jobs: DriveFacts['jobs'], atMs: number): boolean =>
  jobs.some((j) => j.released && j.openedAtMs >= atMs);

const open = (atMs: number): DriveEffect =>
  doNotDrive(atMs, 'The brakes are open and not yet released.');

function doNotDrive(sinceMs: number, reason: string): DriveEffect {
  return { state: 'do not drive', sinceMs, reason };
}
