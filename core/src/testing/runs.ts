import { releaseGate, type GateAnswer, type GateInput } from '../job/gate';
import { type DriveResult, type Proof } from '../job/items';
import { foldJob, jobEventFault, type JobState } from '../job/log';
import {
  type DeskHappening,
  type JobEvent,
  type PhoneHappening,
  type EventBase,
  type Logged,
} from '../job/events';
import type { Plan } from '../bleed/plan';
import { firstPlanOf, type RunState } from '../job/run';

/** An event as a test says it: what every event carries may be left out. */
export type LooseEvent = Partial<EventBase> & { readonly person?: string } & (
    | PhoneHappening
    | DeskHappening
  );

let unnamed = 0;

/** An event with everything that the log keeps of it. */
export function loggedEvent(said: LooseEvent): Logged<JobEvent> {
  return {
    id: `unnamed-${++unnamed}`,
    deviceId: 'phone',
    deviceSeq: 1,
    atMs: 0,
    planId: null,
    person: 'Una',
    // Who does not say what it had heard of had heard of all.
    heard: Number.MAX_SAFE_INTEGER,
    ...said,
  } as Logged<JobEvent>;
}

/** Events as the server places them in the order of their vehicle, behind a position. */
export const placed = <E extends Logged<EventBase>>(log: readonly E[], behind = 0): E[] =>
  log.map((e, i) => ({
    ...e,
    order: { position: behind + i + 1, receivedMs: e.order?.receivedMs ?? e.atMs },
  }));

/** The log of a job that begins with the acceptance of a plan, at the first place; a second copy of an event is not in it. */
export function logFrom(plan: Plan, events: readonly LooseEvent[]): Logged<JobEvent>[] {
  const accepted = loggedEvent({ id: 'accepted', kind: 'plan accepted', plan, pick: null });
  const seen = new Set<string>();
  return placed(
    [accepted, ...events.map(loggedEvent)].filter((e) => !seen.has(e.id) && seen.add(e.id)),
  );
}

/** State of a job that begins with the acceptance of a plan. */
export function jobOf(plan: Plan, events: readonly LooseEvent[]): JobState {
  return foldJob(logFrom(plan, events));
}

/** State of a run by its events, undos among them. @param from where it stands already */
export function runOf(plan: Plan, events: readonly LooseEvent[], from?: RunState): RunState {
  return jobOf(from ? firstPlanOf(from) : plan, [...(from?.log ?? []), ...events]).run!;
}

/** A run some events later. */
export function after(from: RunState, ...events: readonly LooseEvent[]): RunState {
  return runOf(from.plan, events, from);
}

/** Why an event cannot belong to a run, or null. */
export function eventFault(on: RunState, event: LooseEvent): string | null {
  const job = jobOf(firstPlanOf(on), on.log);
  return jobEventFault(job, loggedEvent(event), { openedAtMs: 0, nowMs: 0 });
}

/** A proof of which nobody has looked at anything. */
export const NOBODY_LOOKED: Proof = {
  controls: {},
  checks: {},
  again: [],
  photos: new Set(),
  fluidPutDown: false,
};

/** The gate on a run where every control of the layout is concerned and nothing is owed from before. */
export const gateOn = (
  run: RunState,
  proof: Proof,
  drive: DriveResult | null = null,
  more: Partial<GateInput> = {},
): GateAnswer =>
  releaseGate({
    run,
    proof,
    drive,
    controls: run.plan.layout.masters,
    mayStayShut: new Set(),
    openItems: [],
    paper: { photosOf: [], torques: [], letGo: [] },
    ...more,
  });

/** What an event may name, by id and kind; every kind may be taken back. */
export const knownEvents = (kinds: Readonly<Record<string, JobEvent['kind']>>) => ({
  find: (id: string) => (kinds[id] ? { kind: kinds[id] } : undefined),
  mediaNotes: 0,
  undoOf: () => 'takes it back' as const,
});
