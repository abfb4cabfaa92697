import type { JobEvent, Logged, VehicleEvent } from '../../job/events';
import { addToJob, jobEventFault, NEW_JOB, type JobState } from '../../job/log';
import { plansOf } from '../../job/run';
import type { WorkDone } from '../../bleed/scope';
import type { Layout } from '../../vehicle/circuit';
import {
  gateOf,
  holds,
  openItems,
  saysByLogs,
  vehicleDrive,
  type JobSays,
  type OpenItem,
  type VehicleFacts,
} from '../../owed/openItems';
import { objections, objectionsToDrive, type Case, type Seen } from './witness';

/** What is drawn: a number from 0 up to 1, the same each time for a seed. */
export type Draw = () => number;

/** Loose: what the generator says is checked by what it does to the product. */
export type Said = { readonly kind: string } & Readonly<Record<string, unknown>>;

export interface Job {
  readonly number: number;
  readonly work: WorkDone;
  state: JobState;
  additions: Logged<JobEvent>[];
  closed: boolean;
}

interface Phone {
  readonly id: string;
  seq: number;
}

/** A vehicle and what is said of it, placed as the server places it and asked as the server asks. */
export class World {
  readonly order: Seen[] = [];
  readonly own: Logged<VehicleEvent>[] = [];
  readonly jobs: Job[] = [];
  readonly kinds = new Map<string, number>();
  readonly movedAway = new Set<number>();
  readonly waiting: { readonly at: number; readonly send: () => void }[] = [];
  position = 0;
  steps = 0;
  asked = 0;
  released = 0;
  differ: string | null = null;
  readonly a: Phone = { id: 'a', seq: 0 };
  readonly b: Phone = { id: 'b', seq: 0 };
  private readonly known: { readonly of: readonly unknown[]; readonly says: JobSays }[] = [];

  constructor(
    public layout: Layout,
    readonly draw: Draw,
  ) {}

  pick = <T>(of: readonly T[]): T => of[Math.floor(this.draw() * of.length)]!;
  chance = (share: number): boolean => this.draw() < share;

  take(work: WorkDone): Job {
    const job: Job = {
      number: this.jobs.length + 1,
      work,
      state: NEW_JOB,
      additions: [],
      closed: false,
    };
    this.jobs.push(job);
    this.desk(job, { kind: 'work said', work });
    return job;
  }

  desk(job: Job, said: Said): void {
    this.put(job, { id: 'desk', seq: -1 }, said, this.position);
  }

  /** What a phone says, as it reaches the server now. */
  put(job: Job, phone: Phone, said: Said, heard: number): string {
    const id = (said['id'] as string | undefined) ?? `${job.number}-${this.position + 1}`;
    const event = {
      // Clocks are wrong by hours, and decide nothing.
      atMs: Math.round(this.steps * 1000 + (this.draw() - 0.5) * 7e7),
      planId: job.state.run?.plan.id ?? null,
      person: phone.id,
      ...said,
      id,
      deviceId: phone.id,
      deviceSeq: (phone.seq += 1),
      heard,
      order: { position: this.position + 1, receivedMs: DAY_MS + (this.position + 1) * 60_000 },
    } as unknown as Logged<JobEvent>;
    // As the server refuses what names what was never there.
    const { atMs } = event;
    if (phone.id !== 'desk')
      if (jobEventFault(job.state, event, { openedAtMs: atMs, nowMs: atMs }) !== null) return id;
    this.place();
    if (job.closed) job.additions.push(event);
    else {
      job.state = addToJob(job.state, event);
      if (event.kind === 'released' || event.kind === 'ended') job.closed = true;
    }
    this.seen(job.number, event);
    return id;
  }

  say(said: Said): string {
    const id = `v-${this.position + 1}`;
    const event = {
      id,
      deviceId: this.pick(['a', 'b']),
      deviceSeq: 1,
      atMs: Math.round((this.draw() - 0.5) * 7e7),
      planId: null,
      person: 'Ode',
      order: this.place(),
      ...said,
    } as unknown as Logged<VehicleEvent>;
    this.own.push(event);
    this.seen(null, event);
    return id;
  }

