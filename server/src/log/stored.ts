import { foldJob, type JobEvent, type JobState, type VehicleEvent } from '@brook/core/log';
import type { Kept } from '@brook/core/run';
import type { Transaction } from 'sequelize';
import { JobAdditionRow, JobEventRow, VehicleEventRow } from '../db/models';

const kept = <E>(row: { readonly event: E; readonly person: string }): Kept<E> => ({
  ...row.event,
  person: row.person,
});

/** The log of a job, in order. */
export async function logOf(jobId: string, transaction?: Transaction): Promise<Kept<JobEvent>[]> {
  const rows = await JobEventRow.findAll({
    where: { jobId },
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
): Promise<Kept<JobEvent>[]> {
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
): Promise<Kept<VehicleEvent>[]> {
  const rows = await VehicleEventRow.findAll({
    where: { vehicleId },
    order: ['position'],
    attributes: ['event', 'person'],
    transaction,
  });
  return rows.map(kept);
}

/** State of a job by its log. */
export async function jobStateOf(jobId: string, transaction?: Transaction): Promise<JobState> {
  return foldJob(await logOf(jobId, transaction));
}

/** An event as a phone sent it: without the person behind it, and a decision without the plan that followed. */
export function asSent(event: Kept<JobEvent> | JobEvent): JobEvent {
  const { person: _, ...sent } = event as Kept<JobEvent>;
  if (sent.kind !== 'decided') return sent as JobEvent;
  const { plan: __, ...decided } = sent;
  return decided as JobEvent;
}

/** An event as it goes over the wire: the accepted plan and its containers stand on the job, once. */
export function onWire(event: Kept<JobEvent>): Kept<JobEvent> {
  if (event.kind !== 'plan accepted') return event;
  const { plan: _, pick: __, ...rest } = event;
  return rest as Kept<JobEvent>;
}
