import type { Job } from '@brook/contract';
import { foundDirty, gradeNamed, isDue } from '@brook/core/fluid/verdict';
import { workTakenOver } from '@brook/core/owed/openItems';
import type { PlanRequest } from '@brook/core/bleed/plan';

/** What a plan takes from the fluid and from the house rules. */
export type PlanBasis = Pick<PlanRequest, 'fillGrade' | 'newColour' | 'preferences'>;

/** What the plan of a job is made of, as the server made it, with other choices where they are given. */
export function planRequestOf(
  job: Job,
  plan: PlanBasis,
  choices: Job['planChoices'] = job.planChoices,
): PlanRequest {
  const { leaveOldFluid, ...asked } = choices;
  const due = job.fluid ? isDue(job.fluid.verdict) : false;
  return {
    ...asked,
    circumstances: {
      ...asked.circumstances,
      dirty: asked.circumstances.dirty || foundDirty(job.fluid?.samples ?? []),
    },
    work: workTakenOver(job.layout, asked.work, { before: job.before, due, leaveOldFluid }),
    layout: job.layout,
    fillGrade: plan.fillGrade,
    isoClass: job.fluid?.fill?.isoClass ?? null,
    newColour: plan.newColour,
    inside: job.inside,
    inSystem: gradeNamed(job.fluid?.inSystem ?? 'unknown'),
    makerOrder: job.makerEntry?.order ?? null,
    ...(plan.preferences ? { preferences: plan.preferences } : {}),
  };
}
