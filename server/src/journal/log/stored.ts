import { addToJob, foldingJob, type JobState } from '@brook/core/job/log';
import { type JobEvent, type VehicleEvent, type Logged } from '@brook/core/job/events';
import { QueryTypes, type Transaction } from 'sequelize';
import { JobEventRow } from '../../db/models';
import { LOGGED_JSON } from './order';
import { servingOthers } from './servingOthers';
import { foldedUpTo } from './stateCache';

async function rowsOf<E>(
  sql: string,
  bind: readonly (string | number)[],
  transaction?: Transaction,
): Promise<Logged<E>[]> {
  const rows = await JobEventRow.sequelize!.query<{ readonly event: Logged<E> }>(sql, {
    type: QueryTypes.SELECT,
    bind: [...bind],
    transaction,
  });
  return rows.map((r) => r.event);
}

const ofJob = (table: 'job_events' | 'job_additions'): string =>
  `SELECT ${LOGGED_JSON} AS event FROM ${table} e JOIN jobs j ON j.id = e.job_id
     LEFT JOIN vehicle_order o ON o.vehicle_id = j.vehicle_id AND o.event_id = e.id
    WHERE e.job_id = $1 AND e.position > $2 ORDER BY e.position`;

/** The log of a job, in order, from behind a position. */
export const logOf = (
  jobId: string,
  transaction?: Transaction,
  behind = 0,
): Promise<Logged<JobEvent>[]> => rowsOf(ofJob('job_events'), [jobId, behind], transaction);

/** What arrived after a job was closed, in order. */
export const additionsOf = (
  jobId: string,
  transaction?: Transaction,
): Promise<Logged<JobEvent>[]> => rowsOf(ofJob('job_additions'), [jobId, 0], transaction);

/** The own log of a vehicle, in order. */
export const vehicleLogOf = (
  vehicleId: string,
  transaction?: Transaction,
): Promise<Logged<VehicleEvent>[]> =>
  rowsOf(
    `SELECT ${LOGGED_JSON} AS event FROM vehicle_events e
       LEFT JOIN vehicle_order o ON o.vehicle_id = e.vehicle_id AND o.event_id = e.id
      WHERE e.vehicle_id = $1 ORDER BY e.position`,
    [vehicleId],
    transaction,
  );

/** State of a job that was moved away, by what of its log stands in the order of the vehicle it left. */
export const stateThere = async (
  jobId: string,
  vehicleId: string,
  transaction?: Transaction,
): Promise<JobState> =>
  servingOthers(
    foldingJob(
      await rowsOf<JobEvent>(
        `SELECT ${LOGGED_JSON} AS event FROM job_events e
           JOIN vehicle_order o ON o.event_id = e.id AND o.vehicle_id = $2
          WHERE e.job_id = $1 ORDER BY e.position`,
        [jobId, vehicleId],
        transaction,
      ),
    ),
  );

/**
 * State of a job by its log; what was folded of it before is not folded again.
 *
 * @param known how far the log goes, where somebody asked already
 */
export async function jobStateOf(
  jobId: string,
  transaction?: Transaction,
  known?: number,
): Promise<JobState> {
  const db = JobEventRow.sequelize!;
  const where = { jobId };
  const position =
    known ?? (await JobEventRow.max<number, JobEventRow>('position', { where, transaction })) ?? 0;
  const folded = foldedUpTo(db, jobId, position);
  if (!folded) return servingOthers(foldingJob(await logOf(jobId, transaction)));
  if (folded.log.length === position) return folded;
  const behind = await logOf(jobId, transaction, folded.log.length);
  // One undo folds the whole log anew: then it is done once for all of them.
  return behind.some((e) => e.kind === 'undone')
    ? servingOthers(foldingJob([...folded.log, ...behind]))
    : behind.reduce(addToJob, folded);
}

/** What the server adds to an event: the person and the place, the plan that followed from a decision, the product of a container. */
const ADDED = ['person', 'order', 'product'];

/** An event as a phone sent it: without what the server adds. */
export const asSent = (event: Logged<JobEvent> | JobEvent): JobEvent =>
  Object.fromEntries(
    Object.entries(event).filter(
      ([name]) => !ADDED.includes(name) && !(name === 'plan' && event.kind === 'decided'),
    ),
  ) as unknown as JobEvent;

/** An event as it goes over the wire: the accepted plan and its containers stand on the job, once. */
export function onWire(event: Logged<JobEvent>): Logged<JobEvent> {
  if (event.kind !== 'plan accepted') return event;
  const { plan: _, pick: __, ...rest } = event;
  return rest as Logged<JobEvent>;
}
