import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { Job } from '../db/models';
import { keepInside } from '../inside/rows';
import { jobStateOf } from '../log/stored';

/**
 * Say what each job that was closed before it was kept left inside, each job
 * whole or not at all. Their plans began with old fluid of no known age. It can
 * be repeated.
 *
 * @returns how many jobs were brought to today
 */
export async function liftInside(db: Sequelize): Promise<number> {
  const waiting = await db.query<{ id: string }>(
    `SELECT j.id FROM jobs j
      WHERE j.closed AND j.plan_accepted IS NOT NULL
        AND NOT EXISTS (SELECT 1 FROM job_inside i WHERE i.job_id = j.id)
      ORDER BY j.number`,
    { type: QueryTypes.SELECT },
  );
  for (const { id } of waiting) await db.transaction((transaction) => liftOne(id, transaction));
  return waiting.length;
}

async function liftOne(id: string, transaction: Transaction): Promise<void> {
  const job = await Job.findByPk(id, { transaction, rejectOnEmpty: true });
  const state = await jobStateOf(id, transaction);
  await keepInside(job, state, job.closedAt ?? job.openedAt, transaction);
}
