import {
  historyReading,
  MONTH_MS,
  waterAfterPercent,
  worstReading,
  type Climate,
} from '../../fluid/ageing';
import { figure, ENTRY, MODEL, type Figure } from '../../base/figure';
import {
  CHEMISTRY,
  limitsOf,
  waterFromBoilingPercent,
  type Grade,
  type Sample,
} from '../../fluid/verdict';
import type { Lot } from '../../fluid/inside';

/** What tells how much water the fluid from before the job holds. A measurement of this visit beats an age. */
export type OldWater =
  | { readonly by: 'measured'; readonly percent: Figure }
  | { readonly by: 'age'; readonly atMs: number; readonly climate: Climate };

/**
 * Water of the old fluid as this visit measured it, at the wettest point; by
 * the age of each fill where nothing was measured.
 *
 * @param inSystem grade that is inside; null where nobody knows, then no reading counts
 */
export function oldWater(of: {
  readonly samples: readonly Sample[];
  readonly inSystem: Grade | null;
  readonly atMs: number;
  readonly climate: Climate;
}): OldWater {
  const { inSystem, atMs, climate } = of;
  const worst =
    inSystem && CHEMISTRY[inSystem] === 'glycol'
      ? worstReading(
          of.samples.map((s) => ({
            jobId: '',
            atMs,
            point: s.point,
            grade: inSystem,
            ...historyReading(s, inSystem),
          })),
        )
      : null;
  if (!worst || !inSystem) return { by: 'age', atMs, climate };
  const byBoiling = worst.boilingC !== null;
  return {
    by: 'measured',
    percent: figure({
      label: 'Water in the old fluid',
      value: byBoiling
        ? waterFromBoilingPercent(limitsOf(inSystem, null), worst.boilingC!)
        : worst.waterPercent!,
      unit: '%',
      rule: `${byBoiling ? 'the water that brings this grade’s limits to the boiling point as measured' : 'by the meter, set to this grade'}, at the wettest point`,
      source: byBoiling ? MODEL : ENTRY,
    }),
  };
}

/** Water of one fill, % by mass; null where nobody knows how old it is. */
export function waterOfLot(water: OldWater, { filledAtMs, grade }: Lot): number | null {
  if (water.by === 'measured') return water.percent.value;
  if (filledAtMs === null || (grade !== null && CHEMISTRY[grade] !== 'glycol')) return null;
  return waterAfterPercent(Math.max(0, water.atMs - filledAtMs) / MONTH_MS, water.climate);
}
