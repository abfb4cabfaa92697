import { doneAfterClose, jobSays, openMatters, type JobSays } from '@brook/core/owed/openItems';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { Job, JobSaysRow, Vehicle } from '../db/models';
import { projectMatters } from '../log/drive';
import { aboutOf } from '../log/follow';
import { additionsOf, jobStateOf, vehicleLogOf } from '../log/stored';

/**
 * Say of every vehicle with jobs from before it was kept what it owes, each
 * vehicle whole or not at all. It can be repeated.
 *
 * @returns how many vehicles were brought to today
 */
export async function liftMatters(db: Sequelize): Promise<number> {
  const waiting = await db.query<{ id: string }>(
    `SELECT DISTINCT j.vehicle_id AS id FROM jobs j
      WHERE NOT EXISTS (SELECT 1 FROM job_says s WHERE s.job_id = j.id)`,
    { type: QueryTypes.SELECT },
  );
  for (const { id } of waiting) await db.transaction((transaction) => liftOne(id, transaction));
  return waiting.length;
}

async function liftOne(vehicleId: string, transaction: Transaction): Promise<void> {
  const vehicle = await Vehicle.findByPk(vehicleId, {
    transaction,
    lock: transaction.LOCK.UPDATE,
    rejectOnEmpty: true,
  });
  const log = await vehicleLogOf(vehicleId, transaction);
  const jobs = await Job.findAll({ where: { vehicleId }, order: ['number'], transaction });
  const said: JobSays[] = [];
  for (const job of jobs) {
    const state = await jobStateOf(job.id, transaction);
    const before = openMatters({ layout: vehicle.layout, jobs: said, log });
    const says = {
      ...jobSays(state, aboutOf({ job, vehicle }), before),
      afterClose: doneAfterClose(await additionsOf(job.id, transaction), state.log),
    };
    said.push(says);
    await JobSaysRow.upsert(
      { jobId: job.id, vehicleId, number: job.number, says },
      { transaction },
    );
  }
  const because = { person: 'Cascade Brook', at: new Date(), settledBy: 'an earlier job' };
  await projectMatters(vehicle, because, transaction);
}
