import type { OpenItem } from '@brook/core/owed/openItems';
import { QueryTypes, type Transaction } from 'sequelize';
import { OpenItemEntry } from '../../db/models';

/** What some vehicles owe, by vehicle, from the rows. */
export async function openItemsOf(
  vehicleIds: readonly string[],
  transaction?: Transaction,
): Promise<Map<string, OpenItem[]>> {
  if (vehicleIds.length === 0) return new Map();
  const rows = await OpenItemEntry.sequelize!.query<Row>(
    'SELECT vehicle_id AS "vehicleId", open_item AS "openItem" FROM open_items WHERE vehicle_id IN (:vehicleIds) ORDER BY vehicle_id, position',
    { type: QueryTypes.SELECT, replacements: { vehicleIds }, transaction },
  );
  return byVehicle(rows);
}

/** What the vehicles of a workshop owe of some kinds, by vehicle. */
export async function openItemsOfKinds(
  workshopId: string,
  kinds: readonly OpenItem['kind'][],
): Promise<Map<string, OpenItem[]>> {
  const rows = await OpenItemEntry.sequelize!.query<Row>(
    `SELECT m.vehicle_id AS "vehicleId", m.open_item AS "openItem" FROM open_items m
      WHERE m.workshop_id = :workshopId AND m.open_item->>'kind' IN (:kinds)
      ORDER BY m.vehicle_id, m.position`,
    { type: QueryTypes.SELECT, replacements: { workshopId, kinds } },
  );
  return byVehicle(rows);
}

interface Row {
  readonly vehicleId: string;
  readonly openItem: OpenItem;
}

function byVehicle(rows: readonly Row[]): Map<string, OpenItem[]> {
  const of = new Map<string, OpenItem[]>();
  for (const { vehicleId, openItem } of rows)
    of.set(vehicleId, [...(of.get(vehicleId) ?? []), openItem]);
  return of;
}
