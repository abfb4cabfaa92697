import type { PlanChoices } from '@brook/contract';
import {
  foundDirty,
  gradeNamed,
  isDue,
  type Colour,
  type Grade,
  type IsoClass,
} from '@brook/core/fluid/verdict';
import type { FluidRead } from '@brook/core/job/log';
import type { PlanResult } from '@brook/core/bleed/plan';
import type { Transaction } from 'sequelize';
import type { Job, Vehicle } from '../../db/models';
import { insideOf } from '../rows/inside';
import { openItemsBefore } from '../log/drive';
import { planFor, usualChoices } from './planFor';
import { houseRulesOf } from '../../workshop/rules/service';
import type { Actor } from '../../session/actor';

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
    before: await openItemsBefore(vehicle, job, transaction),
    due: isDue(read.verdict),
    dirty: foundDirty(read.samples),
    inside: await insideOf(vehicle.id, job.number, transaction),
    inSystem: gradeNamed(read.inSystem),
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
