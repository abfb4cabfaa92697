import type { VehicleHistory } from '@brook/contract';
import { historyReading } from '@brook/core/fluid/ageing';
import { paths } from '@brook/core/vehicle/circuit';
import { gradeNamed, type Grade } from '@brook/core/fluid/verdict';
import type { FluidRead } from '@brook/core/job/events';
import { QueryTypes } from 'sequelize';
import { z } from 'zod';
import { Job } from '../db/models';
import { moment, pageOf, placeAfter, type PageRequest } from '../http/cursor';
import type { VehicleFacts } from '@brook/core/owed/openItems';
import { factsOf } from '../journal/log/vehicleFacts';
import { insideOf } from '../journal/rows/inside';
import { houseRulesOf } from '../workshop/rules/service';
import type { Actor } from '../session/actor';
import { findVehicle } from '../workshop/vehicle/findVehicle';

interface Row {
  readonly id: string;
  readonly number: number;
  readonly openedAt: Date;
  readonly closedAt: Date | null;
  readonly released: boolean;
  readonly fluid: FluidRead | null;
  readonly batches: string[] | null;
  /** What the odometer read when somebody looked at intake. */
  readonly km: number[] | null;
}
/** A job at which the fluid was read. */
type ReadRow = Omit<Row, 'fluid'> & { readonly fluid: FluidRead };

/** Samples and changes of a vehicle, oldest first, so many of its jobs a page. Practice readings are no history. */
export async function vehicleHistoryOf(
  actor: Actor,
  id: string,
  page: PageRequest,
): Promise<VehicleHistory> {
  const vehicle = await findVehicle(actor, id);
  const after = placeAfter(place, page);
  const found = await Job.sequelize!.query<Row>(
    `SELECT j.id, j.number, j.opened_at AS "openedAt", j.closed_at AS "closedAt", j.released IS NOT NULL AS released, j.fluid,
            (SELECT array_agg(DISTINCT c.batch) FROM container_draws d JOIN containers c ON c.id = d.container_id WHERE d.job_id = j.id AND d.poured_ml > 0) AS batches,
            (SELECT array_agg((e.event->>'odometerKm')::integer ORDER BY e.position) FROM job_events e
              WHERE e.job_id = j.id AND e.event->>'kind' = 'taken in' AND e.event->>'odometerKm' IS NOT NULL) AS km
       FROM jobs j WHERE j.vehicle_id = :vehicleId
         ${after ? 'AND (j.opened_at, j.id) > (CAST(:openedAt AS timestamptz), CAST(:id AS uuid))' : ''}
      ORDER BY j.opened_at, j.id LIMIT :limit`,
    {
      type: QueryTypes.SELECT,
      replacements: { ...after, vehicleId: vehicle.id, limit: page.limit + 1 },
    },
  );
  const { shown, next } = pageOf(found, page.limit, ({ id, openedAt }) => ({ openedAt, id }));
  const read = shown.flatMap(({ fluid, ...row }) => (fluid ? [{ ...row, fluid }] : []));
  return {
    samples: samplesOf(read),
    changes: changesOf(read, await factsOf(vehicle)),
    odometer: shown.flatMap(({ id, number, openedAt, km }) =>
      (km ?? []).map((reading) => ({
        jobId: id,
        jobNumber: number,
        atMs: openedAt.getTime(),
        km: reading,
      })),
    ),
    inside: await insideOf(vehicle.id),
    layout: vehicle.layout,
    rules: await houseRulesOf(actor),
    makerEntry: vehicle.makerEntry ?? null,
    next,
  };
}

const place = z.strictObject({ openedAt: moment, id: z.uuid() });

function samplesOf(rows: readonly ReadRow[]): VehicleHistory['samples'] {
  return rows.flatMap((job) => {
    const { fluid } = job;
    // What was in the system: as somebody said, else what belongs there.
    const grade: Grade | null =
      gradeNamed(fluid.inSystem) ?? fluid.verdict.advice.minimum?.grade ?? null;
    if (!grade) return [];
    return fluid.samples
      .filter((s) => !s.practice)
      .map((s) => ({
        jobId: job.id,
        jobNumber: job.number,
        atMs: job.openedAt.getTime(),
        point: s.point,
        grade,
        ...historyReading(s, grade),
        colour: s.colour,
        clarity: s.clarity,
        copperPpm: s.copperPpm,
        pH: s.pH,
      }));
  });
}

/** Changes of the whole fluid: a corner that was bled is none, whatever went in there. */
function changesOf(
  rows: readonly ReadRow[],
  { layout, jobs }: VehicleFacts,
): VehicleHistory['changes'] {
  const brakes = paths(layout).filter((p) => p.master.system === 'brakes');
  const whole = (brakes.length > 0 ? brakes : paths(layout)).map((p) => p.bleeder.id);
  const renewed = new Map(jobs.map((j) => [j.jobId, j.renewed]));
  return rows.flatMap((job) =>
    job.released &&
    job.closedAt &&
    job.fluid.fill &&
    whole.every((id) => renewed.get(job.id)?.includes(id))
      ? [
          {
            jobId: job.id,
            jobNumber: job.number,
            atMs: job.closedAt.getTime(),
            grade: job.fluid.fill.grade,
            batches: job.batches ?? [],
          },
        ]
      : [],
  );
}
