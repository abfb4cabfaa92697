import { isClosed } from '@brook/core/job/stage';
import type { JobState } from '@brook/core/job/log';
import type { Attributes, Transaction } from 'sequelize';
import { Job, Vehicle } from '../../db/models';
import { oneRow } from '../../db/oneRow';
import { LAST_IN_ORDER } from './order';
import { keepFolded } from './stateCache';
import { jobStateOf } from './stored';
import { notFound, ProblemError, refused } from '../../http/problems/kinds';
import type { Actor } from '../../session/actor';

/** A job locked for a change, with the vehicle it is about. */
export interface LockedJob {
  readonly job: Job;
  readonly vehicle: Vehicle;
  readonly transaction: Transaction;
  readonly actor: Actor;
  readonly at: Date;
  /** By its log; it moves with what is appended. */
  state: JobState;
  /** The last place of the vehicle's order; it moves with what is placed. */
  lastPlace: number;
}

/**
 * Lock a vehicle and its job, change both, save together or not at all.
 *
 * @param version what the client last saw; null where the change cannot conflict, as with a log
 */
export async function changeJob<T>(
  actor: Actor,
  id: string,
  version: number | null,
  at: Date,
  change: (locked: LockedJob) => Promise<T>,
  /** Columns of the job that this change does not look at: the plan is large. */
  without: readonly (keyof Attributes<Job>)[] = [],
): Promise<T> {
  const db = Job.sequelize!;
  let after: JobState | null = null;
  const answer = await db.transaction(async (transaction) => {
    // One order of locks everywhere: first the vehicle, then its job.
    const given = { id, workshopId: actor.workshopId };
    const vehicle = await oneRow(Vehicle, {
      where:
        'workshop_id = :workshopId AND id = (SELECT vehicle_id FROM jobs WHERE id = :id) FOR UPDATE',
      given,
      transaction,
    });
    // Behind the lock of the vehicle nobody adds to the log meanwhile.
    const job =
      vehicle &&
      (await oneRow(Job, {
        where: 'id = :id AND workshop_id = :workshopId FOR UPDATE',
        given,
        transaction,
        without,
        also: {
          logPosition: 'SELECT coalesce(max(position), 0) FROM job_events WHERE job_id = :id',
          lastPlace: LAST_IN_ORDER('jobs.vehicle_id'),
        },
      }));
    if (!job) throw notFound('job');
    const moved = job.vehicleId !== vehicle.id;
    if (moved || (version !== null && job.version !== version)) {
      throw new ProblemError(
        'conflict',
        'Somebody changed this job meanwhile. Look at it again; what you entered was not saved.',
      );
    }
    if (version !== null && isClosed(job.stage))
      throw refused('This job is closed; its record is read-only.');
    const state = await jobStateOf(id, transaction, job.get('logPosition') as number);
    const lastPlace = job.get('lastPlace') as number;
    const locked: LockedJob = { job, vehicle, transaction, actor, at, state, lastPlace };
    const said = await change(locked);
    if (job.changed()) await job.set({ version: job.version + 1 }).save({ transaction });
    after = locked.state;
    return said;
  });
  if (after) keepFolded(db, id, after);
  return answer;
}

/** Where nothing of a job is changed but what stands beside it. @throws ProblemError of kind not-found */
export async function mustBeOurs(
  { workshopId }: Pick<Actor, 'workshopId'>,
  id: string,
): Promise<void> {
  if ((await Job.count({ where: { id, workshopId } })) === 0) throw notFound('job');
}

/** Refuse what belongs to another stage of the way. */
export function onlyAt(job: Job, stages: readonly Job['stage'][], sentence: string): void {
  if (!stages.includes(job.stage)) throw refused(sentence);
}

/** A person and a moment for the record. */
export const named = (actor: Pick<Actor, 'name'>, at: Date): { by: string; at: string } => ({
  by: actor.name,
  at: at.toISOString(),
});
