import { decisionFault } from '../run';
import { happeningFault, isBeforePlan, undoOf, type JobEvent, type Known } from '../events';
import type { Plan } from '../../bleed/plan';
import type { JobState } from './state';

/** How far a phone's clock may be off before its events are not believed, ms: a day either way. */
const BELIEVED_MS = 86_400_000;

/** Between which moments a job's events can have happened, by the server's clock. */
export interface Believable {
  readonly openedAtMs: number;
  readonly nowMs: number;
}

/**
 * The sentence for an event that cannot belong to this job, or null. Refused
 * are unknown ids and times beyond belief; what was done on the vehicle is kept
 * in whatever order it arrives.
 */
export function jobEventFault(
  job: JobState,
  event: JobEvent,
  { openedAtMs, nowMs }: Believable,
): string | null {
  if (event.atMs < openedAtMs - BELIEVED_MS || event.atMs > nowMs + BELIEVED_MS)
    return 'The time of this event cannot be right: it should lie between the start of the job and now. Set the clock of this phone.';
  if (!isBeforePlan(event.kind) && !job.accepted)
    return 'Accept the plan first; then the run may begin.';
  const fault = happeningFault(knownIn(job), event);
  return fault ?? (asksTheFold(event) && job.run ? decisionFault(job.run, event) : null);
}

/** Whether an event is held against the run as it stands; any other goes by what the log holds alone. */
export const asksTheFold = <E extends JobEvent>(
  event: E,
): event is Extract<E, { readonly kind: 'decided' }> => event.kind === 'decided';

/** Whether an event changes nothing because what it takes back is taken back already. */
export function isSuperfluous(job: JobState, event: JobEvent): boolean {
  return event.kind === 'undone' && job.undone.has(event.eventId);
}

const knownIn = (job: JobState): Known => ({
  plans: plansEver(job),
  find: (id) => job.log.find((e) => e.id === id),
  get mediaNotes() {
    return job.log.filter((e) => e.kind === 'media note').length;
  },
  undoOf,
});

/** Every plan that the job ever had, those of decisions that were taken back among them. */
function plansEver(job: JobState): Plan[] {
  const plans = job.accepted ? [job.accepted.plan] : [];
  // Asked of every event of a batch: no list as long as the log is made for it.
  for (const e of job.log) if (e.kind === 'decided' && e.plan) plans.push(e.plan);
  return plans;
}
