import type { ControlPage, Job as JobDto } from '@brook/contract';
import {
  controlsOnRecord,
  measuredAt,
  type ControlOnRecord,
  type JobState,
} from '@brook/core/job/log';
import { QueryTypes, type Transaction } from 'sequelize';
import { z } from 'zod';
import { ControlResultRow, type Job } from '../../db/models';
import { moment, pageOf, placeAfter, type PageRequest } from '../../http/cursor';
import type { Actor } from '../../session/actor';
import { findVehicle } from '../../workshop/vehicle/findVehicle';

/** Keep how each control was, at the moment at which its job is closed. */
export async function keepControls(
  { id: jobId, vehicleId }: Pick<Job, 'id' | 'vehicleId'>,
  state: JobState,
  at: Date,
  transaction: Transaction,
): Promise<void> {
  await ControlResultRow.bulkCreate(
    controlsOnRecord(state).map((found) => ({
      jobId,
      masterId: found.masterId,
      vehicleId,
      at,
      released: state.released !== null,
      found,
    })),
    { transaction },
  );
}

interface Row {
  readonly at: Date;
  readonly jobId: string;
  readonly jobNumber: number;
  readonly masterId: string;
  readonly released: boolean;
  readonly found: ControlOnRecord;
}

interface RowWithAir extends Row {
  readonly first: boolean | null;
  readonly ml: number;
  readonly sdMl: number;
}

const place = z.strictObject({ at: moment, jobId: z.uuid(), masterId: z.string() });

/** A page of how the controls of a vehicle were at the end of its jobs, newest first. */
export async function controlsOfVehicle(
  actor: Actor,
  id: string,
  page: PageRequest,
): Promise<ControlPage> {
  const vehicle = await findVehicle(actor, id);
  const after = placeAfter(place, page);
  const rows = await ControlResultRow.sequelize!.query<RowWithAir>(
    `SELECT c.at, c.job_id AS "jobId", j.number AS "jobNumber", c.master_id AS "masterId", c.released, c.found,
            a.first, a.ml, a.sd_ml AS "sdMl"
       FROM control_results c JOIN jobs j ON j.id = c.job_id
       LEFT JOIN control_air a ON a.job_id = c.job_id AND a.master_id = c.master_id
      WHERE c.vehicle_id = :vehicleId
        ${after ? 'AND (c.at, c.job_id, c.master_id) < (CAST(:at AS timestamptz), CAST(:jobId AS uuid), :masterId)' : ''}
      ORDER BY c.at DESC, c.job_id DESC, c.master_id DESC LIMIT :limit`,
    {
      type: QueryTypes.SELECT,
      replacements: { ...after, vehicleId: vehicle.id, limit: page.limit + 1 },
    },
  );
  const { shown, next } = pageOf(rows, page.limit, ({ at, jobId, masterId }) => ({
    at,
    jobId,
    masterId,
  }));
  return {
    controls: shown.map(({ at, jobId, jobNumber, released, found, first, ml, sdMl }) => ({
      at: at.toISOString(),
      jobId,
      jobNumber,
      released,
      found,
      air: first === null ? null : { first, ml, sdMl },
    })),
    next,
  };
}

/** What each control of a vehicle measured when a job before this one had bled it and released it: the newest of each. */
export async function baselinesOf({
  vehicleId,
  number,
}: Pick<Job, 'vehicleId' | 'number'>): Promise<JobDto['baselines']> {
  const rows = await ControlResultRow.sequelize!.query<Row>(
    `SELECT DISTINCT ON (c.master_id) c.at, c.job_id AS "jobId", j.number AS "jobNumber", c.master_id AS "masterId", c.released, c.found
       FROM control_results c JOIN jobs j ON j.id = c.job_id
      WHERE c.vehicle_id = :vehicleId AND c.released AND j.number < :number
        AND c.found->'measured' @> '[{"when": "after"}]'
      ORDER BY c.master_id, c.at DESC`,
    { type: QueryTypes.SELECT, replacements: { vehicleId, number } },
  );
  return rows.flatMap(({ at, jobNumber, masterId, found }) => {
    const after = measuredAt(found.measured, masterId, 'after');
    return after
      ? [{ masterId, jobNumber, at: at.toISOString(), readings: [...after.readings] }]
      : [];
  });
}
