import { isClosed } from '@brook/core/job/stage';
import { movesClocks } from '@brook/core/base/clock';
import { runningClocks, stageOf, type JobState } from '@brook/core/job/log';
import { type JobEvent, type Logged } from '@brook/core/job/events';
import type { JobAbout } from '@brook/core/owed/openItems';
import { firstPlanOf } from '@brook/core/job/run';
import { isDeepStrictEqual } from 'node:util';
import { keepAir } from '../rows/air';
import { keepControls } from '../rows/controls';
import { Job } from '../../db/models';
import { keepInside } from '../rows/inside';
import { keepPaces } from '../../workshop/paces/rows';
import { takeBackFluidUsed } from '../../shelf/takeBack';
import { named, type LockedJob } from './locked';
import { projectOpenItems } from './drive';
import { aboutJob } from './vehicleFacts';

/**
 * Bring what is written from the fold after the log: the columns that lists ask
 * for, what the job says of its vehicle, and the shelf where what was recorded
 * no longer holds. Within the transaction of the events.
 */
export async function followLog(
  locked: LockedJob,
  before: JobState,
  events: readonly Logged<JobEvent>[],
): Promise<void> {
  const { job, state } = locked;
  const stage = stageOf(state);
  job.set({ stage, closed: isClosed(stage) });
  for (const event of events) followEvent(job, event);
  await followSizes(locked, before);
  // No version of the job: nobody's form is overtaken by a clock.
  if (events.some((e) => movesClocks(e, job.clocks)))
    await Job.update(
      { clocks: runningClocks(state.log) },
      { where: { id: job.id }, transaction: locked.transaction },
    );
  const closing = events.find((e) => e.kind === 'released' || e.kind === 'ended');
  if (closing) {
    const at = new Date(closing.atMs);
    await keepInside(job, state, at, locked.transaction);
    await keepPaces(job, state, at, locked.transaction);
    await keepControls(job, state, at, locked.transaction);
    await keepAir(job, state, at, locked.transaction);
  }
  if (before.fluidUsed && !state.fluidUsed) await takeBackFluidUsed(job.id, locked.transaction);
  await sayOfLocked(locked, events);
}

/** Sizes that a run found are the vehicle's; taken back, it has what it had. While it is bled nothing else changes its layout. */
async function followSizes(
  { vehicle, state, transaction }: LockedJob,
  before: JobState,
): Promise<void> {
  if (!state.run || isDeepStrictEqual(state.run.sizes, before.run?.sizes ?? [])) return;
  const { layout } = firstPlanOf(state.run);
  await vehicle.update({ layout, version: vehicle.version + 1 }, { transaction });
}

/** A locked job as its vehicle knows it. */
export const aboutOf = ({ job, vehicle }: Pick<LockedJob, 'job' | 'vehicle'>): JobAbout =>
  aboutJob(job, vehicle.layout);

/** Bring what its vehicle owes, and whether it may move, after some events of a locked job. */
export async function sayOfLocked(
  locked: LockedJob,
  events: readonly Logged<JobEvent>[] = [],
): Promise<void> {
  const { job, vehicle, transaction, actor, at, state } = locked;
  const last = events.at(-1);
  const because = {
    person: last?.person ?? actor.name,
    at,
    settledBy: last?.kind === 'undone' ? 'withdrawn' : `job ${job.number}`,
  };
  await projectOpenItems(vehicle, because, transaction, { job, state });
}

function followEvent(job: LockedJob['job'], event: Logged<JobEvent>): void {
  const at = new Date(event.atMs);
  const who = named({ name: event.person }, at);
  switch (event.kind) {
    case 'fluid read':
      job.set({ fluid: event.read });
      return;
    case 'plan accepted':
      job.set({
        planResult: { verdict: 'planned', plan: event.plan },
        planAccepted: who,
        pick: event.pick && { kind: 'enough', ...event.pick },
      });
      return;
    case 'released':
      job.set({ closedAt: at, released: who });
      return;
    case 'ended':
      job.set({ closedAt: at, ended: { ...who, reason: event.reason } });
      return;
    default:
      return;
  }
}
