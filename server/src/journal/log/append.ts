import {
  type DeskHappening,
  type JobEvent,
  type Order,
  type PhoneHappening,
  type VehicleEvent,
  type Logged,
} from '@brook/core/job/events';
import { addToJob } from '@brook/core/job/log';
import { QueryTypes, type Transaction } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { JobAdditionRow, JobEventRow, VehicleEventRow, type Vehicle } from '../../db/models';
import type { LockedJob } from './locked';
import { followLog } from './follow';
import { keepOrder } from './order';

/** Put an event that a person made at the desk into the log of a locked job, and bring everything after it. */
export async function appendDesk(locked: LockedJob, happening: DeskHappening): Promise<void> {
  const event = placedHere(locked, happening);
  await appendKept(locked, [event], addToJob(locked.state, event));
}

/** An event that is made on the server, behind the lock of its vehicle: it knows all that came before. */
export function placedHere(
  locked: LockedJob,
  happening: JobHappening,
  id: string = uuid(),
): Logged<JobEvent> {
  const { actor, at, state } = locked;
  return placed(locked, {
    id,
    deviceId: actor.deviceId,
    deviceSeq: 0,
    atMs: at.getTime(),
    planId: state.run?.plan.id ?? null,
    heard: locked.lastPlace,
    ...happening,
  });
}

type JobHappening = DeskHappening | PhoneHappening;

/** An event at the end of its vehicle's order, with who stands behind it. */
export const placed = <E>(
  locked: Pick<LockedJob, 'actor' | 'at' | 'lastPlace'>,
  event: E,
): Logged<E> => ({ ...event, person: locked.actor.name, order: orderedAt(locked) });

/** The next place of a locked vehicle's order. */
export const orderedAt = (locked: Pick<LockedJob, 'at' | 'lastPlace'>): Order => ({
  position: ++locked.lastPlace,
  receivedMs: locked.at.getTime(),
});

/**
 * Put events at the end of a locked job's log.
 *
 * @param after the state after them
 */
export async function appendKept(
  locked: LockedJob,
  events: readonly Logged<JobEvent>[],
  after: LockedJob['state'],
): Promise<void> {
  const { job, transaction, at } = locked;
  const first = locked.state.log.length + 1;
  // One value for all rows: a phone that was long without reception sends hundreds.
  await JobEventRow.sequelize!.query(
    `INSERT INTO job_events (job_id, workshop_id, position, id, device_id, device_seq, at, received_at, person, event)
     SELECT $1, $2, $3 + (r.n - 1)::int, (e->>'id')::uuid, (e->>'deviceId')::uuid, (e->>'deviceSeq')::int,
            to_timestamp((e->>'atMs')::double precision / 1000), $4, e->>'person', e - 'person' - 'order'
       FROM jsonb_array_elements($5::jsonb) WITH ORDINALITY AS r(e, n)`,
    {
      type: QueryTypes.INSERT,
      bind: [job.id, job.workshopId, first, at, JSON.stringify(events)],
      transaction,
    },
  );
  await keepOrder(ofJob(job), events, transaction);
  const before = locked.state;
  locked.state = after;
  await followLog(locked, before, events);
}

/** Put an event beside the record of a closed job. */
export async function appendAddition(
  { job, transaction, at }: LockedJob,
  event: Logged<JobEvent>,
): Promise<void> {
  const position = 1 + (await JobAdditionRow.count({ where: { jobId: job.id }, transaction }));
  await JobAdditionRow.create(
    { jobId: job.id, workshopId: job.workshopId, position, ...rowOf(event, at) },
    { transaction },
  );
  await keepOrder(ofJob(job), [event], transaction);
}

const ofJob = (job: LockedJob['job']) => ({ vehicleId: job.vehicleId, jobId: job.id });

/** Put an event into a locked vehicle's own log. */
export async function appendToVehicle(
  vehicle: Vehicle,
  event: Logged<VehicleEvent>,
  at: Date,
  transaction: Transaction,
): Promise<void> {
  const where = { vehicleId: vehicle.id };
  const position = 1 + (await VehicleEventRow.count({ where, transaction }));
  await VehicleEventRow.create(
    { ...where, workshopId: vehicle.workshopId, position, ...rowOf(event, at) },
    { transaction },
  );
  await keepOrder({ vehicleId: vehicle.id, jobId: null }, [event], transaction);
}

/** What every row of a log holds of its event. */
export function rowOf<E extends JobEvent | VehicleEvent>(
  { person, order: _, ...event }: Logged<E>,
  at: Date,
) {
  return {
    id: event.id,
    deviceId: event.deviceId,
    deviceSeq: event.deviceSeq,
    at: new Date(event.atMs),
    receivedAt: at,
    person,
    event,
  };
}
