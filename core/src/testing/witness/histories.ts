import type { JobEvent, Logged, Product, VehicleEvent } from '../../job/events';
import { addToJob, jobEventFault, NEW_JOB, type JobState } from '../../job/log';
import { plansOf } from '../../job/run';
import { planBleed, type Plan } from '../../bleed/plan';
import type { WorkDone } from '../../bleed/scope';
import { usualSaying } from '../../bleed/stages';
import type { Method } from '../../hydraulics/flow';
import type { Layout } from '../../vehicle/circuit';
import {
  doneAfterClose,
  gateOf,
  holds,
  jobSays,
  layoutFault,
  openItems,
  vehicleDrive,
  workTakenOver,
  type JobSays,
  type OpenItem,
  type VehicleFacts,
} from '../../owed/openItems';
import { DECISIONS } from '../../job/events';
import { afterWork, cappedPart, carefulMaster, EVERYTHING, requestOf } from '..';
import { CAR, FERRY_VAN, flush, MOTORCYCLE, proof, run, used } from '../yard';
import { objections, objectionsToDrive, type Case, type Seen } from './witness';

/** What is drawn: a number from 0 up to 1, the same each time for a seed. */
export type Draw = () => number;

/** Loose: what the generator says is checked by what it does to the product. */
type Said = { readonly kind: string } & Readonly<Record<string, unknown>>;

interface Job {
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

/** What a history came to. */
export interface Told {
  readonly asked: number;
  readonly released: number;
  readonly kinds: ReadonlyMap<string, number>;
  /** Where the product says that it may be driven and the witness objects; null where they agree. */
  readonly differ: string | null;
}

const plans = new Map<string, Plan | null>();
/** Plans are dear and few: the same work on the same vehicle has the same one; null where it is refused. */
function planFor(layout: Layout, work: WorkDone, method: Method | null): Plan | null {
  const key = JSON.stringify([layout, work, method]);
  const known = plans.get(key);
  if (known !== undefined) return known;
  const result = planBleed(requestOf(layout, { work, means: EVERYTHING, method }));
  const made = result.verdict === 'planned' ? result.plan : null;
  plans.set(key, made);
  return made;
}

/** A vehicle and what is said of it, placed as the server places it and asked as the server asks. */
class World {
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

