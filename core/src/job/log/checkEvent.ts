import type { Control } from '../../vehicle/circuit';
import { CONTROL_CHECKS, controlProof } from '../gate';
import type { Plan } from '../../bleed/plan';
import { decisionFault, elementFault, runEventFault, type RunEvent } from '../run';
import { isOfRun, isPhoneEvent, type JobEvent } from './event';
import type { JobState } from './state';

/** How far a phone's clock may be off before its events are not believed, ms: a day either way. */
const BELIEVED_MS = 86_400_000;

/** How many photos and voice notes a job keeps. */
export const MOST_MEDIA_NOTES = 200;

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
  const find = (id: string) => job.log.find((e) => e.id === id);
  if (event.kind === 'undone') {
    const target = find(event.eventId);
    if (!target) return `There is no event "${event.eventId}" to undo.`;
    return isPhoneEvent(target)
      ? null
      : 'This was decided at the desk; it is not taken back by undo.';
  }
  if (event.kind === 'media note') return mediaFault(job, event);
  if (event.kind === 'came off') {
    const { noteId = null, elementId } = event;
    if (noteId !== null && find(noteId)?.kind !== 'media note')
      return `There is no photo or voice note "${noteId}" of what came off.`;
    return elementId === null ? null : elementFault(plansEver(job), elementId);
  }
  if (event.kind === 'clock started')
    return event.elementId === null ? null : elementFault(plansEver(job), event.elementId);
  if (event.kind === 'clock ended')
    return find(event.eventId)?.kind === 'clock started'
      ? null
      : `There is no clock "${event.eventId}" to end.`;
  if (event.kind === 'joint tightened' || event.kind === 'look later')
    return event.elementId === null ? null : elementFault(plansEver(job), event.elementId);
  if (event.kind === 'back on') return backFault(event, find);
  // What somebody writes belongs to the job from its first day to long after its last.
  if (event.kind === 'note') return null;
  if (!job.accepted) return 'Accept the plan first; then the run may begin.';
  const plans = plansEver(job);
  if (event.kind === 'pedal judged' || event.kind === 'take-up judged')
    return event.masterId === null ? null : masterFault(plans, event.masterId);
  if (event.kind === 'pedal read' || event.kind === 'sink watched')
    return measureFault(plans, event.masterId);
  if (event.kind === 'take-up read') return takeUpFault(plans, event);
  if (event.kind === 'clutch needs') return needFault(plans, event);
  if (event.kind === 'checked') return checkFault(plans, event);
  if (!isOfRun(event)) return null;
  const has = (id: string, kind?: RunEvent['kind']) => {
    const found = find(id);
    return found !== undefined && (kind === undefined || found.kind === kind);
  };
  const fault = runEventFault({ plans, has }, event as RunEvent);
  if (fault !== null || event.kind !== 'decided' || !job.run) return fault;
  return decisionFault(job.run, event);
}

/** Whether an event changes nothing because what it takes back is taken back already. */
export function isSuperfluous(job: JobState, event: JobEvent): boolean {
  return event.kind === 'undone' && job.undone.has(event.eventId);
}

/** Every plan that the job ever had, those of decisions that were taken back among them. */
function plansEver(job: JobState): Plan[] {
  const plans = job.accepted ? [job.accepted.plan] : [];
  // Asked of every event of a batch: no list as long as the log is made for it.
  for (const e of job.log) if (e.kind === 'decided' && e.plan) plans.push(e.plan);
  return plans;
}

/** A photo may be taken before there is a plan; an element is one that a plan knows. */
function mediaFault(
  job: JobState,
  { elementId, proof }: Extract<JobEvent, { readonly kind: 'media note' }>,
): string | null {
  if (job.log.filter((e) => e.kind === 'media note').length >= MOST_MEDIA_NOTES)
    return `A job keeps ${MOST_MEDIA_NOTES} photos and voice notes; this one has as many.`;
  const plans = plansEver(job);
  const place = elementId === null ? null : elementFault(plans, elementId);
  if (place !== null || !proof) return place;
  const { masterId, item } = proof;
  if (item !== 'result') return checkFault(plans, { item, masterId });
  return masterId === null
    ? 'A result is of a control; give its master.'
    : masterFault(plans, masterId);
}

