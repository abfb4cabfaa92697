import type { Job } from '@brook/contract';
import type { Plan, PlanRequest } from '@brook/core/plan';

/** What the plan of a job is made of, as the server made it, with other choices where they are given. */
export function planRequestOf(job: Job, plan: Pick<Plan, 'fillGrade' | 'newColour' | 'preferences'>, choices: Job['planChoices'] = job.planChoices): PlanRequest {
  return {
    ...choices, layout: job.layout, fillGrade: plan.fillGrade, isoClass: job.fluid?.fill?.isoClass ?? null, newColour: plan.newColour, makerOrder: job.makerEntry?.order ?? null, preferences: plan.preferences,
  };
}
