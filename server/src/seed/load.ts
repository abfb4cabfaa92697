import { seed as seedSchema, type FluidUsed, type Seed } from '@brook/contract';
import { normals, ruled } from '@brook/core/control/air';
import { controlProof } from '@brook/core/job/items';
import { followProof, measuringOf } from '@brook/core/job/log';
import { type JobEvent, type PhoneHappening, type RunEvent } from '@brook/core/job/events';
import { controlsConcerned } from '@brook/core/owed/openItems';
import {
  curveOf,
  heldAs,
  isSamePlace,
  isSinking,
  measuresFor,
  SINK_S,
} from '@brook/core/control/pedal';
import type { Plan } from '@brook/core/bleed/plan';
import { DEFAULT_RULES, type HouseRules } from '@brook/core/bleed/rules';
import { currentOpening, followCalls, foldRun } from '@brook/core/job/run';
import { sharePoured } from '@brook/core/fluid/shelf';
import { v4 as uuid } from 'uuid';
import type { z } from 'zod';
import { Container, Job, Vehicle, Workshop } from '../db/models';
import { choosePlan } from '../journal/job/choices';
import { endJob } from '../journal/job/end';
import { putFluidUsed } from '../journal/job/fluidUsed';
import { readFluid } from '../journal/job/readFluid';
import {
  acceptPlan,
  endTestDrive,
  getJob,
  letGo,
  openJob,
  releaseJob,
  setTestDrive,
} from '../journal/job/service';
import { usualChoices } from '../journal/job/usualChoices';
import { heardOf } from '../journal/live/phones';
import { takeBatch } from '../journal/batch/batch';
import { openItemsBefore } from '../journal/log/vehicleFacts';
import { jobStateOf } from '../journal/log/stored';
import { hashPassword } from '../session/password';
import { actorFor, type Actor } from '../session/actor';
import { addPerson } from '../session/people';
import { addContainers, discardContainer, getShelf } from '../shelf/service';
import { addVehicle } from '../vehicle/service';
import { handOverDrum } from '../shelf/waste/service';

type SeedWorkshop = z.output<typeof seedSchema>['workshops'][number];
type SeedJob = SeedWorkshop['jobs'][number];

const DAY_MS = 86_400_000;
/** A practised hand with a good ruler, standard deviation of one reading, mm. */
const RULER_MM = 0.6;

/** Whether anything was ever put into this database. */
export async function isEmpty(): Promise<boolean> {
  return (await Workshop.count()) === 0;
}

/**
 * Load workshops into an empty database, through the same services that the
 * API uses, so that whatever the demo shows could have been done by hand.
 *
 * @param now the moment of loading; every date of the seed is relative to it
 */
export async function loadSeed(given: Seed, now: Date): Promise<void> {
  for (const workshop of seedSchema.parse(given).workshops) await loadWorkshop(workshop, now);
}

async function loadWorkshop(given: SeedWorkshop, now: Date): Promise<void> {
  const workshopId = uuid();
  await Workshop.create({
    id: workshopId,
    name: given.name,
    timeZone: given.timeZone,
    houseRules: given.houseRules ? ({ ...DEFAULT_RULES, ...given.houseRules } as HouseRules) : null,
  });
  const actors = new Map<string, Actor>();
  for (const u of given.users) {
    const { login, name, role } = u;
    const passwordHash = await hashPassword(u.password);
    const comes = { workshopId, login, name, role, passwordHash, invitationId: null };
    const user = await addPerson(comes, now);
    actors.set(u.login, actorFor(user));
  }
  const vehicles = new Map<string, Vehicle>();
  for (const { makerEntry, ...v } of given.vehicles) {
    const vehicle = await addVehicle({ workshopId }, v);
    if (makerEntry) await vehicle.update({ makerEntry });
    vehicles.set(v.tag, vehicle);
  }
  const actorNamed = (login: string, about: string): Actor => {
    const actor = actors.get(login);
    if (!actor)
      throw new RangeError(
        `the seed names ${login} and ${about}; both should be in the same workshop`,
      );
    return actor;
  };
  // One thing after the other, as it happened: a job draws on what stood on the shelf that day.
  const happened = [
    ...given.deliveries.map((d) => ({
      daysAgo: d.daysAgo,
      do: (at: Date) => deliver(workshopId, d, at, now),
    })),
    ...given.clearOuts.map((c) => ({
      daysAgo: c.daysAgo,
      do: (at: Date) => clearOut(actorNamed(c.by, 'a clear-out'), at),
    })),
    ...given.handOvers.map(({ by, daysAgo, ...h }) => ({
      daysAgo,
      do: (at: Date) => handOverDrum(actorNamed(by, h.toWhom), h, at),
    })),
    ...given.jobs.map((job) => ({
      daysAgo: job.daysAgo,
      do: (at: Date) => {
        const actor = actorNamed(job.by, job.vehicleTag);
        const vehicle = vehicles.get(job.vehicleTag);
        if (!vehicle)
          throw new RangeError(
            `the seed names ${job.by} and ${job.vehicleTag}; both should be in the same workshop`,
          );
        const lead = job.letGo && actorNamed(job.letGo.by, job.vehicleTag);
        return lead
          ? askedForPhotos(workshopId, () => loadJob(actor, vehicle, job, at, lead))
          : loadJob(actor, vehicle, job, at);
      },
    })),
  ].sort((a, b) => b.daysAgo - a.daysAgo);
  for (const event of happened) await event.do(new Date(now.getTime() - event.daysAgo * DAY_MS));
}

