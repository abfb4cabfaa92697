import { DECISIONS_ON, type JobEvent } from '../../job/events';
import { planBleed, type Plan } from '../../bleed/plan';
import type { WorkDone } from '../../bleed/scope';
import type { Method } from '../../hydraulics/flow';
import type { Layout } from '../../vehicle/circuit';
import { layoutFault, openItems, workTakenOver } from '../../owed/openItems';
import { afterWork, cappedPart, carefulMaster, EVERYTHING, requestOf } from '..';
import { CAR, FERRY_VAN, flush, MOTORCYCLE, proof, run, used } from '../yard';
import { anything, harmless, outside } from './sayings';
import { World, type Draw, type Job, type Said } from './world';

/** What a history came to. */
export interface Told {
  readonly asked: number;
  readonly released: number;
  readonly kinds: ReadonlyMap<string, number>;
  /** Where the product says that it may be driven and the witness objects; null where they agree. */
  readonly differ: string | null;
}

/** Plans of one job that are followed, at the most: a run that halts again and again ends some day. */
const MOST_LEGS = 6;

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

/** What is said besides, at some moment of a history, one thing or two by one press: at once, or from a phone that was away for a while. */
function besides(world: World, job: Job, harm: boolean): void {
  const phone = world.pick([world.a, world.a, world.b]);
  const press = `press ${world.position}`;
  const said = harm ? [anything(world, job)] : [harmless(world)];
  if (harm && world.chance(0.2)) said.push(anything(world, job));
  const heard = world.chance(0.7) ? world.position : Math.floor(world.draw() * world.position);
  for (const one of said) {
    const grouped = said.length > 1 && one.kind !== 'undone' ? { ...one, group: press } : one;
    const send = (known: number) => void world.put(job, phone, grouped, known);
    if (phone === world.b && world.chance(0.5))
      world.waiting.push({
        at: world.steps + Math.ceil(world.draw() * 250),
        send: () => send(heard),
      });
    else send(phone === world.a ? world.position : heard);
  }
}

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
  if (harm) atTheDesk(world, job);
  noise();
  world.compare();
  if (harm && world.chance(0.06)) {
    world.desk(job, { kind: 'ended', reason: 'Bay needed', stop: world.chance(0.3) });
    return world.compare();
  }
  const method =
    harm && world.chance(0.25)
      ? world.pick<Method>(['vacuum', 'pressure', 'gravity', 'reverse', 'injection', 'injection'])
      : null;
  const first = planFor(layout, takenOver, method);
  if (first === null) {
    world.desk(job, { kind: 'ended', reason: 'No plan', stop: false });
    return world.compare();
  }
  world.desk(job, { kind: 'plan accepted', plan: first, pick: null });
  let plan: Plan | null = first;
  for (let legs = 0; plan !== null && legs < MOST_LEGS; legs++)
    plan = followed(world, job, plan, { harm, noise });
  if (job.closed) return world.compare();
  for (let turn = 0; turn < 2; turn++) {
    if (prove(world, job, job.state.run!.plan, noise)) break;
  }
  if (!job.closed) world.desk(job, { kind: 'ended', reason: 'Bay needed', stop: false });
  world.compare();
}

/**
 * A plan from its first step to its last, unless the job ends under it.
 *
 * @returns the plan of the rest, where a decision made one that nobody has followed yet
 */
function followed(
  world: World,
  job: Job,
  plan: Plan,
  { harm, noise }: { readonly harm: boolean; readonly noise: () => void },
): Plan | null {
  for (const step of run(plan)) {
    world.tick();
    noise();
    if (harm && world.chance(0.002)) continue;
    world.put(job, world.a, bare(step), world.position);
    if (harm && world.chance(0.0008)) {
      world.desk(job, { kind: 'ended', reason: 'Bay needed', stop: false });
      return null;
    }
    if (world.chance(0.2)) decide(world, job);
    const now = job.state.run!;
    // As the server does: a decision ended the run, and so the job.
    if (now.ended) {
      world.desk(job, { kind: 'ended', reason: now.ended, stop: true });
      return null;
    }
    if (now.plan.id !== plan.id) return now.plan;
  }
  return null;
}

/** What stopped the run is decided on, by what is offered there. */
function decide(world: World, job: Job): void {
  const halt = job.state.run!.halts.find((h) => h.decision === null);
  if (!halt) return;
  const decision = world.pick(DECISIONS_ON[halt.reason]);
  world.put(job, world.a, { kind: 'decided', haltId: halt.eventId, decision }, world.position);
}

/** What is put down when it is taken in: who helps, and the fluid, which may stop the job. */
function atTheDesk(world: World, job: Job): void {
  if (world.chance(0.3)) world.desk(job, { kind: 'taken in', odometerKm: 84_000, helper: null });
  if (!world.chance(0.6)) return;
  const stop = world.chance(0.1);
  const verdict = stop ? 'stop' : 'fill';
  const remedy = stop ? world.pick([null, 'strip, all rubber renewed']) : null;
  const read = { verdict: { verdict, remedy, condition: { verdict: 'serviceable' } } };
  world.desk(job, { kind: 'fluid read', read });
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
  // A lead lets paper go, and nothing else with it.
  if (world.chance(0.2))
    world.desk(job, { kind: 'overridden', code: 'photo asked for', of: 'level', why: 'No camera' });
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
