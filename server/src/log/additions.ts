import { driveEffectOf, driveEffectOfAdditions, type JobEvent } from '@brook/core/log';
import type { Kept } from '@brook/core/run';
import type { LockedJob } from '../jobs/locked';
import { driveAfterJob } from './drive';

/** What arrived after a job was closed may open its vehicle again. */
export async function driveAfterAdditions(
  locked: LockedJob,
  additions: readonly Kept<JobEvent>[],
): Promise<void> {
  const effect = driveEffectOfAdditions(additions, locked.state.log) ?? driveEffectOf(locked.state);
  const { stage } = locked.job;
  await driveAfterJob(locked, effect, stage === 'released' || stage === 'ended' ? stage : null);
}
