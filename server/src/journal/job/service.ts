import type { Job as JobDto, NewJob, Override } from '@brook/contract';
import { partElements, type Layout } from '@brook/core/vehicle/circuit';
import {
  type OpenItem,
  gateOf,
  openItemTitle,
  owesBleed,
  owesCount,
} from '@brook/core/owed/openItems';
import { gateWords, mayLetGo, ofWhat, type GateVerdict } from '@brook/core/job/gate';
import { foldJob, NEW_JOB, type JobState } from '@brook/core/job/log';
import { refusalWords } from '@brook/core/bleed/plan';
import { changeableParts } from '@brook/core/bleed/scope';
import { UniqueConstraintError } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { baselinesOf } from '../rows/controls';
import { GateAnswerRow, Job, Workshop } from '../../db/models';
import { appendDesk, orderedAt } from '../log/append';
import { projectOpenItems } from '../log/drive';
import { openItemsBefore } from '../log/vehicleFacts';
import { openItemsOf } from '../rows/openItems';
import { aboutOf } from '../log/follow';
import { insideOf } from '../rows/inside';
import { keepOrder, lastInOrder, placesOf } from '../log/order';
import { additionsOf, logOf, onWire } from '../log/stored';
import { usualChoices } from './usualChoices';
import { notFound, ProblemError, refused } from '../../http/problems/kinds';
import { houseRulesOf } from '../../workshop/rules/service';
import type { Actor } from '../../session/actor';
import { driveStateOf, findVehicle } from '../../workshop/vehicle/findVehicle';
import { knownFluidOf, lastFillOf, notDoneBefore } from './before';
import { fluidUsedOf } from './fluidUsed';
import { changeJob, onlyAt, type LockedJob } from '../log/locked';
import { clutchNeedsOf, manualTorquesOf } from './earlierWords';
import { pickFor } from './pick';

/** Take a vehicle in. Sending the same id again answers with the same job. */
export async function openJob(actor: Actor, given: NewJob, at: Date): Promise<string> {
  const id = given.id ?? uuid();
  const known = await Job.findByPk(id);
  if (known) {
    if (known.workshopId !== actor.workshopId || known.vehicleId !== given.vehicleId)
      throw new ProblemError('conflict', 'This job id belongs to another job; make a new one.');
    return id;
  }
  try {
    await Job.sequelize!.transaction(async (transaction) => {
      const vehicle = await findVehicle(actor, given.vehicleId, transaction);
      const workshop = await Workshop.findByPk(actor.workshopId, {
        transaction,
        lock: transaction.LOCK.UPDATE,
        rejectOnEmpty: true,
      });
      const choices = usualChoices(
        vehicle.layout,
        given.purpose,
        given.masterIds && knownMasters(vehicle.layout, given.masterIds),
        given.helper,
        {
          also: given.also,
          found: given.found,
          parts: given.parts && knownParts(vehicle.layout, given.parts),
        },
      );
      const number = workshop.nextJobNumber;
      await workshop.update({ nextJobNumber: number + 1 }, { transaction });
      if (given.purpose === 'look and prove')
        refuseOwedBleed(vehicle.layout, await openItemsBefore(vehicle, { number }, transaction));
      const job = await Job.create(
        {
          id,
          workshopId: actor.workshopId,
          vehicleId: vehicle.id,
          number,
          stage: 'fluid',
          openedAt: at,
          openedBy: actor.name,
          planChoices: choices,
        },
        { transaction },
      );
      const lastPlace = await lastInOrder(vehicle.id, transaction);
      const locked = { job, vehicle, transaction, actor, at, state: NEW_JOB, lastPlace };
      await appendDesk(locked, { kind: 'work said', work: choices.work });
      const { odometerKm = null, helperName = null } = given;
      if (odometerKm !== null || helperName !== null)
        await appendDesk(locked, { kind: 'taken in', odometerKm, helper: helperName });
    });
  } catch (error) {
    if (error instanceof UniqueConstraintError)
      throw refused('This vehicle has an open job already; go on with that one or end it first.');
    throw error;
  }
  return id;
}

