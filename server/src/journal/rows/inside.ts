import type { Inside } from '@brook/core/fluid/inside';
import type { JobState } from '@brook/core/job/log';
import { insideAfter } from '@brook/core/job/run';
import { Op, type Transaction } from 'sequelize';
import { JobInsideRow, type Job } from '../../db/models';

/** Keep what a job leaves inside its vehicle, at the moment at which it is closed; nothing where no run began. */
export async function keepInside(
  job: Pick<Job, 'id' | 'vehicleId' | 'number'>,
  { run }: Pick<JobState, 'run'>,
  at: Date,
  transaction: Transaction,
): Promise<void> {
  if (!run) return;
  const inside = insideAfter(run, at.getTime(), run.plan.fillGrade);
  await JobInsideRow.create(
    { jobId: job.id, vehicleId: job.vehicleId, number: job.number, inside },
    { transaction },
  );
}

/**
 * What is inside a vehicle as its jobs left it.
 *
 * @param before number of a job: what the ones before it left; by all of them when left out
 * @returns null where none is on record
 */
export async function insideOf(
  vehicleId: string,
  before?: number,
  transaction?: Transaction,
): Promise<Inside | null> {
  const last = await JobInsideRow.findOne({
    where: { vehicleId, ...(before === undefined ? {} : { number: { [Op.lt]: before } }) },
    order: [['number', 'DESC']],
    transaction,
  });
  return last?.inside ?? null;
}