  private place() {
    this.position += 1;
    return { position: this.position, receivedMs: DAY_MS + this.position * 60_000 };
  }

  private seen(job: number | null, event: Logged<JobEvent | VehicleEvent>): void {
    const { position, receivedMs } = event.order!;
    // Twelve hours behind Greenwich a day ends last.
    const receivedDay = receivedMs < NOON_MS ? '2026-03-09' : '2026-03-10';
    this.order.push({ position, receivedDay, job, event });
    this.kinds.set(event.kind, (this.kinds.get(event.kind) ?? 0) + 1);
  }

  /** Time goes on: what was under way on a phone without reception may arrive. */
  tick(): void {
    this.steps += 1;
    for (const w of this.waiting.splice(0).sort((x, y) => x.at - y.at))
      if (w.at <= this.steps) w.send();
      else this.waiting.push(w);
  }

  about = (job: Job) => ({
    jobId: `job-${job.number}`,
    jobNumber: job.number,
    openedAtMs: 0,
    layout: this.layout,
  });

  /** What each job says, each with what the ones before it left; as remembered while nothing of it has changed. */
  facts(): VehicleFacts {
    const jobs: JobSays[] = [];
    this.jobs.forEach((job, i) => {
      const moved = this.movedAway.has(job.number);
      const of = [this.layout, this.own.length, job.state, job.additions.length, moved, ...jobs];
      const known = this.known[i];
      if (known?.of.every((x, n) => x === of[n])) return jobs.push(known.says);
      const before = openItems({ layout: this.layout, jobs, log: this.own });
      const says = saysByLogs({ ...job, moved }, this.about(job), before);
      this.known[i] = { of, says };
      return jobs.push(says);
    });
    return { layout: this.layout, jobs, log: this.own };
  }

  before(job: Job): OpenItem[] {
    const { layout, jobs, log } = this.facts();
    return openItems({ layout, jobs: jobs.slice(0, job.number - 1), log });
  }

  /** As the server lets a job go on its drive, or free: by the gate, and with nothing that holds after it. */
  ask(job: Job, wanted: 'test drive' | 'release'): boolean {
    this.asked += 1;
    const answer = gateOf(job.state, this.about(job), this.before(job));
    if (answer?.verdict !== wanted) return false;
    if (wanted === 'test drive') {
      this.desk(job, { kind: 'drive set' });
      return true;
    }
    const { layout, jobs, log } = this.facts();
    const freed = jobs.map((j, i) => (i === job.number - 1 ? { ...j, released: true } : j));
    // What its proof settles is settled by the release; what holds besides refuses it, as the database does.
    const left = openItems({ layout, jobs: freed, log }).filter(
      (m) => holds(m) && m.jobId !== `job-${job.number}`,
    );
    if (left.length > 0) return false;
    this.desk(job, { kind: 'released' });
    this.released += 1;
    return true;
  }

  /** Whether product and witness agree on the vehicle as it stands. */
  compare(): void {
    if (this.differ) return;
    const facts = this.facts();
    const { state } = vehicleDrive(facts);
    if (state === 'do not drive') return;
    const given: Case = {
      layout: this.layout,
      order: this.order,
      plans: new Map(
        this.jobs.map((j) => [j.number, j.state.run ? plansOf(j.state.run) : []] as const),
      ),
      movedAway: this.movedAway,
    };
    const against = state === 'free' ? objections(given) : objectionsToDrive(given);
    if (against.length > 0) this.differ = `${state}, but ${against.join('; ')}`;
  }
}

/** Eight in the morning of the tenth of March 2026 at Greenwich, when every history begins; papers may be dated before it. */
const DAY_MS = 1_773_129_600_000;
/** Noon of it at Greenwich; no history is so long that it sees the next. */
const NOON_MS = DAY_MS + 4 * 3_600_000;
