import type { PlanChoices } from '@brook/contract';
import type { Layout } from '@brook/core/circuit';
import { bleederName } from '@brook/core/circuit';
import type { Colour, Grade, IsoClass } from '@brook/core/fluid';
import { USUAL_DAY, USUAL_MEANS } from '@brook/core/flow';
import { planBleed, rulesForPlan, type PlanRequest, type PlanResult } from '@brook/core/plan';
import type { HouseRules } from '@brook/core/rules';
import { routineFlush, type Purpose } from '@brook/core/scope';
import type { Vehicle } from '../db/models';

/** What is said and chosen before anybody said or chose anything. */
export function usualChoices(
  layout: Layout,
  purpose: Purpose = 'routine flush',
  masterIds: readonly string[] = layout.masters.map((m) => m.id),
): PlanChoices {
  const { preferred: _, ...circumstances } = USUAL_DAY;
  const work = { ...routineFlush(masterIds), purpose };
  return {
    work: {
      ...work,
      masterIds: [...work.masterIds],
      parts: [],
      master: null,
      lowest: [],
      renewPockets: false,
    },
    means: { ...USUAL_MEANS },
    circumstances,
    method: null,
    order: null,
    leastFluid: null,
    holdPoint: true,
    primeInPlace: false,
    partnerAges: [],
  };
}

/** What a job's plan is made of. */
export function planRequestOf(
  vehicle: Vehicle,
  choices: PlanChoices,
  fill: { grade: Grade; isoClass: IsoClass | null },
  newColour: Colour,
  rules: HouseRules,
): PlanRequest {
  return {
    ...choices,
    layout: vehicle.layout,
    fillGrade: fill.grade,
    isoClass: fill.isoClass,
    newColour,
    makerOrder: vehicle.makerEntry?.order ?? null,
    preferences: rulesForPlan(rules),
  };
}

/** The plan of a job by what is known now. */
export function planFor(...of: Parameters<typeof planRequestOf>): PlanResult {
  return planBleed(planRequestOf(...of));
}

/** The first bleeder of a maker's order that this layout does not have, with those that it has; null when all are there. */
export function unknownBleeder(layout: Layout, order: readonly string[]): string | null {
  const unknown = order.find((id) => !layout.bleeders.some((b) => b.id === id));
  return unknown === undefined
    ? null
    : `There is no bleeder "${unknown}" in this layout; it has ${layout.bleeders.map((b) => `${b.id} (${bleederName(b)})`).join(', ')}.`;
}