async function deliver(
  workshopId: string,
  { daysAgo: _, openedDaysAgo, ...given }: SeedWorkshop['deliveries'][number],
  at: Date,
  now: Date,
): Promise<void> {
  const rows = await addContainers({ workshopId }, given, at);
  if (openedDaysAgo === undefined) return;
  const openedAt = openedDaysAgo === null ? null : new Date(now.getTime() - openedDaysAgo * DAY_MS);
  await Container.update({ state: 'opened', openedAt }, { where: { id: rows.map((r) => r.id) } });
}

/** Discard what was opened too long ago. */
async function clearOut(actor: Actor, at: Date): Promise<void> {
  for (const c of (await getShelf(actor, { limit: Infinity }, at)).containers) {
    if (c.state === 'opened' && c.admit.verdict === 'refuse')
      await discardContainer(actor, c.id, c.version, true, at);
  }
}

/** While the workshop asked for photos in the proof. */
async function askedForPhotos(workshopId: string, work: () => Promise<void>): Promise<void> {
  const workshop = await Workshop.findByPk(workshopId, { rejectOnEmpty: true });
  const { houseRules } = workshop;
  await workshop.update({
    houseRules: { ...DEFAULT_RULES, ...houseRules, proofPhotos: 'level and joints' },
  });
  await work();
  await workshop.update({ houseRules });
}

/** Take one job as far along the way as the seed says. */
async function loadJob(
  actor: Actor,
  vehicle: Vehicle,
  given: SeedJob,
  openedAt: Date,
  lead?: Actor,
): Promise<void> {
  let minutes = 0;
  const at = () => new Date(openedAt.getTime() + 60_000 * (minutes += 2));
  const id = await openJob(
    actor,
    { vehicleId: vehicle.id, ...(given.purpose ? { purpose: given.purpose } : {}) },
    openedAt,
  );
  const version = async () => (await Job.findByPk(id, { rejectOnEmpty: true })).version;
  const stageIs = async () =>
    (await Job.findByPk(id, { rejectOnEmpty: true })).stage === given.reach;

  if (given.choices) {
    const { work, ...choices } = given.choices;
    await choosePlan(
      actor,
      id,
      await version(),
      { ...usualChoices(vehicle.layout, given.purpose), ...choices, ...(work ? { work } : {}) },
      at(),
    );
  }
  if (given.fluid) await readFluid(actor, id, await version(), given.fluid, at());
  if (given.reach === 'ended' && given.endReason && !given.halt)
    await endJob(actor, id, await version(), given.endReason, at());
  if (await stageIs()) return;
  await acceptPlan(actor, id, await version(), true, at());
  const deviceId = uuid();
  const run = await seededEvents(id, given, deviceId, at().getTime());
  await say(actor, id, run, at());
  minutes += 60;
  if (await stageIs()) return;
  const done = await Job.findByPk(id, { rejectOnEmpty: true });
  const plan = plannedOn(done);
  await putFluidUsed(actor, id, await version(), await usedByStrokes(actor, id, at()), at());
  const before = await openItemsBefore(vehicle, done);
  const concerned = controlsConcerned(await jobStateOf(id), plan.layout, before);
  const answered = {
    deviceId,
    nextId: uuid,
    startMs: at().getTime(),
    lastSeq: run.length,
    masterIds: concerned.map((m) => m.id),
  };
  const proof = followProof(plan, answered);
  await say(actor, id, proof, at());
  let said = run.length + proof.length;
  const later = given.lookAgain.map((e, i) => ({
    id: uuid(),
    deviceId,
    deviceSeq: said + i + 1,
    atMs: answered.startMs + i,
    planId: plan.id,
    ...e,
  }));
  if (later.length > 0) await say(actor, id, later, at());
  said += later.length;
  if (lead && given.letGo)
    for (const of of ['joints dry', 'level'])
      await letGo(
        lead,
        id,
        await version(),
        { code: 'photo asked for', of, why: given.letGo.why },
        at(),
      );
  if (given.airMl !== undefined) {
    const measured = measuredEvents(plan, given.airMl, {
      ...answered,
      lastSeq: said,
      startMs: at().getTime(),
      number: done.number,
    });
    await say(actor, id, measured, at());
  }
  await setTestDrive(actor, id, await version(), at());
  if (await stageIs()) return;
  await endTestDrive(actor, id, await version(), 'good', at());
  await releaseJob(actor, id, await version(), at());
}

