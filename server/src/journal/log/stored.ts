import { addToJob, foldJob, type JobState } from '@brook/core/job/log';
import { type JobEvent, type VehicleEvent, type Logged } from '@brook/core/job/events';
import { Op, type Transaction } from 'sequelize';
import { JobAdditionRow, JobEventRow, VehicleEventRow } from '../../db/models';
import { foldedUpTo } from './stateCache';

const kept = <E>(row: { readonly event: E; readonly person: string }): Logged<E> => ({
  ...row.event,
  person: row.person,
});

/** The log of a job, in order, from behind a position. */
export async function logOf(
  jobId: string,
  transaction?: Transaction,
  behind = 0,
): Promise<Logged<JobEvent>[]> {
  const rows = await JobEventRow.findAll({
    where: { jobId, ...(behind > 0 ? { position: { [Op.gt]: behind } } : {}) },
    order: ['position'],
    attributes: ['event', 'person'],
    transaction,
  });
  return rows.map(kept);
}

/** What arrived after a job was closed, in order. */
export async function additionsOf(
  jobId: string,
  transaction?: Transaction,
): Promise<Logged<JobEvent>[]> {
  const rows = await JobAdditionRow.findAll({
    where: { jobId },
    order: ['position'],
    attributes: ['event', 'person'],
    transaction,
  });
  return rows.map(kept);
}

/** The own log of a vehicle, in order. */
export async function vehicleLogOf(
  vehicleId: string,
  transaction?: Transaction,
): Promise<Logged<VehicleEvent>[]> {
  const rows = await VehicleEventRow.findAll({
    where: { vehicleId },
    order: ['position'],
    attributes: ['event', 'person'],
    transaction,
  });
  return rows.map(kept);
}

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
  if (!folded) return foldJob(await logOf(jobId, transaction));
  if (folded.log.length === position) return folded;
  const behind = await logOf(jobId, transaction, folded.log.length);
  // One undo folds the whole log anew: then it is done once for all of them.
  return behind.some((e) => e.kind === 'undone')
    ? foldJob([...folded.log, ...behind])
    : behind.reduce(addToJob, folded);
}

/** An event as a phone sent it: without the person behind it, and a decision without the plan that followed. */
export function asSent(event: Logged<JobEvent> | JobEvent): JobEvent {
  const { person: _, ...sent } = event as Logged<JobEvent>;
  if (sent.kind !== 'decided') return sent as JobEvent;
  const { plan: __, ...decided } = sent;
  return decided as JobEvent;
}

/** An event as it goes over the wire: the accepted plan and its containers stand on the job, once. */
export function onWire(event: Logged<JobEvent>): Logged<JobEvent> {
  if (event.kind !== 'plan accepted') return event;
  const { plan: _, pick: __, ...rest } = event;
  return rest as Logged<JobEvent>;
}
