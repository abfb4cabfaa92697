import type { Plan } from '@brook/core/bleed/plan';
import { sharePoured } from '@brook/core/fluid/shelf';
import { foldJob, followProof, type JobState } from '@brook/core/job/log';
import { type JobEvent, type RunEvent } from '@brook/core/job/events';
import { followCalls, type FollowOptions } from '@brook/core/job/run';
import { controlsConcerned } from '@brook/core/owed/openItems';
import type { Job } from '../job';
import type { FluidUsed } from '../shelf';

/** The plan that a job was given. @throws Error where it has none */
export function planOfJob(job: Job): Plan {
  if (job.planResult?.verdict !== 'planned') throw new Error('the job has no plan');
  return job.planResult.plan;
}

/** State of a job as a phone folds it: the accepted plan stands on the job, not in the event. */
export function stateOfJob(job: Job): JobState {
  return foldJob(
    job.events.map((e) =>
      e.kind === 'plan accepted' ? { ...e, plan: planOfJob(job), pick: null } : e,
    ),
  );
}

/**
 * What the run calls for from where it stands, done just so.
 *
 * @param strokes how many are made at the most; after the last of them nothing more is said
 */
export function runOnFrom(job: Job, { strokes, ...options }: FollowOptions): RunEvent[] {
  const events = followCalls(planOfJob(job), { ...options, strokes }, stateOfJob(job).run!);
  const last = events.map((e) => e.kind).lastIndexOf('stroke');
  return strokes ? events.slice(0, last + 1) : events;
}

/** The answers of somebody who finds everything right, for the controls that the job concerns. */
export function goodProof(job: Job, options: FollowOptions): JobEvent[] {
  const plan = planOfJob(job);
  return followProof(plan, {
    ...options,
    masterIds: controlsConcerned(stateOfJob(job), plan.layout, job.before).map((m) => m.id),
  });
}

/** What the run moved by its count, poured out of the picked containers, opened ones first. */
export function usedFluid(job: Job, more: Partial<FluidUsed> = {}): FluidUsed {
  const { pouredMl, bledMl, removedMl } = stateOfJob(job).run!;
  const picked = job.pick?.kind === 'enough' ? job.pick.containers : [];
  return {
    containers: sharePoured(pouredMl, picked).map((c) => ({
      ...c,
      discardedMl: 0,
      countedLeftMl: null,
    })),
    bledMl,
    bledBy: 'strokes',
    removedMl,
    spilledMl: 0,
    caught: true,
    gap: null,
    ...more,
  };
}