function knownMasters(layout: Layout, masterIds: readonly string[]): readonly string[] {
  const unknown = masterIds.find((id) => !layout.masters.some((m) => m.id === id));
  if (unknown === undefined) return masterIds;
  const sentence = `There is no master "${unknown}" in this layout; it has ${layout.masters.map((m) => m.id).join(', ')}.`;
  throw new ProblemError('invalid', sentence, [{ field: 'masterIds', sentence }]);
}

function knownParts<T extends { readonly partId: string }>(layout: Layout, parts: T[]): T[] {
  const known = changeableParts(layout).flatMap((p) => partElements(layout, p.id));
  const unknown = parts.findIndex((p) => !known.includes(p.partId));
  if (unknown < 0) return parts;
  const sentence = `There is no part "${parts[unknown]!.partId}" in this layout that can be changed; it should be one of ${known.join(', ')}.`;
  throw new ProblemError('invalid', sentence, [{ field: `parts.${unknown}.partId`, sentence }]);
}

/** What is only looked at and proved has nothing to bleed for. */
export function refuseOwedBleed(layout: Layout, before: readonly OpenItem[]): void {
  if (!owesBleed(layout, before)) return;
  const titles = before
    .filter((m) => owesBleed(layout, [m]))
    .map(openItemTitle)
    .join('; ');
  const sentence = `This vehicle owes a bleed (${titles}); take it in for that, then it is proved with it.`;
  throw new ProblemError('invalid', sentence, [{ field: 'purpose', sentence }]);
}

/** Move a job that was begun on the wrong vehicle: only before anything was read or done in it. */
export async function moveJob(
  actor: Actor,
  id: string,
  version: number,
  vehicleId: string,
  at: Date,
): Promise<void> {
  try {
    await changeJob(actor, id, version, at, async (locked) => {
      const { job, transaction, state } = locked;
      if (state.log.some((e) => e.kind !== 'work said' && e.kind !== 'taken in'))
        throw refused(
          'Something was done in this job already; end it and begin one on the right vehicle.',
        );
      const meant = await findVehicle(actor, vehicleId, transaction);
      const { work, means } = job.planChoices!;
      const { purpose, also, found } = work;
      const choices = usualChoices(meant.layout, purpose, undefined, means.helper, {
        also,
        found,
      });
      if (purpose === 'look and prove')
        refuseOwedBleed(meant.layout, await openItemsBefore(meant, job, transaction));
      await leaveBehind(locked);
      job.set({ vehicleId: meant.id, planChoices: choices });
      const moved = await placedAnew({ ...locked, vehicle: meant });
      await appendDesk(moved, { kind: 'work said', work: choices.work });
      locked.state = moved.state;
    });
  } catch (error) {
    if (error instanceof UniqueConstraintError)
      throw refused('That vehicle has an open job already; go on with that one or end it first.');
    throw error;
  }
}

/** What a job said of the vehicle that it leaves still counts there, until somebody looked at it. */
const leaveBehind = ({ job, vehicle, transaction, actor, at, state }: LockedJob): Promise<void> =>
  projectOpenItems(vehicle, { person: actor.name, at, settledBy: 'withdrawn' }, transaction, {
    job,
    state,
    moved: true,
  });

/** What a moved job's log holds, at the end of the order of the vehicle that was meant as well. */
async function placedAnew(locked: LockedJob): Promise<LockedJob> {
  const { job, vehicle, transaction, state } = locked;
  const there = { ...locked, lastPlace: await lastInOrder(vehicle.id, transaction) };
  // Moved back it has its places there still.
  const known = await placesOf(
    vehicle.id,
    state.log.map((e) => e.id),
    transaction,
  );
  const log = state.log.map((e) => ({ ...e, order: known.get(e.id) ?? orderedAt(there) }));
  const fresh = log.filter((e) => !known.has(e.id));
  await keepOrder({ vehicleId: vehicle.id, jobId: job.id }, fresh, transaction);
  there.state = foldJob(log);
  return there;
}

