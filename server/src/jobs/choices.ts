import type { PlanChoices } from '@brook/contract';
import { isDue, type Colour, type Grade, type IsoClass } from '@brook/core/fluid';
import type { FluidRead } from '@brook/core/log';
import type { PlanResult } from '@brook/core/plan';
import { isDeepStrictEqual } from 'node:util';
import type { Transaction } from 'sequelize';
import type { Job, Vehicle } from '../db/models';
import { appendDesk } from '../log/append';
import { mattersBefore } from '../log/drive';
import { planFor, usualChoices } from '../plans/planFor';
import { houseRulesOf } from '../rules/service';
import type { Actor } from '../session/actor';
import { changeJob, onlyAt } from './locked';
import { refuseOwedBleed } from './service';

/** Put down what was done and chosen; where the fluid is read, the plan is made anew. */
export async function choosePlan(
  actor: Actor,
  id: string,
  version: number,
  choices: PlanChoices,
  at: Date,
): Promise<void> {
  await changeJob(actor, id, version, at, async (locked) => {
    const { job, vehicle, transaction, state } = locked;
    onlyAt(job, ['fluid', 'plan'], 'The plan is chosen before the run; this job is past that.');
    const { purpose } = choices.work;
    if (purpose === 'look and prove' && state.said?.work.purpose !== purpose)
      refuseOwedBleed(vehicle.layout, await mattersBefore(vehicle, job, transaction));
    job.set({ planChoices: choices });
    if (!isDeepStrictEqual(state.said?.work, choices.work))
      await appendDesk(locked, { kind: 'work said', work: choices.work });
    if (job.stage !== 'plan' || !job.fluid) return;
    job.set({ planResult: await planOfJob(actor, job, vehicle, job.fluid, transaction) });
  });
}

/** The plan of a job by what was read and chosen; null while no fluid is chosen that a bleed would need. */
export async function planOfJob(
  actor: Actor,
  job: Pick<Job, 'number' | 'planChoices'>,
  vehicle: Vehicle,
  read: FluidRead,
  transaction: Transaction,
): Promise<PlanResult | null> {
  const filled = filledWith(read, job.planChoices);
  if (!filled) return null;
  return planFor(vehicle, job.planChoices ?? usualChoices(vehicle.layout), {
    ...filled,
    rules: await houseRulesOf(actor, transaction),
    before: await mattersBefore(vehicle, job, transaction),
    due: isDue(read.verdict),
  });
}

/** What would go in. Where nothing is opened nothing is poured, and the plan is made by what the cap asks for. */
function filledWith(
  { verdict, fill, newColour }: FluidRead,
  choices: PlanChoices | null,
): { fill: { grade: Grade; isoClass: IsoClass | null }; newColour: Colour } | null {
  if (verdict.fill && fill && newColour)
    return { fill: { grade: verdict.fill.grade, isoClass: fill.isoClass }, newColour };
  const asked = verdict.advice.minimum;
  return choices?.work.purpose === 'look and prove' && asked
    ? { fill: { grade: asked.grade, isoClass: null }, newColour: 'clear' }
    : null;
}
