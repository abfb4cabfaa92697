import type { VehicleHistory } from '@brook/contract';
import { historyReading } from '@brook/core/ageing';
import { paths, type Layout } from '@brook/core/circuit';
import { gradeNamed, type Grade } from '@brook/core/fluid';
import { liftFluidRead, type StoredFluidRead } from '@brook/core/log';
import { QueryTypes } from 'sequelize';
import { Job } from '../db/models';
import { insideOf } from '../inside/rows';
import { houseRulesOf } from '../rules/service';
import type { Actor } from '../session/actor';
import { findVehicle } from './service';

interface Row {
  readonly id: string;
  readonly number: number;
  readonly openedAt: Date;
  readonly closedAt: Date | null;
  readonly released: boolean;
  readonly fluid: Job['fluid'];
  readonly batches: string[] | null;
  /** Bleeders at which it renewed the fluid to the last sign. */
  readonly renewed: string[] | null;
}

/** Every sample and every change of a vehicle, oldest first. Practice readings are no history. */
export async function vehicleHistoryOf(actor: Actor, id: string): Promise<VehicleHistory> {
  const vehicle = await findVehicle(actor, id);
  const stored = await Job.sequelize!.query<Omit<Row, 'fluid'> & { fluid: StoredFluidRead }>(
    `SELECT j.id, j.number, j.opened_at AS "openedAt", j.closed_at AS "closedAt", j.released IS NOT NULL AS released, j.fluid,
            (SELECT array_agg(DISTINCT c.batch) FROM container_draws d JOIN containers c ON c.id = d.container_id WHERE d.job_id = j.id AND d.poured_ml > 0) AS batches,
            (SELECT ARRAY(SELECT jsonb_array_elements_text(s.says->'renewed')) FROM job_says s WHERE s.job_id = j.id) AS renewed
       FROM jobs j WHERE j.vehicle_id = :id AND j.fluid IS NOT NULL ORDER BY j.opened_at`,
    { type: QueryTypes.SELECT, replacements: { id: vehicle.id } },
  );
  const rows = stored.map((r): Row => ({ ...r, fluid: liftFluidRead(r.fluid) }));
  return {
    samples: samplesOf(rows),
    changes: changesOf(rows, vehicle.layout),
    odometer: await odometerOf(vehicle.id),
    inside: await insideOf(vehicle.id),
    layout: vehicle.layout,
    rules: await houseRulesOf(actor),
    makerEntry: vehicle.makerEntry ?? null,
  };
}

/** What the odometer read whenever somebody looked at intake. */
async function odometerOf(vehicleId: string): Promise<VehicleHistory['odometer']> {
  const rows = await Job.sequelize!.query<{
    jobId: string;
    jobNumber: number;
    at: Date;
    km: number;
  }>(
    `SELECT j.id AS "jobId", j.number AS "jobNumber", j.opened_at AS at, (e.event->>'odometerKm')::integer AS km
       FROM jobs j JOIN job_events e ON e.job_id = j.id
      WHERE j.vehicle_id = :vehicleId AND e.event->>'kind' = 'taken in' AND e.event->>'odometerKm' IS NOT NULL
      ORDER BY j.opened_at`,
    { type: QueryTypes.SELECT, replacements: { vehicleId } },
  );
  return rows.map(({ at, ...row }) => ({ ...row, atMs: at.getTime() }));
}

function samplesOf(rows: readonly Row[]): VehicleHistory['samples'] {
  return rows.flatMap((job) => {
    const { fluid } = job;
    // What was in the system: as somebody said, else what belongs there.
    const grade: Grade | null =
      gradeNamed(fluid!.inSystem) ?? fluid!.verdict.advice.minimum?.grade ?? null;
    if (!grade) return [];
    return fluid!.samples
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
function changesOf(rows: readonly Row[], layout: Layout): VehicleHistory['changes'] {
  const brakes = paths(layout).filter((p) => p.master.system === 'brakes');
  const whole = (brakes.length > 0 ? brakes : paths(layout)).map((p) => p.bleeder.id);
  return rows.flatMap((job) =>
    job.released &&
    job.closedAt &&
    job.fluid!.fill &&
    whole.every((id) => job.renewed?.includes(id))
      ? [
          {
            jobId: job.id,
            jobNumber: job.number,
            atMs: job.closedAt.getTime(),
            grade: job.fluid!.fill.grade,
            batches: job.batches ?? [],
          },
        ]
      : [],
  );
}