/** A job with everything on it. */
export async function getJob(actor: Actor, id: string, at: Date): Promise<JobDto> {
  const job = await Job.findOne({ where: { id, workshopId: actor.workshopId } });
  if (!job) throw notFound('job');
  const vehicle = await findVehicle(actor, job.vehicleId);
  // Asked before everything else: what comes meanwhile is told and not yet counted as heard.
  const heard = await lastInOrder(vehicle.id);
  const log = await logOf(id);
  // What can be chosen since then was not.
  const choices = { ...usualChoices(vehicle.layout), ...job.planChoices };
  const lastFill = job.closed ? null : await lastFillOf(vehicle.id);
  const before = job.closed ? [] : await openItemsBefore(vehicle, job);
  const leaves = (await openItemsOf([vehicle.id])).get(vehicle.id) ?? [];
  const own = leaves.filter((m) => m.jobId === id);
  return {
    id: job.id,
    number: job.number,
    vehicleId: vehicle.id,
    vehicleName: vehicle.name,
    vehicleTag: vehicle.tag,
    vehicleDrive: vehicle.driveState,
    purpose: choices.work.purpose,
    layout: vehicle.layout,
    planChoices: choices,
    stage: job.stage,
    openedAt: job.openedAt.toISOString(),
    openedBy: job.openedBy,
    closedAt: job.closedAt?.toISOString() ?? null,
    drive: driveStateOf(vehicle),
    before,
    leaves: own,
    owes: owesCount(job.closed ? own : before),
    lastDye: job.fluid ? job.fluid.lastDye : (lastFill?.dye ?? null),
    notDone: job.closed ? [] : await notDoneBefore(vehicle.id),
    lastFill: lastFill && { at: lastFill.at.toISOString(), grade: lastFill.grade },
    makerEntry: vehicle.makerEntry,
    inside: job.closed ? null : await insideOf(vehicle.id, job.number),
    baselines: job.closed ? [] : await baselinesOf(job),
    manualTorques: job.closed ? [] : await manualTorquesOf(job),
    clutchNeeds: job.closed ? [] : await clutchNeedsOf(job),
    knownFluid: job.closed || job.fluid ? null : await knownFluidOf(job),
    fluid: job.fluid,
    planResult: job.planResult,
    planAccepted: job.planAccepted,
    pick: job.stage === 'plan' ? await pickFor(job, await houseRulesOf(actor), at) : job.pick,
    fluidUsed: await fluidUsedOf(id),
    events: log.map(onWire),
    additions: await additionsOf(id),
    drives: drivesOf(foldJob(log)),
    heard,
    released: job.released,
    ended: job.ended,
    clocks: job.closed ? [] : job.clocks,
    version: job.version,
  };
}

/** Test drives as they go over the wire, oldest first. */
function drivesOf({ drives }: JobState): JobDto['drives'] {
  return drives.map(({ setBy, setAtMs, result }) => ({
    setBy,
    by: result?.person ?? setBy,
    at: new Date(result?.atMs ?? setAtMs).toISOString(),
    result: result?.result ?? null,
  }));
}

/** Accept the plan and the containers that the shelf gives for it; from here the run may begin. */
export async function acceptPlan(
  actor: Actor,
  id: string,
  version: number,
  lookedAtOpened: boolean,
  at: Date,
): Promise<void> {
  await changeJob(actor, id, version, at, async (locked) => {
    const { job, vehicle, transaction } = locked;
    onlyAt(job, ['plan'], 'There is no plan to accept at this point of the job.');
    if (job.planResult?.verdict !== 'planned')
      throw refused(
        job.planResult?.reasons.map((r) => refusalWords(vehicle.layout, r)).join(' ') ??
          'Read the fluid first.',
      );
    const { plan } = job.planResult;
    if (plan.totals.pouredMl.value === 0) {
      // Nothing is filled: nothing is taken off the shelf.
      await appendDesk(locked, { kind: 'plan accepted', plan, pick: null });
      return;
    }
    const pick = await pickFor(job, await houseRulesOf(actor, transaction), at, transaction);
    if (pick?.kind !== 'enough')
      throw refused(
        `The shelf is ${Math.ceil(pick?.missingMl.value ?? 0)} mL short of ${job.fluid!.fill!.grade} that may be used. Put a container on it first.`,
      );
    const twice = pick.containers.some((c) => c.reasons.length > 0);
    if (twice && !lookedAtOpened) {
      const sentence = 'A container of this pick needs a second look: say that it was taken.';
      throw new ProblemError('invalid', sentence, [{ field: 'lookedAtOpened', sentence }]);
    }
    const { containers, leftOverMl, openRule } = pick;
    await appendDesk(locked, {
      kind: 'plan accepted',
      plan,
      pick: { containers, leftOverMl, openRule, lookedBy: twice ? actor.name : null },
    });
  });
}

