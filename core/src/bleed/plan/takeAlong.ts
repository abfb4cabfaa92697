import { bleederName } from '../../vehicle/circuit';
import { ARITHMETIC, figure, leafFigure, MODEL, type Figure } from '../../base/figure';
import { longestOpening } from '../stages';
import type { Plan } from './shape';

/**
 * Fluid that is taken along, mL: what is poured by the plan and, by the house
 * rule, one more pass at the longest bleeder, for a sweep that does not clear
 * or a size that was guessed too small.
 */
export function toTakeAlong({
  totals,
  openings,
  preferences,
}: Pick<Plan, 'totals' | 'openings' | 'preferences'>): Figure {
  const longest = longestOpening(openings);
  if (!longest || preferences.pickMargin === 'none') return totals.pouredMl;
  const margin = figure({
    label: `One more pass at ${bleederName(longest.bleeder)}`,
    value: longest.pathVolumeMl.value,
    unit: 'mL',
    rule: 'house rule: the volume of the longest way once more',
    source: MODEL,
    from: [leafFigure(longest.pathVolumeMl)],
  });
  return figure({
    label: 'Fluid to take along',
    value: totals.pouredMl.value + margin.value,
    unit: 'mL',
    rule: 'what is poured by the plan, and a margin',
    source: ARITHMETIC,
    from: [totals.pouredMl, margin],
  });
}