/** What a practised hand reads at each pedal that was proved, with so much air behind it by the model, and that it stays. */
function measuredEvents(
  plan: Plan,
  airMl: number,
  by: {
    readonly deviceId: string;
    readonly startMs: number;
    readonly lastSeq: number;
    readonly masterIds: readonly string[];
    /** Of the job. */
    readonly number: number;
  },
): JobEvent[] {
  const happenings = plan.layout.masters
    .filter((m) => by.masterIds.includes(m.id) && heldAs(m.control) === 'pedal')
    .filter((m) => controlProof(m, plan.layout.vehicleKind).result === 'pedal')
    .flatMap((master): MeasuringHappening[] => {
      const { setup, forces } = measuringOf(plan, master);
      const said = { masterId: master.id, when: 'after' } as const;
      const wanted = measuresFor('pedal', forces, { more: true });
      // The ruler errs by chance, each job by its own, the same at every loading.
      const readings = ruled(curveOf(setup), airMl, normals(by.number), {
        forces,
        rulerMm: RULER_MM,
      });
      return [
        ...readings
          .filter((r) =>
            wanted.some((m) => !isSinking(m.at) && isSamePlace(r, { at: m.at, pumped: m.pumped })),
          )
          .map((r) => ({
            ...said,
            kind: 'pedal read' as const,
            ...r,
            heightMm: Math.round(r.heightMm),
          })),
        { ...said, kind: 'sink watched', mm: 0, seconds: SINK_S },
      ];
    });
  return happenings.map((happened, i) => ({
    id: uuid(),
    deviceId: by.deviceId,
    deviceSeq: by.lastSeq + i + 1,
    atMs: by.startMs + i * 1_000,
    planId: plan.id,
    ...happened,
  }));
}

type MeasuringHappening = Extract<PhoneHappening, { readonly kind: 'pedal read' | 'sink watched' }>;

function plannedOn(job: Job): Plan {
  if (job.planResult?.verdict !== 'planned')
    throw new RangeError(`the seed lets job ${job.number} run, but there is no plan for it`);
  return job.planResult.plan;
}

/** Put events into a job's log as a phone would. @throws RangeError where one is refused */
async function say(actor: Actor, id: string, events: readonly JobEvent[], at: Date): Promise<void> {
  const batch = { events, lowestWaiting: events.length + 1, since: 0 };
  const { answers } = await takeBatch(actor, id, batch, at);
  const refused = answers.find((a) => a.result === 'refused');
  if (refused) throw new RangeError(`the seed says what is refused: ${refused.sentence}`);
  // The phone of the seed was put away when everything had arrived.
  for (const deviceId of new Set(events.map((e) => e.deviceId)))
    await heardOf(actor, id, { deviceId, at, holds: 0 });
}

/** What the run moved by its count, out of the containers that were picked for it. */
async function usedByStrokes(actor: Actor, id: string, at: Date): Promise<FluidUsed> {
  const { pick } = await getJob(actor, id, at);
  const { pouredMl, bledMl, removedMl } = (await jobStateOf(id)).run!;
  const containers = sharePoured(pouredMl, pick?.kind === 'enough' ? pick.containers : []).filter(
    (c) => c.pouredMl > 0,
  );
  return {
    containers: containers.map((c) => ({ ...c, discardedMl: 0, countedLeftMl: null })),
    bledMl,
    bledBy: 'strokes',
    removedMl,
    spilledMl: 0,
    caught: true,
    gap: null,
  };
}

async function seededEvents(
  id: string,
  given: SeedJob,
  deviceId: string,
  startMs: number,
): Promise<RunEvent[]> {
  const plan = plannedOn(await Job.findByPk(id, { rejectOnEmpty: true }));
  const events = followCalls(plan, {
    deviceId,
    nextId: uuid,
    startMs,
    strokes: given.strokes,
    until: given.before,
  });
  if (!given.halt) return events;
  const base = (offset: number) => ({
    id: uuid(),
    deviceId,
    deviceSeq: events.length + offset,
    atMs: startMs + (events.length + offset) * 6_000,
    planId: plan.id,
  });
  const state = foldRun(
    plan,
    events.map((e) => ({ ...e, person: '' })),
  );
  const openingId = currentOpening(state)?.id ?? null;
  const halted: RunEvent = { ...base(1), kind: 'halted', reason: given.halt, openingId };
  if (given.reach !== 'ended') return [...events, halted];
  return [
    ...events,
    halted,
    { ...base(2), kind: 'decided', haltId: halted.id, decision: 'end job' },
  ];
}
