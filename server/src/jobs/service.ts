import type { FluidEntry, Job as JobDto, NewJob, ProofEntry } from '@brook/contract';
import { fillVerdict, FLUID_WORDS } from '@brook/core/fluid';
import { gateWords, releaseGate, type GateVerdict } from '@brook/core/gate';
import { isClosed } from '@brook/core/job';
import { planBleed, refusalWords, type Plan } from '@brook/core/plan';
import { foldRun, type RunState } from '@brook/core/run';
import { UniqueConstraintError, type Transaction } from 'sequelize';
import { v4 as uuid } from 'uuid';
import { Job, RunEventRow, User, Vehicle, Workshop } from '../db/models';
import { notFound, ProblemError, refused } from '../problems/kinds';
import type { Actor } from '../session/actor';
import { driveStateOf, findVehicle, setDriveState } from '../vehicles/service';

/** A job locked for a change, with the vehicle it is about. */
export interface LockedJob {
  readonly job: Job;
  readonly vehicle: Vehicle;
  readonly transaction: Transaction;
  readonly actor: Actor;
  readonly at: Date;
}

/** Take a vehicle in. Sending the same id again answers with the same job. */
export async function openJob(actor: Actor, given: NewJob, at: Date): Promise<string> {
  const id = given.id ?? uuid();
  const known = await Job.findByPk(id);
  if (known) {
    if (known.workshopId !== actor.workshopId || known.vehicleId !== given.vehicleId) throw new ProblemError('conflict', 'This job id belongs to another job; make a new one.');
    return id;
  }
  try {
    await Job.sequelize!.transaction(async (transaction) => {
      const vehicle = await findVehicle(actor, given.vehicleId, transaction);
      const workshop = await Workshop.findByPk(actor.workshopId, { transaction, lock: transaction.LOCK.UPDATE, rejectOnEmpty: true });
      await Job.create(
        { id, workshopId: actor.workshopId, vehicleId: vehicle.id, number: workshop.nextJobNumber, stage: 'fluid', openedAt: at, openedBy: actor.name },
        { transaction },
      );
      await workshop.update({ nextJobNumber: workshop.nextJobNumber + 1 }, { transaction });
    });
  } catch (error) {
    if (error instanceof UniqueConstraintError) throw refused('This vehicle has an open job already; go on with that one or end it first.');
    throw error;
  }
  return id;
}

/** A job with everything on it. */
export async function getJob(actor: Actor, id: string): Promise<JobDto> {
  const job = await Job.findOne({ where: { id, workshopId: actor.workshopId } });
  if (!job) throw notFound('job');
  const vehicle = await findVehicle(actor, job.vehicleId);
  const rows = await RunEventRow.findAll({ where: { jobId: id }, order: ['position'], attributes: ['event', 'by'] });
  return {
    id: job.id,
    number: job.number,
    vehicleId: vehicle.id,
    vehicleName: vehicle.name,
    vehicleTag: vehicle.tag,
    vehicleDrive: vehicle.driveState,
    system: 'brakes',
    scope: 'routine flush',
    stage: job.stage,
    openedAt: job.openedAt.toISOString(),
    openedBy: job.openedBy,
    closedAt: job.closedAt?.toISOString() ?? null,
    drive: driveStateOf(vehicle),
    fluid: job.fluid,
    planResult: job.planResult,
    planAccepted: job.planAccepted,
    events: rows.map((r) => r.event),
    authors: authorsOf(rows.map((r) => r.by)),
    proof: job.proof,
    drives: job.drives,
    released: job.released,
    ended: job.ended,
    version: job.version,
  };
}

/** Names in a row, counted. */
function authorsOf(names: readonly string[]): JobDto['authors'] {
  const authors: { by: string; count: number }[] = [];
  for (const by of names) {
    const last = authors.at(-1);
    if (last?.by === by) last.count++;
    else authors.push({ by, count: 1 });
  }
  return authors;
}

/** Read the fluid: on a stop the job ends there, else the plan is made. */
export async function readFluid(actor: Actor, id: string, version: number, entry: FluidEntry, at: Date): Promise<void> {
  await changeJob(actor, id, version, at, async (locked) => {
    const { job, vehicle } = locked;
    onlyAt(job, ['fluid', 'plan'], 'The fluid is read before the run; this job is past that.');
    const verdict = fillVerdict(entry.capGrade, entry.seen);
    job.set({ fluid: { ...entry, verdict }, planResult: null });
    if (verdict.verdict === 'stop') {
      await endLocked(locked, verdict.reasons.map((r) => FLUID_WORDS[r.code]).join(' '), true);
      return;
    }
    job.set({
      stage: 'plan',
      planResult: planBleed({ layout: vehicle.layout, scope: 'routine flush', fillGrade: verdict.fillGrade!, newColour: entry.newColour }),
    });
  });
}

/** Accept the plan; from here the run may begin. */
export async function acceptPlan(actor: Actor, id: string, version: number, at: Date): Promise<void> {
  await changeJob(actor, id, version, at, async ({ job }) => {
    onlyAt(job, ['plan'], 'There is no plan to accept at this point of the job.');
    if (job.planResult?.verdict !== 'planned') throw refused(job.planResult?.reasons.map(refusalWords).join(' ') ?? 'Read the fluid first.');
    job.set({ stage: 'run', planAccepted: named(actor, at) });
  });
}

/** Put down what was looked at; the whole list each time. */
export async function enterProof(actor: Actor, id: string, version: number, proof: ProofEntry, at: Date): Promise<void> {
  await changeJob(actor, id, version, at, async ({ job }) => {
    onlyAt(job, ['proof'], 'The proof comes after the run and before the test drive.');
    job.set({ proof: { ...proof, by: actor.name } });
  });
}

