import {
  type DeskHappening,
  type JobEvent,
  type VehicleEvent,
  type Logged,
} from '@brook/core/job/events';
import { addToJob } from '@brook/core/job/log';
import { QueryTypes, type Transaction } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { JobAdditionRow, JobEventRow, VehicleEventRow, type Vehicle } from '../../db/models';
import type { LockedJob } from './locked';
import type { Actor } from '../../session/actor';
import { followLog } from './follow';

/** Put an event that a person made at the desk into the log of a locked job, and bring everything after it. */
export async function appendDesk(locked: LockedJob, happening: DeskHappening): Promise<void> {
  const { actor, at, state } = locked;
  const event: Logged<JobEvent> = {
    id: uuid(),
    deviceId: actor.deviceId,
    deviceSeq: 0,
    atMs: at.getTime(),
    planId: state.run?.plan.id ?? null,
    ...happening,
    person: actor.name,
  };
  await appendKept(locked, [event], addToJob(state, event));
}

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
            to_timestamp((e->>'atMs')::double precision / 1000), $4, e->>'person', e - 'person'
       FROM jsonb_array_elements($5::jsonb) WITH ORDINALITY AS r(e, n)`,
    {
      type: QueryTypes.INSERT,
      bind: [job.id, job.workshopId, first, at, JSON.stringify(events)],
      transaction,
    },
  );
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
}

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
}

/** What every row of a log holds of its event. */
export function rowOf<E extends JobEvent | VehicleEvent>(
  { person, ...event }: Logged<E>,
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

/** Who stands behind an event. */
export const by = <E>(actor: Pick<Actor, 'name'>, event: E): Logged<E> => ({
  ...event,
  person: actor.name,
});
