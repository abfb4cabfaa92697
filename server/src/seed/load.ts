import type { Seed } from '@brook/contract';
import type { RunEvent } from '@brook/core/run';
import { currentStop, followCalls, foldRun } from '@brook/core/run';
import { v4 as uuid } from 'uuid';
import { Job, User, Vehicle, Workshop } from '../db/models';
import { acceptPlan, actorFor, endJob, endTestDrive, enterProof, getJob, openJob, readFluid, releaseJob, setTestDrive } from '../jobs/service';
import { appendEvents } from '../runs/service';
import { hashPassword } from '../session/password';
import type { Actor } from '../session/actor';
import { addVehicle } from '../vehicles/service';
import { PROOF_ITEMS } from '@brook/core/gate';

type SeedWorkshop = Seed['workshops'][number];
type SeedJob = SeedWorkshop['jobs'][number];

const DAY_MS = 86_400_000;

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
export async function loadSeed(seed: Seed, now: Date): Promise<void> {
  for (const workshop of seed.workshops) await loadWorkshop(workshop, now);
}

async function loadWorkshop(given: SeedWorkshop, now: Date): Promise<void> {
  const workshopId = uuid();
  await Workshop.create({ id: workshopId, name: given.name, timeZone: given.timeZone });
  const actors = new Map<string, Actor>();
  for (const u of given.users) {
    const user = await User.create({ id: uuid(), workshopId, login: u.login.toLowerCase(), name: u.name, role: u.role, passwordHash: await hashPassword(u.password) });
    actors.set(u.login, actorFor(user));
  }
  const vehicles = new Map<string, Vehicle>();
  for (const v of given.vehicles) vehicles.set(v.tag, await addVehicle({ workshopId }, v));
  for (const job of [...given.jobs].sort((a, b) => b.daysAgo - a.daysAgo)) {
    const actor = actors.get(job.by);
    const vehicle = vehicles.get(job.vehicleTag);
    if (!actor || !vehicle) throw new RangeError(`the seed names ${job.by} and ${job.vehicleTag}; both should be in the same workshop`);
    await loadJob(actor, vehicle, job, new Date(now.getTime() - job.daysAgo * DAY_MS));
  }
}

/** Take one job as far along the way as the seed says. */
async function loadJob(actor: Actor, vehicle: Vehicle, given: SeedJob, openedAt: Date): Promise<void> {
  let minutes = 0;
  const at = () => new Date(openedAt.getTime() + 60_000 * (minutes += 2));
  const id = await openJob(actor, { vehicleId: vehicle.id, system: 'brakes', scope: 'routine flush' }, openedAt);
  const version = async () => (await Job.findByPk(id, { rejectOnEmpty: true })).version;
  const stageIs = async () => (await Job.findByPk(id, { rejectOnEmpty: true })).stage === given.reach;

  if (given.fluid) await readFluid(actor, id, await version(), given.fluid, at());
  if (given.reach === 'ended' && given.endReason && !given.halt) await endJob(actor, id, await version(), given.endReason, at());
  if (await stageIs()) return;
  await acceptPlan(actor, id, await version(), at());
  await appendEvents(actor, id, await seededEvents(actor, id, given, at().getTime()), at());
  minutes += 60;
  if (await stageIs()) return;
  const { planResult } = await getJob(actor, id);
  const kind = planResult?.verdict === 'planned' ? planResult.plan.layout.vehicleKind : 'car';
  await enterProof(actor, id, await version(), { pedal: 'firm and high', checks: Object.fromEntries(PROOF_ITEMS[kind].map((item) => [item, true])) }, at());
  await setTestDrive(actor, id, await version(), at());
  if (await stageIs()) return;
  await endTestDrive(actor, id, await version(), 'good', at());
  await releaseJob(actor, id, await version(), at());
}

async function seededEvents(actor: Actor, id: string, given: SeedJob, startMs: number): Promise<RunEvent[]> {
  const { planResult } = await getJob(actor, id);
  if (planResult?.verdict !== 'planned') throw new RangeError(`the seed lets ${given.vehicleTag} run, but there is no plan for it`);
  const { plan } = planResult;
  const deviceId = uuid();
  const events = followCalls(plan, { deviceId, nextId: uuid, startMs, strokes: given.strokes });
  if (!given.halt) return events;
  const base = (offset: number) => ({ id: uuid(), deviceId, deviceSeq: events.length + offset, atMs: startMs + (events.length + offset) * 6_000 });
  const bleederId = currentStop(plan, foldRun(plan, events))?.bleeder.id ?? null;
  const halted: RunEvent = { ...base(1), kind: 'halted', reason: given.halt, bleederId };
  if (given.reach !== 'ended') return [...events, halted];
  return [...events, halted, { ...base(2), kind: 'decided', haltId: halted.id, decision: 'end job' }];
}
