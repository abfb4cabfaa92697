import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { JobEventRow } from '../db/models';
import { rowOf } from '../log/append';
import { liftJob } from './liftJob';
import type { OldJob } from './oldJob';

/** Version of the lift; a job that was lifted by it is not lifted again. */
const LIFT_VERSION = 1;

/**
 * Bring jobs from before there was one log into it, each whole or not at all.
 * It can be repeated: what an end in the middle left is done at the next start.
 *
 * @returns how many were lifted
 */
export async function liftJobs(db: Sequelize): Promise<number> {
  const waiting = await db.query<{ id: string }>(
    `SELECT l.job_id AS id FROM job_lifts l JOIN jobs j ON j.id = l.job_id
      WHERE l.version < :version ORDER BY j.opened_at, j.id`,
    { type: QueryTypes.SELECT, replacements: { version: LIFT_VERSION } },
  );
  for (const { id } of waiting) await db.transaction((transaction) => liftOne(db, id, transaction));
  return waiting.length;
}

async function liftOne(db: Sequelize, id: string, transaction: Transaction): Promise<void> {
  const old = await readOld(db, id, transaction);
  const log = liftJob(old);
  const liftedAt = new Date();
  await JobEventRow.bulkCreate(
    log.map((event, i) => ({
      jobId: id,
      workshopId: old.workshopId,
      position: i + 1,
      ...rowOf(event, new Date(event.atMs)),
    })),
    { transaction },
  );
  await db.query(
    'UPDATE job_lifts SET version = :version, lifted_at = :liftedAt WHERE job_id = :id',
    {
      replacements: { id, version: LIFT_VERSION, liftedAt },
      transaction,
    },
  );
}

async function readOld(
  db: Sequelize,
  id: string,
  transaction: Transaction,
): Promise<
  OldJob & { readonly workshopId: string; readonly vehicleId: string; readonly number: number }
> {
  const select = <T extends object>(sql: string) =>
    db.query<T>(sql, { type: QueryTypes.SELECT, replacements: { id }, transaction });
  const [job] = await select<
    Omit<OldJob, 'run' | 'moved' | 'draws'> & {
      workshopId: string;
      vehicleId: string;
      number: number;
    }
  >(
    `SELECT id, number, workshop_id AS "workshopId", vehicle_id AS "vehicleId", stage, opened_at AS "openedAt", opened_by AS "openedBy",
            closed_at AS "closedAt", fluid, plan_result AS "planResult", plan_accepted AS "planAccepted", pick, proof, drives, released, ended
       FROM jobs WHERE id = :id`,
  );
  const run = await select<OldJob['run'][number]>(
    'SELECT event, by FROM run_events WHERE job_id = :id ORDER BY position',
  );
  const [moved = null] = await select<NonNullable<OldJob['moved']>>(
    `SELECT by, at, bled_ml AS "bledMl", bled_by AS "bledBy", removed_ml AS "removedMl", spilled_ml AS "spilledMl",
            discarded_ml AS "discardedMl", caught_ml AS "caughtMl" FROM fluid_moved WHERE job_id = :id`,
  );
  const draws = await select<OldJob['draws'][number]>(
    `SELECT container_id AS "containerId", poured_ml AS "pouredMl", discarded_ml AS "discardedMl" FROM container_draws WHERE job_id = :id`,
  );
  return { ...job!, run, moved, draws };
}
