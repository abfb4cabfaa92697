import type { PlanChoices } from '@brook/contract';
import { planFor } from '../plans/planFor';
import { houseRulesOf } from '../rules/service';
import type { Actor } from '../session/actor';
import { changeJob, onlyAt } from './locked';

/** Put down what was done and chosen; where the fluid is read, the plan is made anew. */
export async function choosePlan(
  actor: Actor,
  id: string,
  version: number,
  choices: PlanChoices,
  at: Date,
): Promise<void> {
  await changeJob(actor, id, version, at, async ({ job, vehicle, transaction }) => {
    onlyAt(job, ['fluid', 'plan'], 'The plan is chosen before the run; this job is past that.');
    job.set({ planChoices: choices });
    const fill = job.fluid?.verdict.fill;
    if (job.stage !== 'plan' || !fill || !job.fluid!.newColour) return;
    const { isoClass } = job.fluid!.fill!;
    job.set({
      planResult: planFor(
        vehicle,
        choices,
        { grade: fill.grade, isoClass },
        job.fluid!.newColour,
        await houseRulesOf(actor, transaction),
      ),
    });
  });
}