/** What is back came off in this job, or is owed from an earlier one. */
function backFault(
  { eventId, openItemId }: Extract<JobEvent, { readonly kind: 'back on' }>,
  find: (id: string) => JobEvent | undefined,
): string | null {
  if ((eventId === null) === (openItemId === null))
    return 'Name what is back: by the event that told of it, or by the open item of an earlier job.';
  return eventId === null || find(eventId)?.kind === 'came off'
    ? null
    : `There is no event "${eventId}" by which something came off.`;
}

const masterFault = (plans: readonly Plan[], masterId: string): string | null =>
  plans.some((p) => p.layout.masters.some((m) => m.id === masterId))
    ? null
    : `There is no master "${masterId}" in the layout of this plan.`;

/** What is read at a control is of the kind by which that one is judged. */
function judgedByFault(
  plans: readonly Plan[],
  masterId: string,
  result: ReturnType<typeof controlProof>['result'],
  otherwise: (control: Control) => string,
): string | null {
  const layout = plans.find((p) => p.layout.masters.some((m) => m.id === masterId))?.layout;
  const master = layout?.masters.find((m) => m.id === masterId);
  if (!layout || !master) return masterFault(plans, masterId);
  return controlProof(master, layout.vehicleKind).result === result
    ? null
    : otherwise(master.control);
}

/** Heights and sink are read at a brake that is held by hand or foot. */
const measureFault = (plans: readonly Plan[], masterId: string): string | null =>
  judgedByFault(
    plans,
    masterId,
    'pedal',
    (control) => `The ${control} is not measured like this; only a brake pedal or lever is.`,
  );

const clutchFault = (plans: readonly Plan[], masterId: string): string | null =>
  judgedByFault(
    plans,
    masterId,
    'take-up',
    (control) => `The ${control} takes nothing up; only a clutch does.`,
  );

/** What a clutch needs is said of a clutch; its window ends above where it begins. */
function needFault(
  plans: readonly Plan[],
  { masterId, window }: Extract<JobEvent, { readonly kind: 'clutch needs' }>,
): string | null {
  const notClutch = clutchFault(plans, masterId);
  if (notClutch) return notClutch;
  return !window || window.mostMm > window.leastMm
    ? null
    : `The window begins at ${window.leastMm} mm and ends at ${window.mostMm} mm; it should end above where it begins.`;
}

/** A take-up is read at a clutch, between its end and its rest. */
function takeUpFault(
  plans: readonly Plan[],
  {
    masterId,
    restMm,
    takeUpMm,
    endOfTravelMm,
  }: Extract<JobEvent, { readonly kind: 'take-up read' }>,
): string | null {
  const notClutch = clutchFault(plans, masterId);
  if (notClutch) return notClutch;
  if (takeUpMm >= restMm)
    return `It takes up at ${takeUpMm} mm and rests at ${restMm} mm; it should take up lower than it rests.`;
  return (endOfTravelMm ?? 0) <= takeUpMm
    ? null
    : `Its travel ends at ${endOfTravelMm} mm and it takes up at ${takeUpMm} mm; the end of travel should lie lower.`;
}

/** What is tried at a control names it; what is looked at on the vehicle names none. */
function checkFault(
  plans: readonly Plan[],
  {
    item,
    masterId = null,
  }: Pick<Extract<JobEvent, { readonly kind: 'checked' }>, 'item' | 'masterId'>,
): string | null {
  const ofControl = CONTROL_CHECKS.some((c) => c === item);
  if (!ofControl)
    return masterId === null
      ? null
      : `"${item}" is looked at on the whole vehicle; leave the master out.`;
  if (masterId === null) return `"${item}" is tried at a control; give its master.`;
  return masterFault(plans, masterId);
}