/** Set "test drive only"; the gate must have nothing left but the drive. */
export async function setTestDrive(
  actor: Actor,
  id: string,
  version: number,
  at: Date,
): Promise<void> {
  await changeJob(actor, id, version, at, async (locked) => {
    onlyAt(locked.job, ['proof'], 'A test drive is set when run and proof are through.');
    await gateMustSay('test drive', locked);
    await appendDesk(locked, { kind: 'drive set' });
  });
}

/**
 * Let paper go that the gate asks for: by a lead, signed in as themself, with a
 * reason that stays. What the gate's table does not list, nobody.
 */
export async function letGo(
  actor: Actor,
  id: string,
  version: number,
  { code, of, why }: Override,
  at: Date,
): Promise<void> {
  if (actor.role !== 'lead')
    throw new ProblemError('forbidden', 'Only a lead lets paper go, signed in as themself.');
  await changeJob(actor, id, version, at, async (locked) => {
    onlyAt(locked.job, ['proof', 'test drive'], 'Paper is let go while the job is proved.');
    const before = await openItemsBefore(locked.vehicle, locked.job, locked.transaction);
    const answer = gateOf(locked.state, aboutOf(locked), before);
    const asked = answer?.reasons.some((r) => r.code === code && mayLetGo(r) && ofWhat(r) === of);
    if (!asked)
      throw refused('The gate does not ask for this, or nobody may let it go.', [
        { field: 'of', sentence: `The gate does not ask for ${code} of "${of}".` },
      ]);
    await appendDesk(locked, { kind: 'overridden', code, of, why });
  });
}

/** The drive's result. A bad one returns to "do not drive", and everything is proved again. */
export async function endTestDrive(
  actor: Actor,
  id: string,
  version: number,
  result: 'good' | 'bad',
  at: Date,
): Promise<void> {
  await changeJob(actor, id, version, at, async (locked) => {
    onlyAt(locked.job, ['test drive'], 'No test drive was set for this vehicle.');
    if (locked.state.drives.at(-1)!.result !== null)
      throw refused('The result of this drive is recorded already.');
    await appendDesk(locked, { kind: 'drive ended', result });
  });
}

/** Release the vehicle; from here the record is read-only. */
export async function releaseJob(
  actor: Actor,
  id: string,
  version: number,
  at: Date,
): Promise<void> {
  await changeJob(actor, id, version, at, async (locked) => {
    onlyAt(locked.job, ['test drive'], 'A vehicle is released after its test drive.');
    await gateMustSay('release', locked);
    await appendDesk(locked, { kind: 'released' });
  });
}

/** Ask the gate, by the log and by everything that the vehicle owes; what it answered is kept for the log as it stands. */
async function gateMustSay(wanted: GateVerdict, locked: LockedJob): Promise<void> {
  const { job, vehicle, state, transaction, actor, at } = locked;
  const before = await openItemsBefore(vehicle, job, transaction);
  const answer = gateOf(state, aboutOf(locked), before);
  if (!answer) throw refused('There is no plan on this job.');
  if (answer.verdict !== wanted)
    throw refused(
      answer.reasons.map(gateWords).join(' '),
      answer.reasons.map((r) => ({ field: r.code, sentence: gateWords(r) })),
    );
  await GateAnswerRow.create(
    {
      jobId: job.id,
      position: state.log.length,
      vehiclePosition: locked.lastPlace,
      workshopId: job.workshopId,
      answer,
      at,
      person: actor.name,
    },
    { transaction },
  );
}
