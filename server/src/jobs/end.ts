import type { Actor } from '../session/actor';
import { setDriveState } from '../vehicles/service';
import { settleByStrokes } from './fluidUsed';
import { changeJob, named, type LockedJob } from './locked';

/** End a job unreleased. What was opened stays "do not drive". */
export async function endJob(
  actor: Actor,
  id: string,
  version: number,
  reason: string,
  at: Date,
): Promise<void> {
  await changeJob(actor, id, version, at, (locked) => endLocked(locked, reason, false));
}

/**
 * End a locked job; on a stop the vehicle becomes "do not drive" even if nothing
 * was opened. What the run moved and nobody put down is put down by the count.
 */
export async function endLocked(locked: LockedJob, reason: string, stop: boolean): Promise<void> {
  const { job, vehicle, transaction, actor, at } = locked;
  await settleByStrokes(locked);
  job.set({ stage: 'ended', closed: true, closedAt: at, ended: { ...named(actor, at), reason } });
  if (stop || vehicle.driveState === 'test drive only')
    await setDriveState(vehicle, 'do not drive', reason, at, transaction);
}
