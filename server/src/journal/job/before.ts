import type { Job as JobDto } from '@brook/contract';
import type { Dye, Grade } from '@brook/core/fluid/verdict';
import type { PlanResult } from '@brook/core/bleed/plan';
import { Op, type Transaction } from 'sequelize';
import { Job } from '../../db/models';

/** The last change of a vehicle's fluid that is on record. */
export interface LastFill {
  readonly at: Date;
  readonly grade: Grade;
  readonly dye: Dye | null;
}

/** What it was filled with last. */
export async function lastFillOf(
  vehicleId: string,
  transaction?: Transaction,
): Promise<LastFill | null> {
  const jobs = await releasedJobs(vehicleId, ['closedAt', 'fluid'], transaction);
  // What was only looked at and proved was not filled.
  const job = jobs.find((j) => j.fluid?.verdict.fill);
  return job?.closedAt
    ? { at: job.closedAt, grade: job.fluid!.verdict.fill!.grade, dye: job.fluid!.newDye }
    : null;
}

/** Released jobs of a vehicle, the last one first. */
const releasedJobs = (
  vehicleId: string,
  attributes: string[],
  transaction?: Transaction,
): Promise<Job[]> =>
  Job.findAll({
    where: { vehicleId, released: { [Op.not]: null } },
    order: [['closedAt', 'DESC']],
    attributes,
    transaction,
  });

/** Partners that wear together with what the last released job changed, and that it left: for the next one to take up. */
export async function notDoneBefore(vehicleId: string): Promise<JobDto['notDone']> {
  const jobs = await releasedJobs(vehicleId, ['closedAt', 'planResult']);
  const job = jobs.find((j) => j.planResult?.verdict === 'planned' && opensSomething(j.planResult));
  if (!job?.closedAt || job.planResult?.verdict !== 'planned') return [];
  const at = job.closedAt.toISOString();
  return job.planResult.plan.scope.advice.flatMap(({ partnerName, advise }) =>
    advise === 'leave it' ? [] : [{ what: partnerName, advise, at }],
  );
}

/** What was read on a vehicle's cap, and of its ABS and seals, by the last job that said so. */
export async function knownFluidOf(job: Job): Promise<JobDto['knownFluid']> {
  const last = await Job.findOne({
    where: { vehicleId: job.vehicleId, number: { [Op.lt]: job.number }, fluid: { [Op.not]: null } },
    order: [['number', 'DESC']],
    attributes: ['openedAt', 'fluid'],
  });
  const cap = last?.fluid?.demands.find((d) => d.source === 'cap');
  if (!last || !cap) return null;
  const { control, seals } = last.fluid!;
  const { grades, lowViscosity } = cap;
  return { cap: [...grades], lowViscosity, control, seals, at: last.openedAt.toISOString() };
}

/** Whether a plan was more than a look. */
const opensSomething = ({ plan }: Extract<PlanResult, { readonly verdict: 'planned' }>): boolean =>
  plan.work.purpose !== 'look and prove';
