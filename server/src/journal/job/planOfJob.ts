import type { PlanChoices } from '@brook/contract';
import type { FluidRead } from '@brook/core/job/events';
import { planRequestOf, type JobKnown } from '@brook/core/owed/openItems';
import { planBleed, rulesForPlan, type PlanResult } from '@brook/core/bleed/plan';
import type { Transaction } from 'sequelize';
import type { Job, Vehicle } from '../../db/models';
import { insideOf } from '../rows/inside';
import { openItemsBefore } from '../log/vehicleFacts';
import { usualChoices } from './usualChoices';
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
  return planBleed(
    planRequestOf(job.planChoices ?? usualChoices(vehicle.layout), {
      ...filled,
      layout: vehicle.layout,
      makerOrder: vehicle.makerEntry?.order ?? null,
      before: await openItemsBefore(vehicle, job, transaction),
      fluid: read,
      inside: await insideOf(vehicle.id, job.number, transaction),
      preferences: rulesForPlan(await houseRulesOf(actor, transaction)),
    }),
  );
}

/** What would go in. Where nothing is opened nothing is poured, and the plan is made by what the cap asks for. */
function filledWith(
  { verdict, fill, newColour }: FluidRead,
  choices: PlanChoices | null,
): Pick<JobKnown, 'fillGrade' | 'isoClass' | 'newColour'> | null {
  if (verdict.fill && fill && newColour)
    return { fillGrade: verdict.fill.grade, isoClass: fill.isoClass, newColour };
  const asked = verdict.advice.minimum;
  return choices?.work.purpose === 'look and prove' && asked
    ? { fillGrade: asked.grade, isoClass: null, newColour: 'clear' }
    : null;
}