/** Set "test drive only"; the gate must have nothing left but the drive. */
export async function setTestDrive(actor: Actor, id: string, version: number, at: Date): Promise<void> {
  await changeJob(actor, id, version, at, async (locked) => {
    const { job, vehicle, transaction } = locked;
    onlyAt(job, ['proof'], 'A test drive is set when run and proof are through.');
    await gateMustSay('test drive', job, transaction);
    job.set({ stage: 'test drive', drives: [...job.drives, { setBy: actor.name, ...named(actor, at), result: null }] });
    await setDriveState(vehicle, 'test drive only', 'Slow, in a safe place, nobody else on board.', at, transaction);
  });
}

/** The drive's result. A bad one returns to "do not drive", and everything is proved again. */
export async function endTestDrive(actor: Actor, id: string, version: number, result: 'good' | 'bad', at: Date): Promise<void> {
  await changeJob(actor, id, version, at, async ({ job, vehicle, transaction }) => {
    onlyAt(job, ['test drive'], 'No test drive was set for this vehicle.');
    const drive = job.drives.at(-1)!;
    if (drive.result !== null) throw refused('The result of this drive is down already.');
    job.set({ drives: [...job.drives.slice(0, -1), { ...drive, ...named(actor, at), result }] });
    if (result === 'good') return;
    job.set({ stage: 'proof', proof: { pedal: null, checks: {}, by: null } });
    await setDriveState(vehicle, 'do not drive', 'The test drive failed.', at, transaction);
  });
}

/** Release the vehicle; from here the record is read-only. */
export async function releaseJob(actor: Actor, id: string, version: number, at: Date): Promise<void> {
  await changeJob(actor, id, version, at, async ({ job, vehicle, transaction }) => {
    onlyAt(job, ['test drive'], 'A vehicle is released after its test drive.');
    await gateMustSay('release', job, transaction);
    job.set({ stage: 'released', closed: true, closedAt: at, released: named(actor, at) });
    await setDriveState(vehicle, 'free', null, at, transaction);
  });
}

/** End a job unreleased. What was opened stays "do not drive". */
export async function endJob(actor: Actor, id: string, version: number, reason: string, at: Date): Promise<void> {
  await changeJob(actor, id, version, at, (locked) => endLocked(locked, reason, false));
}

/** End a locked job; on a stop the vehicle becomes "do not drive" even if nothing was opened. */
export async function endLocked({ job, vehicle, transaction, actor, at }: LockedJob, reason: string, stop: boolean): Promise<void> {
  job.set({ stage: 'ended', closed: true, closedAt: at, ended: { ...named(actor, at), reason } });
  if (stop) await setDriveState(vehicle, 'do not drive', reason, at, transaction);
  else if (vehicle.driveState === 'test drive only') await setDriveState(vehicle, 'do not drive', reason, at, transaction);
}

/** State of the run by its log. */
export async function runStateOf(job: Job, plan: Plan, transaction: Transaction): Promise<RunState> {
  const rows = await RunEventRow.findAll({ where: { jobId: job.id }, order: ['position'], attributes: ['event'], transaction });
  return foldRun(plan, rows.map((r) => r.event));
}

/**
 * Lock a job and its vehicle, change both, save together or not at all.
 *
 * @param version what the client last saw; null where the change cannot conflict, as with a log
 */
export async function changeJob<T>(actor: Actor, id: string, version: number | null, at: Date, change: (locked: LockedJob) => Promise<T>): Promise<T> {
  return Job.sequelize!.transaction(async (transaction) => {
    const job = await Job.findOne({ where: { id, workshopId: actor.workshopId }, transaction, lock: transaction.LOCK.UPDATE });
    if (!job) throw notFound('job');
    if (version !== null && job.version !== version) {
      throw new ProblemError('conflict', 'Somebody changed this job meanwhile. Look at it again; what you entered was not saved.');
    }
    if (version !== null && isClosed(job.stage)) throw refused('This job is closed; its record is read-only.');
    const vehicle = await findVehicle(actor, job.vehicleId, transaction);
    const answer = await change({ job, vehicle, transaction, actor, at });
    if (job.changed()) await job.set({ version: job.version + 1 }).save({ transaction });
    return answer;
  });
}

async function gateMustSay(wanted: GateVerdict, job: Job, transaction: Transaction): Promise<void> {
  if (job.planResult?.verdict !== 'planned') throw refused('There is no plan on this job.');
  const { plan } = job.planResult;
  // A drive counts for the proof that it followed: after a failed one everything is proved, and driven, anew.
  const drive = job.stage === 'test drive' ? job.drives.at(-1)!.result : null;
  const answer = releaseGate(plan, await runStateOf(job, plan, transaction), job.proof, drive);
  if (answer.verdict === wanted) return;
  throw refused(answer.reasons.map(gateWords).join(' '), answer.reasons.map((r) => ({ field: r.code, sentence: gateWords(r) })));
}

function onlyAt(job: Job, stages: readonly Job['stage'][], sentence: string): void {
  if (!stages.includes(job.stage)) throw refused(sentence);
}

export const named = (actor: Pick<Actor, 'name'>, at: Date): { by: string; at: string } => ({ by: actor.name, at: at.toISOString() });

/** The actor for a user, outside a request. */
export const actorFor = (user: User): Actor => ({ userId: user.id, name: user.name, role: user.role, workshopId: user.workshopId });
