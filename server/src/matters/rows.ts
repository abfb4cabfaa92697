import type { Matter } from '@brook/core/matters';
import { QueryTypes } from 'sequelize';
import { MatterEntry } from '../db/models';

/** What some vehicles owe, by vehicle, from the rows. */
export async function mattersOf(vehicleIds: readonly string[]): Promise<Map<string, Matter[]>> {
  if (vehicleIds.length === 0) return new Map();
  const rows = await MatterEntry.sequelize!.query<{ vehicleId: string; matter: Matter }>(
    'SELECT vehicle_id AS "vehicleId", matter FROM open_matters WHERE vehicle_id IN (:vehicleIds) ORDER BY vehicle_id, position',
    { type: QueryTypes.SELECT, replacements: { vehicleIds } },
  );
  const of = new Map<string, Matter[]>();
  for (const { vehicleId, matter } of rows)
    of.set(vehicleId, [...(of.get(vehicleId) ?? []), matter]);
  return of;
}
