import { isClosed } from '@brook/core/job';
import type { JobState } from '@brook/core/log';
import type { Transaction } from 'sequelize';
import { Job, type Vehicle } from '../db/models';
import { jobStateOf } from '../log/stored';
import { notFound, ProblemError, refused } from '../problems/kinds';
import type { Actor } from '../session/actor';
import { findVehicle } from '../vehicles/service';

/** A job locked for a change, with the vehicle it is about. */
export interface LockedJob {
  readonly job: Job;
  readonly vehicle: Vehicle;
  readonly transaction: Transaction;
  readonly actor: Actor;
  readonly at: Date;
  /** By its log; it moves with what is appended. */
  state: JobState;
}

/**
 * Lock a vehicle and its job, change both, save together or not at all.
 *
 * @param version what the client last saw; null where the change cannot conflict, as with a log
 */
export async function changeJob<T>(
  actor: Actor,
  id: string,
  version: number | null,
  at: Date,
  change: (locked: LockedJob) => Promise<T>,
): Promise<T> {
  return Job.sequelize!.transaction(async (transaction) => {
    // One order of locks everywhere: first the vehicle, then its job.
    const found = await Job.findOne({
      where: { id, workshopId: actor.workshopId },
      attributes: ['vehicleId'],
      transaction,
    });
    if (!found) throw notFound('job');
    const vehicle = await findVehicle(actor, found.vehicleId, transaction);
    const job = (await Job.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE }))!;
    if (version !== null && job.version !== version) {
      throw new ProblemError(
        'conflict',
        'Somebody changed this job meanwhile. Look at it again; what you entered was not saved.',
      );
    }
    if (version !== null && isClosed(job.stage))
      throw refused('This job is closed; its record is read-only.');
    const state = await jobStateOf(id, transaction);
    const answer = await change({ job, vehicle, transaction, actor, at, state });
    if (job.changed()) await job.set({ version: job.version + 1 }).save({ transaction });
    return answer;
  });
}

/** Refuse what belongs to another stage of the way. */
export function onlyAt(job: Job, stages: readonly Job['stage'][], sentence: string): void {
  if (!stages.includes(job.stage)) throw refused(sentence);
}

/** A person and a moment for the record. */
export const named = (actor: Pick<Actor, 'name'>, at: Date): { by: string; at: string } => ({
  by: actor.name,
  at: at.toISOString(),
});
