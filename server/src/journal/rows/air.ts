import type { Overview } from '@brook/contract';
import { airLeft } from '@brook/core/control/air';
import {
  controlsOnRecord,
  measuredAt,
  type ControlOnRecord,
  type JobState,
} from '@brook/core/job/log';
import { airTrend, FIRST_MEASURE, pedalSetup, type Reading } from '@brook/core/control/pedal';
import { QueryTypes, type Transaction } from 'sequelize';
import { ControlAirRow, Vehicle, type Job } from '../../db/models';

/**
 * Keep how much air the measures of a closed job tell behind each of its
 * controls, against the first measure of that control that a job released. What
 * was measured before that, by jobs that ended, is held against the layout: it
 * may have had air in it. Readings that tell nothing keep nothing.
 */
export async function keepAir(
  job: Pick<Job, 'id' | 'vehicleId' | 'workshopId'>,
  state: JobState,
  at: Date,
  transaction: Transaction,
): Promise<void> {
  const plan = state.run?.plan;
  if (!plan) return;
  for (const { masterId, control, measured } of controlsOnRecord(state)) {
    const now = pushed(measured, masterId);
    if (!now) continue;
    const before = await firstReadings(job.vehicleId, masterId, transaction);
    const first = !before && state.released !== null;
    const air = first
      ? FIRST_MEASURE
      : toldBy(() =>
          airLeft(pedalSetup(plan.layout, masterId, plan.preferences.altitudeM), now, before),
        );
    if (air)
      await ControlAirRow.create(
        {
          jobId: job.id,
          masterId,
          workshopId: job.workshopId,
          vehicleId: job.vehicleId,
          control,
          at,
          first,
          ml: air.ml,
          sdMl: air.sdMl,
        },
        { transaction },
      );
  }
}

/** What was read at the end, where one reading at least was taken under a force. */
function pushed(
  measured: ControlOnRecord['measured'],
  masterId: string,
): readonly Reading[] | null {
  const readings = measuredAt(measured, masterId, 'after')?.readings ?? [];
  return readings.some((r) => typeof r.at === 'object') ? readings : null;
}

/** Nothing where no reading was taken under a force that the springs do not hold back. */
function toldBy<T>(reckon: () => T): T | null {
  try {
    return reckon();
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

async function firstReadings(
  vehicleId: string,
  masterId: string,
  transaction: Transaction,
): Promise<readonly Reading[] | null> {
  const [row] = await ControlAirRow.sequelize!.query<{ readonly found: ControlOnRecord }>(
    `SELECT c.found FROM control_air a
       JOIN control_results c ON c.job_id = a.job_id AND c.master_id = a.master_id
      WHERE a.vehicle_id = :vehicleId AND a.master_id = :masterId AND a.first`,
    { type: QueryTypes.SELECT, replacements: { vehicleId, masterId }, transaction },
  );
  return row ? pushed(row.found.measured, masterId) : null;
}

/** Controls of a workshop behind which air comes to be over the years, the fastest first. */
export async function gettingWorse(workshopId: string): Promise<Overview['worse']> {
  const rows = await ControlAirRow.findAll({
    where: { workshopId },
    order: [
      ['vehicleId', 'ASC'],
      ['masterId', 'ASC'],
      ['at', 'ASC'],
    ],
  });
  const byControl = new Map<string, ControlAirRow[]>();
  for (const row of rows) {
    const key = `${row.vehicleId} ${row.masterId}`;
    byControl.set(key, [...(byControl.get(key) ?? []), row]);
  }
  const worse = [...byControl.values()].flatMap((of) => {
    const trend = airTrend(of.map(({ at, ml, sdMl }) => ({ atMs: at.getTime(), ml, sdMl })));
    return trend.verdict === 'worse' ? [{ of, trend }] : [];
  });
  const vehicles = new Map(
    (await Vehicle.findAll({ where: { id: worse.map(({ of }) => of[0]!.vehicleId) } })).map((v) => [
      v.id,
      v,
    ]),
  );
  return worse
    .sort((a, b) => b.trend.mlPerYear! - a.trend.mlPerYear!)
    .map(({ of, trend }) => {
      const { id, name, tag } = vehicles.get(of[0]!.vehicleId)!;
      return {
        vehicleId: id,
        vehicleName: name,
        vehicleTag: tag,
        control: of.at(-1)!.control,
        trend,
        since: of[0]!.at.toISOString(),
        measures: of.length,
      };
    });
}
