import type { EventBase, Logged, Order } from '@brook/core/job/events';
import { QueryTypes, type Transaction } from 'sequelize';
import { Vehicle } from '../../db/models';

/** Whose events are placed: of a job, or of the vehicle outside any. */
interface Placed {
  readonly vehicleId: string;
  readonly jobId: string | null;
}

/** The last place of a vehicle's order; behind its lock nobody adds to it meanwhile. */
export const LAST_IN_ORDER = (vehicleId: string): string =>
  `SELECT coalesce(max(position), 0) FROM vehicle_order WHERE vehicle_id = ${vehicleId}`;

/** The last place of a vehicle's order. */
export async function lastInOrder(vehicleId: string, transaction?: Transaction): Promise<number> {
  const [row] = await Vehicle.sequelize!.query<{ readonly last: number }>(
    `SELECT (${LAST_IN_ORDER('$1')}) AS last`,
    { type: QueryTypes.SELECT, bind: [vehicleId], transaction },
  );
  return row!.last;
}

/** Places that events have in a vehicle's order already, by event. */
export async function placesOf(
  vehicleId: string,
  eventIds: readonly string[],
  transaction: Transaction,
): Promise<ReadonlyMap<string, Order>> {
  const rows = await Vehicle.sequelize!.query<Order & { readonly id: string }>(
    `SELECT event_id AS id, position, round(extract(epoch from received_at) * 1000)::double precision AS "receivedMs"
       FROM vehicle_order WHERE vehicle_id = $1 AND event_id = ANY ($2::uuid[])`,
    { type: QueryTypes.SELECT, bind: [vehicleId, eventIds], transaction },
  );
  return new Map(rows.map(({ id, ...order }) => [id, order]));
}

/** Write the places of events into the order of their locked vehicle. */
export async function keepOrder(
  { vehicleId, jobId }: Placed,
  events: readonly Logged<EventBase>[],
  transaction: Transaction,
): Promise<void> {
  await Vehicle.sequelize!.query(
    `INSERT INTO vehicle_order (vehicle_id, position, job_id, event_id, received_at)
     SELECT $1, (r->>'position')::int, $2, (r->>'id')::uuid,
            to_timestamp((r->>'receivedMs')::double precision / 1000)
       FROM jsonb_array_elements($3::jsonb) r`,
    {
      type: QueryTypes.INSERT,
      bind: [vehicleId, jobId, JSON.stringify(events.map(({ id, order }) => ({ id, ...order })))],
      transaction,
    },
  );
}

/** An event as its log keeps it, with its place: of a row `e` of a log beside `o` of the order. */
export const LOGGED_JSON = `e.event || jsonb_build_object('person', e.person) ||
  CASE WHEN o.position IS NULL THEN '{}'::jsonb ELSE jsonb_build_object('order', jsonb_build_object(
    'position', o.position, 'receivedMs', round(extract(epoch from o.received_at) * 1000))) END`;
