import { figure, MODEL, type Figure } from '../../base/figure';
import { METHOD_TRAITS } from '../../hydraulics/flow';
import { handsOnMinutes, type TimelinePiece } from './materials';
import type { Plan } from './shape';

/** A plan at a glance: what a technician asks before saying yes to it. */
export interface PlanGlance {
  readonly handsOn: Figure;
  readonly waiting: Figure;
  readonly people: 1 | 2;
  readonly litres: Figure;
  readonly bleeders: number;
  /** What must begin before the day of the bleed. */
  readonly before: readonly TimelinePiece[];
}

/** The head of a plan. */
export function planGlance(plan: Plan): PlanGlance {
  const { openings, totals, materials } = plan;
  const early = materials.timeline.filter((t) => t.when === 'the day before');
  return {
    handsOn: materials.timeline.length > 0 ? handsOnMinutes(materials) : totals.minutes,
    waiting: totals.waitingMinutes,
    people: openings.some((s) => METHOD_TRAITS[s.method].people === 2) ? 2 : 1,
    litres: figure({
      label: 'Out of containers',
      value: totals.pouredMl.value / 1000,
      unit: 'L',
      rule: 'fluid to pour, in litres',
      source: MODEL,
      from: [totals.pouredMl],
    }),
    bleeders: new Set(openings.map((s) => s.bleeder.id)).size,
    before: early,
  };
}
