import type { Job } from '@brook/contract';
import { planRequestOf } from '@brook/core/owed/openItems';
import type { PlanRequest } from '@brook/core/bleed/plan';

/** What a plan takes from the fluid and from the house rules. */
export type PlanBasis = Pick<PlanRequest, 'fillGrade' | 'newColour' | 'preferences'>;

/** What the plan of a job is made of, as the server made it, with other choices where they are given. */
export const requestOfJob = (
  { layout, makerEntry, before, fluid, inside, planChoices }: Job,
  { fillGrade, newColour, preferences }: PlanBasis,
  choices: Job['planChoices'] = planChoices,
): PlanRequest =>
  planRequestOf(choices, {
    layout,
    makerOrder: makerEntry?.order ?? null,
    before,
    fluid,
    inside,
    fillGrade,
    isoClass: fluid?.fill?.isoClass ?? null,
    newColour,
    ...(preferences ? { preferences } : {}),
  });
