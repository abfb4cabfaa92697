import type { Matter } from '@brook/core/owed/openItems';
import { QueryTypes } from 'sequelize';
import { MatterEntry } from '../../db/models';

/** What some vehicles owe, by vehicle, from the rows. */
export async function mattersOf(vehicleIds: readonly string[]): Promise<Map<string, Matter[]>> {
  if (vehicleIds.length === 0) return new Map();
  const rows = await MatterEntry.sequelize!.query<Row>(
    'SELECT vehicle_id AS "vehicleId", matter FROM open_matters WHERE vehicle_id IN (:vehicleIds) ORDER BY vehicle_id, position',
    { type: QueryTypes.SELECT, replacements: { vehicleIds } },
  );
  return byVehicle(rows);
}

/** What the vehicles of a workshop owe of some kinds, by vehicle. */
export async function mattersOfKinds(
  workshopId: string,
  kinds: readonly Matter['kind'][],
): Promise<Map<string, Matter[]>> {
  const rows = await MatterEntry.sequelize!.query<Row>(
    `SELECT m.vehicle_id AS "vehicleId", m.matter FROM open_matters m
      WHERE m.workshop_id = :workshopId AND m.matter->>'kind' IN (:kinds)
      ORDER BY m.vehicle_id, m.position`,
    { type: QueryTypes.SELECT, replacements: { workshopId, kinds } },
  );
  return byVehicle(rows);
}

interface Row {
  readonly vehicleId: string;
  readonly matter: Matter;
}

function byVehicle(rows: readonly Row[]): Map<string, Matter[]> {
  const of = new Map<string, Matter[]>();
  for (const { vehicleId, matter } of rows)
    of.set(vehicleId, [...(of.get(vehicleId) ?? []), matter]);
  return of;
}
