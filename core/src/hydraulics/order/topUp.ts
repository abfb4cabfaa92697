import { howKnown, sizeFigure, type MayBeKnown } from '../../vehicle/circuit';
import { ARITHMETIC, figure, MODEL, type Figure } from '../../base/figure';

/** What is known of a reservoir's levels, mL. */
export interface ReservoirLevels extends MayBeKnown {
  readonly maxMl: number;
  readonly minMl: number;
  /** Where the highest outlet draws air. */
  readonly airDrawnMl: number;
}

/**
 * Level at which the call to top up comes, mL: MIN and a margin of a tenth of
 * the usable volume, at least 5 mL [M]. Never let it run dry: that is the one
 * mistake that starts the job over.
 *
 * @example MAX 200, MIN 70: 70 + 13 = 83 mL
 */
export function topUpLevel(reservoir: ReservoirLevels): Figure {
  const entry = (label: string, key: 'maxMl' | 'minMl' | 'airDrawnMl') =>
    sizeFigure(label, reservoir[key], 'mL', howKnown(reservoir, key));
  const margin = figure({
    label: 'Margin above MIN',
    value: Math.max(5, (reservoir.maxMl - reservoir.minMl) / 10),
    unit: 'mL',
    rule: 'a tenth of the volume between MIN and MAX, at least 5 mL',
    source: MODEL,
    from: [entry('At MAX', 'maxMl'), entry('At MIN', 'minMl')],
  });
  return figure({
    label: 'Top-up level',
    value: Math.max(reservoir.minMl, reservoir.airDrawnMl) + margin.value,
    unit: 'mL',
    rule: 'the larger of the volumes at MIN and where air is drawn, and the margin',
    source: ARITHMETIC,
    from: [entry('At MIN', 'minMl'), entry('Where air is drawn', 'airDrawnMl'), margin],
  });
}

/**
 * Strokes that may still be made before the level falls below the top-up level, rounded down, never below 0.
 *
 * @param levelMl volume in the reservoir at the lowest that it may stand at now, mL
 * @param strokeMl fluid in one stroke at the most, mL, above 0
 */
export function strokesUntilTopUp(
  levelMl: number,
  reservoir: ReservoirLevels,
  strokeMl: number,
): number {
  return Math.max(0, Math.floor((levelMl - topUpLevel(reservoir).value) / strokeMl + 1e-9));
}

/** Sooner than this nobody gets from the bleeder to the reservoir, s [M]: it is topped up instead. */
const SHORTEST_LOOK_S = 3;

/**
 * How long a steady flow may fill a way before somebody looks into the reservoir, s:
 * until the level could have fallen to the call to top up. A reservoir that gives no
 * more when it is full is looked into every second or two.
 *
 * @param mostMlS how fast the level may fall at the most, mL/s, above 0
 * @returns null where it is topped up first
 */
export function lookAfterS(
  levelMl: number,
  reservoir: ReservoirLevels,
  mostMlS: number,
): number | null {
  const seconds = Math.floor((levelMl - topUpLevel(reservoir).value) / mostMlS + 1e-9);
  return seconds >= SHORTEST_LOOK_S || levelMl >= reservoir.maxMl ? Math.max(1, seconds) : null;
}

/** Where a reservoir stands when fluid is pushed up into it, mL: midway, so that it has room [C]. */
export const halfMl = ({ maxMl, minMl }: Pick<ReservoirLevels, 'maxMl' | 'minMl'>): number =>
  (maxMl + minMl) / 2;

/** Less than this above half nobody draws off, mL [M]. */
const DRAW_FROM_ML = 0.5;

/**
 * Whether a reservoir is drawn off before the next push from below: before the first
 * where it stands above half, later where the push could take it above MAX.
 *
 * @param risesMl what the push would bring up, mL: itself less what is still empty on its way
 */
export function drawsOff(
  levelMl: number,
  reservoir: Pick<ReservoirLevels, 'maxMl' | 'minMl'>,
  risesMl: number,
  first: boolean,
): boolean {
  const above = levelMl - halfMl(reservoir);
  return above > DRAW_FROM_ML && (first || levelMl + risesMl > reservoir.maxMl + 1e-9);
}
