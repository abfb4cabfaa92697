import type { Layout } from '../../vehicle/circuit';
import { followProof, foldJob, type JobState } from '../../job/log';
import { type JobEvent, type VehicleEvent, type Logged } from '../../job/events';
import type { Plan } from '../../bleed/plan';
import { followCalls } from '../../job/run';
import { routineFlush, type WorkDone } from '../../bleed/scope';
import {
  afterWork,
  countingIds,
  EVERYTHING,
  loggedEvent,
  layoutOf,
  logFrom,
  placed,
  planned,
  type LooseEvent,
} from '..';
import {
  gateOf,
  jobSays,
  openItems,
  vehicleDrive,
  workTakenOver,
  type JobSays,
  type OpenItem,
} from '../../owed/openItems';

export { badNews } from './badNews';

export const CAR = layoutOf('hatchback-diagonal');
export const FERRY_VAN = layoutOf('clutch-concentric');
export const MOTORCYCLE = layoutOf('motorcycle-abs');
export const SIDECAR = layoutOf('sidecar-outfit');
export const VETERAN = layoutOf('veteran-single');

/** A vehicle as the server keeps it: each job takes over what the ones before left. */
export class Yard {
  readonly says: JobSays[] = [];
  readonly log: Logged<VehicleEvent>[] = [];
  /** The last place of this vehicle's order. */
  position = 0;

  constructor(readonly layout: Layout) {}

  get all(): OpenItem[] {
    return openItems({ layout: this.layout, jobs: this.says, log: this.log });
  }
  /** But for what is by feel, which every job here leaves: that has tests of its own. */
  get before(): OpenItem[] {
    return this.all.filter((m) => m.kind !== 'by feel');
  }
  about(number: number) {
    return {
      jobId: `job-${number}`,
      jobNumber: number,
      openedAtMs: number * 1_000_000,
      layout: this.layout,
    };
  }
  /** The next job, as somebody goes about it. */
  take(work: WorkDone, events: (plan: Plan) => readonly LooseEvent[]): JobState {
    const takenOver = workTakenOver(this.layout, work, {
      before: this.all,
      due: false,
      leaveOldFluid: false,
    });
    const plan = planned(this.layout, { work: takenOver, means: EVERYTHING });
    const log = [
      loggedEvent({ id: 'said', kind: 'work said', work, atMs: this.nextMs }),
      ...logFrom(plan, events(plan)),
    ];
    return this.put(foldJob(log));
  }
  put(given: JobState): JobState {
    const number = this.says.length + 1;
    const job = foldJob(this.place(given.log));
    this.says.push(jobSays(job, this.about(number), this.all));
    return job;
  }
  /** Put events at the end of this vehicle's order. */
  place<E extends Logged<JobEvent | VehicleEvent>>(log: readonly E[]): E[] {
    const behind = this.position;
    this.position += log.length;
    return placed(log, behind);
  }
  get nextMs(): number {
    return (this.says.length + 1) * 1_000_000;
  }
  gate(job: JobState) {
    const others = this.says.slice(0, -1);
    const before = openItems({ layout: this.layout, jobs: others, log: this.log });
    return gateOf(job, this.about(this.says.length), before)!;
  }
  say(event: { readonly kind: 'marked'; readonly reason: string } | object, atMs: number): void {
    const said = {
      id: `v${this.log.length}`,
      deviceId: 'yard',
      deviceSeq: 1,
      atMs,
      planId: null,
      person: 'Ode',
      ...event,
    } as Logged<VehicleEvent>;
    this.log.push(...this.place([said]));
  }
  private get finding() {
    return vehicleDrive({ layout: this.layout, jobs: this.says, log: this.log });
  }
  get drive() {
    return this.finding.state;
  }
  /** What a vehicle's page says of why it must not be driven. */
  get reason() {
    return this.finding.reason;
  }
  kinds(): string[] {
    return this.before.map((m) => `${m.kind} ${m.where ?? ''}`.trim());
  }
}

export const run = (plan: Plan): JobEvent[] =>
  followCalls(plan, { deviceId: 'phone', nextId: countingIds(), startMs: 5_000_000 });
export const proof = (plan: Plan, masterIds: readonly string[], startMs = 9_000_000): JobEvent[] =>
  followProof(plan, { deviceId: 'phone', nextId: countingIds('p'), startMs, masterIds });
export const used: LooseEvent = {
  kind: 'fluid used',
  used: { containers: [], bledMl: 1, bledBy: 'strokes', removedMl: 0, spilledMl: 0, caught: true },
};
export const DRIVEN: LooseEvent[] = [
  { kind: 'drive set' },
  { kind: 'drive ended', result: 'good' },
];
export const ended: LooseEvent = { kind: 'ended', reason: 'Bay needed', stop: false };
/** Everything right to the release, every control of the layout proved. */
export const released =
  (layout: Layout) =>
  (plan: Plan): LooseEvent[] =>
    [
      ...run(plan),
      used,
      ...proof(
        plan,
        layout.masters.map((m) => m.id),
      ),
      ...DRIVEN,
      { kind: 'released' },
    ] as LooseEvent[];
export const openingAt = (plan: Plan, bleederId: string) =>
  plan.openings.find((s) => s.bleeder.id === bleederId)!.id;
/** Up to the first stroke at a bleeder and some strokes on. */
export const until = (plan: Plan, bleederId: string, strokes: number): JobEvent[] => {
  const all = run(plan);
  const first = all.findIndex(
    (e) => e.kind === 'stroke' && e.openingId === openingAt(plan, bleederId),
  );
  return all.slice(0, first + strokes);
};
export const halt = (reason: string, openingId: string | null, decision: string): LooseEvent[] =>
  [
    { id: 'h', kind: 'halted', reason, openingId, atMs: 6_000_000 },
    { id: 'd', kind: 'decided', haltId: 'h', decision, atMs: 6_000_001 },
  ] as LooseEvent[];
/** Two strokes at a bleeder, a halt there, and the job is ended. */
export const endedAt =
  (bleederId: string, reason: string, decision = 'end job') =>
  (plan: Plan): LooseEvent[] => [
    ...(until(plan, bleederId, 2) as LooseEvent[]),
    ...halt(reason, openingAt(plan, bleederId), decision),
    ended,
  ];
export const flush = (layout: Layout, ...ids: string[]) =>
  routineFlush(ids.length > 0 ? ids : layout.masters.map((m) => m.id));
export const onePart = (layout: Layout, partId: string, masterIds: readonly string[]) =>
  afterWork(layout, {
    masterIds: [...masterIds],
    parts: [{ partId, cappedAtOnce: true, keptFull: true, newPart: false }],
  });

/** Fluid that was read as brown: to be replaced now. */
export const brown = (): Logged<JobEvent> =>
  loggedEvent({
    kind: 'fluid read',
    read: { verdict: { verdict: 'fill', condition: { verdict: 'replace now' } } },
  } as unknown as LooseEvent);
