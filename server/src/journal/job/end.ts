import type { Actor } from '../../session/actor';
import { appendDesk } from '../log/append';
import { settleByStrokes } from './fluidUsed';
import { changeJob, type LockedJob } from '../log/locked';

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
 * was opened. What the run moved and nobody recorded is recorded by the count.
 */
export async function endLocked(locked: LockedJob, reason: string, stop: boolean): Promise<void> {
  await settleByStrokes(locked);
  await appendDesk(locked, { kind: 'ended', reason, stop });
}
