import type { LivePhone } from '@brook/contract';
import { QueryTypes } from 'sequelize';
import { JobDevice } from '../db/models';
import type { Actor } from '../session/actor';

/**
 * A phone was heard of on a job: others are told since when it was not.
 *
 * @param holds how much it said it holds when it was put away; null while it is in use
 */
export async function heardOf(
  actor: Actor,
  jobId: string,
  at: Date,
  holds: number | null = null,
): Promise<void> {
  await JobDevice.sequelize!.query(
    `INSERT INTO job_devices (job_id, device_id, workshop_id, person, lowest_waiting, highest_seq, seen_at, holds)
     VALUES (:jobId, :deviceId, :workshopId, :name, 1, 0, :at, :holds)
     ON CONFLICT (job_id, device_id)
     DO UPDATE SET seen_at = EXCLUDED.seen_at, person = EXCLUDED.person, holds = EXCLUDED.holds`,
    { type: QueryTypes.INSERT, replacements: { ...actor, jobId, at, holds } },
  );
}

/** The phones that sent something of a job, and when each was last heard of. */
export async function phonesOf(jobId: string): Promise<LivePhone[]> {
  const rows = await JobDevice.findAll({ where: { jobId }, order: ['deviceId'] });
  return rows
    .filter((r) => r.highestSeq > 0)
    .map((r) => ({
      deviceId: r.deviceId,
      person: r.person,
      seenAtMs: r.seenAt.getTime(),
      holds: r.holds,
    }));
}
