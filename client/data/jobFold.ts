import type { Job } from '@brook/contract';
import { addToJob, foldJob, type JobState } from '@brook/core/job/log';
import { type JobEvent, type Logged } from '@brook/core/job/events';
import type { Plan } from '@brook/core/bleed/plan';
import { useMemo } from 'react';

/** The log of a job as it came, its accepted plan put back where the log holds it: over the wire it goes once. */
export function logOf(job: Pick<Job, 'events' | 'planResult'>): Logged<JobEvent>[] {
  const plan = job.planResult?.verdict === 'planned' ? job.planResult.plan : null;
  return job.events.map((e) => withPlan(e, plan));
}

function withPlan(event: Logged<JobEvent>, plan: Plan | null): Logged<JobEvent> {
  return event.kind === 'plan accepted' && plan ? { ...event, plan, pick: null } : event;
}

/**
 * A job's state that follows its log: what only comes behind is folded by
 * itself, anything else folds the whole log anew. It changes as it is used;
 * keep one for each job that is shown.
 */
export class FollowedJob {
  private ids: readonly string[] = [];
  private state: JobState = foldJob([]);

  after(log: readonly Logged<JobEvent>[]): JobState {
    const goesOn =
      this.ids.length > 0 &&
      this.ids.length <= log.length &&
      this.ids.every((id, i) => asFolded(log[i]!) === id);
    if (goesOn) this.state = withPlaces(this.state, log);
    const fresh = log.slice(this.ids.length);
    if (!goesOn || fresh.filter((e) => e.kind === 'undone').length > 1) this.state = foldJob(log);
    else for (const event of fresh) this.state = addToJob(this.state, event);
    this.ids = log.map(asFolded);
    return this.state;
  }
}

/** What was folded as a tap of this phone has its place in the vehicle's order once the server told it: others had heard of it or not by that. */
function withPlaces(state: JobState, log: readonly Logged<JobEvent>[]): JobState {
  const isNew = (e: Logged<JobEvent>, i: number) => e.order === undefined && log[i]!.order;
  if (!state.log.some(isNew)) return state;
  return {
    ...state,
    log: state.log.map((e, i) => (isNew(e, i) ? { ...e, order: log[i]!.order } : e)),
  };
}

/** What of an event the fold goes by that only the server knows: what was in a container, and whether an undo came at once. */
const asFolded = (e: Logged<JobEvent>): string =>
  [e.id, 'product' in e, e.kind === 'undone' && e.order !== undefined].join();

/** The state of a job as the server knows it, for what is only shown. */
export function useFolded(job: Pick<Job, 'events' | 'planResult'>): JobState {
  const { events, planResult } = job;
  return useMemo(() => foldJob(logOf({ events, planResult })), [events, planResult]);
}