  /** What each job says, each with what the ones before it left. */
  facts(): VehicleFacts {
    const jobs: JobSays[] = [];
    for (const job of this.jobs) {
      const before = openItems({ layout: this.layout, jobs, log: this.own });
      const says = jobSays(job.state, this.about(job), before);
      const afterClose = doneAfterClose(job.additions, job.state, this.about(job));
      jobs.push({
        ...says,
        afterClose,
        ...(this.movedAway.has(job.number) ? { moved: true as const } : {}),
      });
    }
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

const PRODUCTS: readonly (Product | null)[] = [
  { grade: 'DOT 5', batch: 'S', remedy: 'strip, new seals, dry system' },
  { grade: 'mineral oil', batch: 'O', remedy: 'strip, all rubber renewed' },
  { grade: 'DOT 3', batch: 'L', remedy: 'flush with the grade asked for' },
  { grade: 'DOT 4', batch: 'F', remedy: 'nothing' },
  null,
];

/** Something that may be said at any moment of a job: mostly harm, some of it none. */
function anything(world: World, job: Job): Said {
  const { pick, draw } = world;
  const { layout } = world;
  const plan = job.state.run?.plan;
  const openingId = plan && plan.openings.length > 0 ? pick(plan.openings).id : 'nowhere';
  const bleederId = pick(layout.bleeders).id;
  const place = pick([bleederId, pick(layout.nodes).id, pick(layout.stretches).id, null]);
  const masterId = pick(layout.masters).id;
  const brakes = pick(layout.masters.filter((m) => m.system === 'brakes')).id;
  const reservoirId = pick(layout.reservoirs).id;
  const stageId = plan && plan.stages.length > 0 ? pick(plan.stages).id : 's';
  const said = (kind: string): string[] =>
    world.order.filter((s) => s.job === job.number && s.event.kind === kind).map((s) => s.event.id);
  // What follows from something that was said before is rare, and so drawn more often.
  const follows: readonly Said[] = [
    ...said('came off').map((eventId) => ({ kind: 'back on', eventId, openItemId: null })),
    ...said('clock started').map((eventId) => ({ kind: 'clock ended', eventId })),
    ...said('halted').map((haltId) => ({ kind: 'decided', haltId, decision: pick(DECISIONS) })),
  ];
  if (follows.length > 0 && draw() < 0.25) return pick(follows);
  const may: readonly Said[] = [
    {
      kind: 'pedal judged',
      masterId,
      result: pick(['sinks', 'springy', 'no pressure', 'firm and high']),
    },
    {
      kind: 'checked',
      item: pick(['joints dry', 'level', 'wheels', 'lamps out', 'reservoir cap']),
      passes: draw() < 0.3,
    },
    { kind: 'checked', item: 'wheels held and free', masterId: brakes, passes: draw() < 0.3 },
    { kind: 'sink watched', masterId, when: 'after', mm: pick([0, 1, 30, 60]), seconds: 30 },
    { kind: 'pedal read', masterId, when: 'after', at: 'rest', pumped: false, heightMm: 180 },
    { kind: 'bubbles', openingId, reading: pick(['none', 'fine', 'some', 'many']) },
    { kind: 'colour', openingId, colour: pick(['straw', 'amber', 'brown']) },
    { kind: 'round broken', openingId, how: pick(['let go while open', 'hose end out']) },
    { kind: 'stroke', openingId },
    { kind: 'opened again', openingId },
    { kind: 'bleeder opened', openingId, turns: 0.5 },
    { kind: 'shut', openingId, tightened: 'by feel' },
    { kind: 'shut early', openingId, reason: 'bay needed' },
    { kind: 'pressure set', on: draw() < 0.6 },
    { kind: 'level seen', openingId, levelMl: pick([0, 40]), fluidComes: true },
    { kind: 'topped up', reservoirId, containerId: 'c', product: pick(PRODUCTS) },
    { kind: 'drawn off', reservoirId },
    { kind: 'prepared', step: 'protect' },
    {
      kind: 'halted',
      reason: pick([
        'leak',
        'ran dry',
        'grease',
        'other product',
        'seized',
        'snapped',
        'air never ends',
        'pedal not right',
      ]),
      openingId: pick([openingId, null]),
    },
    {
      kind: 'mended',
      haltId: null,
      openItemId: pick(
        world
          .facts()
          .jobs.flatMap((j) => j.open)
          .map((m) => m.id)
          .concat('none'),
      ),
      where: 'there',
      how: 'so',
    },
    {
      kind: 'came off',
      what: pick([
        'Wheel',
        'Cover, trim or mat',
        'Line or hose',
        'Caliper or slave, hose off',
        'Caliper or slave, hose joined',
        'Plug or connector',
        'Another thing',
        'Pads, shoes or disc',
      ]),
      elementId: place,
    },
    ...stageSayings(job, draw),
    ...layout.masters
      .filter((m) => m.system === 'clutch')
      .flatMap(({ id }) => [
        { kind: 'take-up judged', masterId: id, takeUp: pick(['near the start', 'near the end']) },
        {
          kind: 'take-up read',
          masterId: id,
          restMm: 180,
          takeUpMm: 90,
          pumpedMm: null,
          playMm: null,
        },
        { kind: 'clutch needs', masterId: id, slaveTravelMm: 12, window: null, pitchMm: null },
      ]),
    {
      kind: 'size found',
      elementId: pick(layout.masters).chambers[0]!.id,
      size: 'boreMm',
      value: 22,
    },
    { kind: 'taken off', elementId: pick(layout.nodes).id },
    {
      kind: 'joint tightened',
      elementId: bleederId,
      manualNm: 10,
      appliedNm: pick([5, 8.9, 10, 11, 12.5, 20]),
    },
    {
      kind: 'look later',
      elementId: bleederId,
      why: 'worn, used again',
      what: 'hose',
      byDate: null,
      byKm: null,
    },
    { kind: 'note', text: 'Dusty' },
    { kind: 'media note', medium: 'photo', elementId: null },
    { kind: 'clock started', clock: 'penetrant', minutes: 15, elementId: null },
    { kind: 'counting', way: 'tap' },
    { kind: 'jar set', jarMl: 3 },
    { kind: 'jar read', openingId, jarMl: 40 },
    { kind: 'tried', openingId, what: 'tap it', done: true },
    { kind: 'flow set', openingId, lookAfterS: null },
    { kind: 'syringe readied', openingId },
    { kind: 'syringe empty', openingId },
    { kind: 'strokes judged', eventIds: [], count: true },
    { kind: 'stage skipped', stageId, reason: 'no tool' },
    { kind: 'stage done', stageId },
    { kind: 'part fitted', partId: pick(layout.nodes).id, cappedAtOnce: true, keptFull: true },
    { kind: 'undone', eventId: pick(ofJob(world, job)) },
    { kind: 'undone', eventId: pick(ofJob(world, job).slice(-1)) },
  ];
  return pick(may);
}

/** What may be said in the stages of a job's plan that open no bleeder: what is called for, and what goes wrong there. */
function stageSayings({ state }: Job, draw: Draw): Said[] {
  const { run } = state;
  if (!run) return [];
  return run.plan.stages.flatMap((stage): Said[] => {
    if (stage.kind === 'bleed') return [];
    const usual = usualSaying(run.plan, stage, run.stages[stage.id]) as unknown as Said;
    if (stage.kind === 'water test')
      return [{ ...usual, seen: draw() < 0.5 ? 'drops or a film' : 'mixes' }];
    if (stage.kind === 'bench') {
      const master = run.plan.layout.masters.find((m) => m.id === stage.masterId)!;
      return [
        usual,
        ...master.chambers.map((c) => ({
          kind: 'tube end out',
          stageId: stage.id,
          chamber: c.id,
        })),
      ];
    }
    if (stage.kind === 'injection')
      return [
        usual,
        { kind: 'pumped up', stageId: stage.id },
        { kind: 'pumped up', stageId: stage.id },
      ];
    return [usual];
  });
}

const ofJob = (world: World, job: Job): string[] =>
  world.order
    .filter((s) => s.job === job.number && s.event.kind !== 'work said')
    .filter((s) => !DESK.includes(s.event.kind))
    .map((s) => s.event.id)
    .concat('none');

const DESK = [
  'work said',
  'plan accepted',
  'fluid used',
  'drive set',
  'drive ended',
  'released',
  'ended',
];

/** Something that is said of the vehicle outside any job. */
function outside(world: World): void {
  const { pick } = world;
  const marks = world.own.filter((e) => e.kind === 'marked').map((e) => e.id);
  const date = pick(['1999-01-01', '2026-03-09', '2026-03-10', '2026-03-11']);
  const paper = { workshop: 'Harbour garage', paper: 'H 12', date };
  // A paper where one would settle something, and a mark that somebody would take back, come more often.
  const owes = openItems(world.facts()).map((m) => m.kind);
  if (owes.includes('wrong fluid') && world.chance(0.4))
    return void world.say({ kind: 'stripped elsewhere', ...paper });
  if (marks.length > 0 && world.chance(0.4))
    return void world.say({ kind: 'undone', eventId: pick(marks) });
  const said: readonly Said[] = [
    { kind: 'marked', reason: 'Towed in' },
    { kind: 'cycle elsewhere', ...paper, bledAfter: world.chance(0.5) },
    { kind: 'stripped elsewhere', ...paper },
    { kind: 'undone', eventId: pick([...marks, 'none']) },
    { kind: 'looked at', openItemId: pick([...marks, 'none']), saw: 'All dry' },
  ];
  world.say(pick(said));
}

/** Ids of two bleeders change places, where the product allows it. */
function editLayout(world: World): void {
  const ids = world.layout.bleeders.map((b) => b.id);
  const [one, two] = [world.pick(ids), world.pick(ids)];
  const text = JSON.stringify(world.layout)
    .replaceAll(`"${one}"`, '"-"')
    .replaceAll(`"${two}"`, `"${one}"`)
    .replaceAll('"-"', `"${two}"`);
  const after = JSON.parse(text) as Layout;
  if (layoutFault(world.layout, after, openItems(world.facts())) === null) world.layout = after;
}

/** What is said besides, at some moment of a history: at once, or from a phone that was away for a while. */
function besides(world: World, job: Job, harm: boolean): void {
  const phone = world.pick([world.a, world.a, world.b]);
  const said = harm ? anything(world, job) : harmless(world);
  const heard = world.chance(0.7) ? world.position : Math.floor(world.draw() * world.position);
  if (phone === world.b && world.chance(0.5)) {
    const send = () => void world.put(job, phone, said, heard);
    world.waiting.push({ at: world.steps + Math.ceil(world.draw() * 250), send });
    return;
  }
  world.put(job, phone, said, phone === world.a ? world.position : heard);
}

const harmless = (world: World): Said =>
  world.pick<Said>([
    { kind: 'note', text: 'Dusty' },
    { kind: 'clock started', clock: 'penetrant', minutes: 15, elementId: null },
    { kind: 'media note', medium: 'photo', elementId: null },
    {
      kind: 'look later',
      elementId: null,
      why: 'worn, used again',
      what: 'hose',
      byDate: null,
      byKm: null,
    },
  ]);

/** A job from its intake to its end, as it goes; with so much besides. */
function work(
  world: World,
  told: WorkDone,
  { harm, often }: { readonly harm: boolean; readonly often: number },
): void {
  const { layout } = world;
  const job = world.take(told);
  const takenOver = workTakenOver(layout, told, {
    before: world.before(job),
    due: false,
    leaveOldFluid: false,
  });
  const noise = () => {
    if (!world.chance(often)) return;
    if (harm && world.chance(0.12)) outside(world);
    else besides(world, job, harm);
  };
  noise();
  world.compare();
  if (harm && world.chance(0.06)) {
    world.desk(job, { kind: 'ended', reason: 'Bay needed', stop: world.chance(0.3) });
    return world.compare();
  }
  const method =
    harm && world.chance(0.25)
      ? world.pick<Method>(['vacuum', 'pressure', 'gravity', 'reverse', 'injection'])
      : null;
  const plan = planFor(layout, takenOver, method);
  if (plan === null) {
    world.desk(job, { kind: 'ended', reason: 'No plan', stop: false });
    return world.compare();
  }
  world.desk(job, { kind: 'plan accepted', plan, pick: null });
  for (const step of run(plan)) {
    world.tick();
    noise();
    if (harm && world.chance(0.002)) continue;
    world.put(job, world.a, bare(step), world.position);
    if (harm && world.chance(0.0008)) {
      world.desk(job, { kind: 'ended', reason: 'Bay needed', stop: false });
      return world.compare();
    }
  }
  for (let turn = 0; turn < 2; turn++) {
    if (prove(world, job, plan, noise)) break;
  }
  if (!job.closed) world.desk(job, { kind: 'ended', reason: 'Bay needed', stop: false });
  world.compare();
}

/** The proof, the drive and the release, as far as the gate lets them. */
function prove(world: World, job: Job, plan: Plan, noise: () => void): boolean {
  world.desk(job, used as unknown as Said);
  const masterIds = world.layout.masters.map((m) => m.id);
  for (const answer of proof(plan, masterIds)) {
    world.tick();
    noise();
    world.put(job, world.a, bare(answer), world.position);
  }
  if (!world.ask(job, 'test drive')) return false;
  world.compare();
  noise();
  world.compare();
  // Bad once at the most: what was found is put right before it is driven again.
  const again = job.state.drives.some((d) => d.result?.result === 'bad');
  world.desk(job, { kind: 'drive ended', result: again || world.chance(0.97) ? 'good' : 'bad' });
  noise();
  const free = world.ask(job, 'release');
  world.compare();
  return free;
}

/** What happened, without what core gave it when it followed the calls. */
const bare = (e: JobEvent): Said => {
  const { id: _, deviceId: __, deviceSeq: ___, atMs: ____, ...said } = e;
  return said as unknown as Said;
};

/** What is said of the work when a vehicle is taken in. */
function someWork(world: World): WorkDone {
  const { layout } = world;
  const routine = flush(layout);
  const part = world.pick(layout.bleeders).at;
  const master = world.pick(layout.masters).id;
  return world.pick<WorkDone>([
    routine,
    routine,
    routine,
    { ...routine, purpose: 'soft pedal' },
    { ...routine, purpose: 'after work', also: ['soft'] },
    { ...routine, found: [{ what: 'wet joint', where: 'somewhere' }] },
    { ...routine, purpose: 'new or dry' },
    afterWork(layout, { parts: [{ ...cappedPart(part), newPart: true }] }),
    afterWork(layout, { parts: [{ ...cappedPart(part), notYet: true }] }),
    afterWork(layout, { master: { ...carefulMaster(master), bench: 'not done', notYet: true } }),
  ]);
}

/** Two of them as often as one: what is tried most is brakes. */
const VEHICLES = [CAR, MOTORCYCLE, CAR, MOTORCYCLE, FERRY_VAN];

/** One history of a vehicle: two or three jobs, and what is said after them. */
export function history(draw: Draw, harm: boolean): Told {
  const world = new World(VEHICLES[Math.floor(draw() * VEHICLES.length)]!, draw);
  const often = harm ? world.pick([0, 0.002, 0.01, 0.03]) : 0.02;
  const jobs = harm ? world.pick([1, 2, 2, 3]) : 1;
  for (let n = 0; n < jobs; n++) {
    work(world, harm ? someWork(world) : flush(world.layout), { harm, often });
    if (!harm) continue;
    // Begun on the wrong vehicle: moved before anything was done in it.
    if (world.chance(0.05)) {
      const wrong = world.take(someWork(world));
      wrong.closed = true;
      world.movedAway.add(wrong.number);
      world.compare();
    }
    const last = world.jobs[0]!;
    for (let k = 0; world.chance(0.6) && k < 4; k++) {
      if (world.chance(0.3)) outside(world);
      else besides(world, world.pick([last, world.jobs.at(-1)!]), true);
      world.compare();
    }
    if (world.chance(0.1)) editLayout(world);
    for (let k = 0; k < 100; k++) world.tick();
    world.compare();
  }
  for (let k = 0; k < 300; k++) world.tick();
  world.compare();
  const { asked, released, kinds, differ } = world;
  return { asked, released, kinds, differ };
}
