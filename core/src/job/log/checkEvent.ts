import { decisionFault } from '../run';
import { happeningFault, isBeforePlan, type JobEvent, type Known } from '../events';
import { LogIndex } from './known';
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
 *
 * @param known what the log holds, where it is kept for many events in a row
 */
export function jobEventFault(
  job: JobState,
  event: JobEvent,
  { openedAtMs, nowMs }: Believable,
  known: Known = new LogIndex(job),
): string | null {
  if (event.atMs < openedAtMs - BELIEVED_MS || event.atMs > nowMs + BELIEVED_MS)
    return 'The time of this event cannot be right: it should lie between the start of the job and now. Set the clock of this phone.';
  if (!isBeforePlan(event.kind) && !job.accepted)
    return 'Accept the plan first; then the run may begin.';
  const fault = happeningFault(known, event);
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
