import { isClosed } from '@brook/core/job';
import type { Plan } from '@brook/core/plan';
import { foldRun, type RunState } from '@brook/core/run';
import type { Transaction } from 'sequelize';
import { Job, RunEventRow, type Vehicle } from '../db/models';
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
}

/**
 * Lock a job and its vehicle, change both, save together or not at all.
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
    const job = await Job.findOne({
      where: { id, workshopId: actor.workshopId },
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    if (!job) throw notFound('job');
    if (version !== null && job.version !== version) {
      throw new ProblemError(
        'conflict',
        'Somebody changed this job meanwhile. Look at it again; what you entered was not saved.',
      );
    }
    if (version !== null && isClosed(job.stage))
      throw refused('This job is closed; its record is read-only.');
    const vehicle = await findVehicle(actor, job.vehicleId, transaction);
    const answer = await change({ job, vehicle, transaction, actor, at });
    if (job.changed()) await job.set({ version: job.version + 1 }).save({ transaction });
    return answer;
  });
}

/** Refuse what belongs to another stage of the way. */
export function onlyAt(job: Job, stages: readonly Job['stage'][], sentence: string): void {
  if (!stages.includes(job.stage)) throw refused(sentence);
}

/** State of the run by its log. */
export async function runStateOf(
  job: Job,
  plan: Plan,
  transaction?: Transaction,
): Promise<RunState> {
  const rows = await RunEventRow.findAll({
    where: { jobId: job.id },
    order: ['position'],
    attributes: ['event'],
    transaction,
  });
  return foldRun(
    plan,
    rows.map((r) => r.event),
  );
}

/** A person and a moment for the record. */
export const named = (actor: Pick<Actor, 'name'>, at: Date): { by: string; at: string } => ({
  by: actor.name,
  at: at.toISOString(),
});
