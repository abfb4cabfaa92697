import type { PacePage, PaceProposals } from '@brook/contract';
import type { Method } from '@brook/core/hydraulics/flow';
import type { JobState } from '@brook/core/job/log';
import { pacesOf, paceRule, PROPOSE_FROM, type Pace } from '@brook/core/job/run';
import { AMOUNTS, type AmountKey } from '@brook/core/bleed/rules';
import { QueryTypes, type Transaction } from 'sequelize';
import { z } from 'zod';
import { RunPaceRow, type Job } from '../../db/models';
import { moment, pageOf, placeAfter, type PageRequest } from '../../http/cursor';
import { houseRulesOf } from '../rules/service';
import type { Actor } from '../../session/actor';
import { findVehicle } from '../vehicle/findVehicle';

/** Keep what a run took, at the moment at which its job is closed. */
export async function keepPaces(
  { id: jobId, workshopId, vehicleId }: Pick<Job, 'id' | 'workshopId' | 'vehicleId'>,
  { run }: Pick<JobState, 'run'>,
  at: Date,
  transaction: Transaction,
): Promise<void> {
  if (!run) return;
  await RunPaceRow.bulkCreate(
    pacesOf(run).map((pace, n) => ({
      jobId,
      n,
      workshopId,
      vehicleId,
      at,
      method: pace.method,
      secondsPerStroke: pace.secondsPerStroke,
      minutesBetween: pace.minutesBetween,
      pace,
    })),
    { transaction },
  );
}

const place = z.strictObject({ at: moment, jobId: z.uuid(), n: z.number().int() });

/** A page of what the runs of a vehicle took, newest first. */
export async function pacesOfVehicle(
  actor: Actor,
  id: string,
  page: PageRequest,
): Promise<PacePage> {
  const vehicle = await findVehicle(actor, id);
  const after = placeAfter(place, page);
  const rows = await RunPaceRow.sequelize!.query<{
    at: Date;
    jobId: string;
    jobNumber: number;
    n: number;
    pace: Pace;
  }>(
    `SELECT p.at, p.job_id AS "jobId", j.number AS "jobNumber", p.n, p.pace
       FROM run_paces p JOIN jobs j ON j.id = p.job_id
      WHERE p.vehicle_id = :vehicleId
        ${after ? 'AND (p.at, p.job_id, p.n) < (CAST(:at AS timestamptz), CAST(:jobId AS uuid), :n)' : ''}
      ORDER BY p.at DESC, p.job_id DESC, p.n DESC LIMIT :limit`,
    {
      type: QueryTypes.SELECT,
      replacements: { ...after, vehicleId: vehicle.id, limit: page.limit + 1 },
    },
  );
  const { shown, next } = pageOf(rows, page.limit, ({ at, jobId, n }) => ({ at, jobId, n }));
  return {
    paces: shown.map(({ at, jobId, jobNumber, pace }) => ({
      at: at.toISOString(),
      jobId,
      jobNumber,
      pace,
    })),
    next,
  };
}

interface Median {
  readonly method: Method;
  readonly n: number;
  readonly seconds: number | null;
}

/** Times of the workshop's own, once enough runs told them: the middle one of each. */
export async function proposeAmounts(actor: Actor): Promise<PaceProposals> {
  const db = RunPaceRow.sequelize!;
  const asked = {
    type: QueryTypes.SELECT,
    replacements: { workshopId: actor.workshopId },
  } as const;
  const byMethod = await db.query<Median>(
    `SELECT method, count(*)::int AS n, percentile_cont(0.5) WITHIN GROUP (ORDER BY seconds_per_stroke) AS seconds
       FROM run_paces WHERE workshop_id = :workshopId AND seconds_per_stroke IS NOT NULL GROUP BY method`,
    asked,
  );
  const [between] = await db.query<{ n: number; minutes: number | null }>(
    `SELECT count(*)::int AS n, percentile_cont(0.5) WITHIN GROUP (ORDER BY minutes_between) AS minutes
       FROM run_paces WHERE workshop_id = :workshopId AND minutes_between IS NOT NULL`,
    asked,
  );
  const rules = await houseRulesOf(actor);
  const told: { key: AmountKey | null; n: number; value: number | null }[] = [
    ...byMethod.map(({ method, n, seconds }) => ({ key: paceRule(method), n, value: seconds })),
    { key: 'minutesPerBleeder' as const, n: between!.n, value: between!.minutes },
  ];
  return {
    proposals: told.flatMap(({ key, n, value }) => {
      if (key === null || value === null || n < PROPOSE_FROM) return [];
      const { least, most } = AMOUNTS[key];
      const rounded = Math.round(Math.min(most, Math.max(least, value)) * 10) / 10;
      return rounded === rules[key] ? [] : [{ key, value: rounded, openings: n }];
    }),
  };
}
