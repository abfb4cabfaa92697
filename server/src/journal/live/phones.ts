import type { LivePhone } from '@brook/contract';
import { QueryTypes, type Transaction } from 'sequelize';
import { JobDevice } from '../../db/models';
import type { Actor } from '../../session/actor';

/** What was heard of a phone on a job. */
export interface PhoneContact {
  readonly deviceId: string;
  readonly at: Date;
  /** How much it said it holds when it was put away; null while it is in use; left out where it only sent something. */
  readonly holds?: number | null;
  /** What it sent: how many events, the highest number among them, and below which number all is settled. */
  readonly sent?: {
    readonly events: number;
    readonly highestSeq: number;
    readonly settledBelow: number;
  };
}

/**
 * A phone was heard of on a job: others are told since when it was not, and
 * what stands on it alone. What a phone that was put away sends is taken off
 * what it said it holds.
 */
export async function heardOf(
  { workshopId, name }: Pick<Actor, 'workshopId' | 'name'>,
  jobId: string,
  { deviceId, at, holds, sent }: PhoneContact,
  transaction?: Transaction,
): Promise<void> {
  await JobDevice.sequelize!.query(
    `INSERT INTO job_devices (job_id, device_id, workshop_id, person, lowest_waiting, highest_seq, seen_at, holds)
     VALUES (:jobId, :deviceId, :workshopId, :name, :settledBelow, :highestSeq, :at, :holds)
     ON CONFLICT (job_id, device_id) DO UPDATE SET
       seen_at = EXCLUDED.seen_at, person = EXCLUDED.person,
       lowest_waiting = greatest(job_devices.lowest_waiting, EXCLUDED.lowest_waiting),
       highest_seq = greatest(job_devices.highest_seq, EXCLUDED.highest_seq),
       holds = CASE WHEN :saysHolds THEN EXCLUDED.holds
                    ELSE greatest(0, job_devices.holds - :events) END`,
    {
      type: QueryTypes.INSERT,
      replacements: {
        jobId,
        deviceId,
        workshopId,
        name,
        at,
        holds: holds ?? null,
        saysHolds: holds !== undefined,
        settledBelow: sent?.settledBelow ?? 1,
        highestSeq: sent?.highestSeq ?? 0,
        events: sent?.events ?? 0,
      },
      ...(transaction ? { transaction } : {}),
    },
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
