import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { keepAir } from '../controls/air';
import { Job } from '../db/models';
import { jobStateOf } from '../log/stored';

/**
 * Say what the measures of each job that was closed before it was kept tell of
 * the air, the oldest first, each job whole or not at all. It can be repeated.
 *
 * @returns how many jobs were looked at
 */
export async function liftAir(db: Sequelize): Promise<number> {
  const waiting = await db.query<{ id: string; at: Date }>(
    `SELECT c.job_id AS id, min(c.at) AS at FROM control_results c
      WHERE c.found->'measured' @> '[{"when": "after"}]'
        AND NOT EXISTS (SELECT 1 FROM control_air a WHERE a.job_id = c.job_id)
      GROUP BY c.job_id ORDER BY min(c.at), c.job_id`,
    { type: QueryTypes.SELECT },
  );
  for (const { id, at } of waiting)
    await db.transaction((transaction) => liftOne(id, at, transaction));
  return waiting.length;
}

async function liftOne(id: string, at: Date, transaction: Transaction): Promise<void> {
  const job = await Job.findByPk(id, { transaction, rejectOnEmpty: true });
  await keepAir(job, await jobStateOf(id, transaction), at, transaction);
}
