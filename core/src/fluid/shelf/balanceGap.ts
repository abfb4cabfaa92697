import { ARITHMETIC, figure, MODEL, type Figure } from '../../base/figure';

/** How far poured, bled, removed, spilled and inside may be apart before it is asked why [C]. */
export const GAP_SHARE_OF_BLED = 0.05;
export const GAP_ML_PER_CONTAINER = 10;
export const GAP_RESERVOIR_MM = 5;

/** A reservoir as far as the balance needs it: what one millimetre of its level is. */
export interface ReservoirLevel {
  readonly maxMl: number;
  readonly airDrawnMl: number;
  /** How far the level at which air is drawn lies below MAX, mm. */
  readonly belowMaxMm: number;
}

/** What was put down against what the run says must be inside. */
export interface BalanceGap {
  /** Above 0: more went in than came out and is inside by the run. Below 0: more came out than can have been there. */
  readonly gapMl: Figure;
  readonly allowedMl: Figure;
  readonly beyond: boolean;
}

/**
 * Whether what was poured, bled, removed and spilled agrees with the content
 * that the run came to.
 *
 * @param given what a person put down, mL
 * @param changeByRunMl change of content by the run's own count
 * @param containers number of containers that were poured from
 */
export function balanceGap(
  given: {
    readonly pouredMl: number;
    readonly bledMl: number;
    readonly removedMl: number;
    readonly spilledMl: number;
  },
  changeByRunMl: number,
  containers: number,
  reservoirs: readonly ReservoirLevel[],
): BalanceGap {
  const change = given.pouredMl - given.bledMl - given.removedMl - given.spilledMl;
  const reservoirMl = reservoirs.reduce(
    (sum, b) => sum + (GAP_RESERVOIR_MM * (b.maxMl - b.airDrawnMl)) / b.belowMaxMm,
    0,
  );
  const gapMl = figure({
    label: 'Not accounted for',
    value: change - changeByRunMl,
    unit: 'mL',
    rule: 'poured less bled, removed and spilled, less what the run left more inside',
    source: ARITHMETIC,
  });
  const allowedMl = figure({
    label: 'What a count may be off',
    value: GAP_SHARE_OF_BLED * given.bledMl + GAP_ML_PER_CONTAINER * containers + reservoirMl,
    unit: 'mL',
    rule: '5 % of what was bled, 10 mL a container, 5 mm of each reservoir',
    source: MODEL,
  });
  return { gapMl, allowedMl, beyond: Math.abs(gapMl.value) > allowedMl.value };
}
