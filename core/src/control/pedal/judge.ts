import type { Reading } from './reading';
import type { PedalResult } from './resultWords';

/** What the words mean in millimetres, each a house rule [M]; the maker's limit wins. */
export const JUDGED_BY = {
  pedal: {
    /** Of the height at rest, what a firm push may use up. */
    firmWithinShare: 0.5,
    /** From a light push to a firm one. */
    springyOverMm: 20,
    /** What pumping may gain under a firm push. */
    pumpedWithinMm: 10,
    /** Under a steady push in half a minute. */
    sinksOverMm: 5,
    /** What is left above the floor where there is no pressure. */
    floorMm: 5,
  },
  lever: {
    /** Of the travel to the bar, where it bites at the latest. */
    firmWithinShare: 0.5,
    // A lever has no limit from light to firm: it is firm by what it leaves to the bar.
    springyOverMm: null,
    pumpedWithinMm: 5,
    // "No creep": more than a ruler may err by.
    sinksOverMm: 2,
    // Two fingers from the bar under a firm pull are firm; at the bar there is no pressure.
    floorMm: 5,
  },
} as const;

/** Two fingers, mm [M]: so far from the bar a lever is firm under 150 N. */
export const TWO_FINGERS_MM = 30;

/** What the readings amount to in the words of the product, and by which figure; null where one is still missing. */
export interface Judged {
  readonly result: PedalResult;
  /** The figure that decides, mm, with what it is held against. */
  readonly by: {
    readonly what: string;
    readonly mm: number;
    readonly limitMm: number;
    /** Whether the limit is the least that is wanted, not the most. */
    readonly least: boolean;
  };
}

/** How far a push may be off the light one that was asked for, as a share [M]: a low one is none. */
const LIGHT_WITHIN = 0.1;

/** A measure that is still missing before a word can be said. */
export type MissingMeasure =
  | 'rest'
  | 'first resistance'
  | 'light push'
  | 'firm push'
  | 'firm push, pumped'
  | 'sink';

/**
 * The word for what was measured, so that two technicians say the same: the
 * worst that is true of it. Only what was measured is judged; a word is said
 * once nothing is missing, or sooner where what is there is bad enough.
 *
 * @param held pedal or lever: heights above the floor, or distances of the tip from the bar
 * @param lightN the force of the light push that was asked for
 * @param firmN that of the firm one; from it on a push is firm
 * @param sinkMm under a steady push in 30 s; null where nobody watched
 */
export function judgeMeasured(
  held: 'pedal' | 'lever',
  readings: readonly Reading[],
  {
    lightN,
    firmN,
    sinkMm,
  }: { readonly lightN: number; readonly firmN: number; readonly sinkMm: number | null },
): Judged | { readonly missing: readonly MissingMeasure[] } {
  const limits = JUDGED_BY[held];
  const under = (fits: (forceN: number) => boolean, pumped: boolean): number | null =>
    readings
      .filter((r) => typeof r.at === 'object' && r.pumped === pumped && fits(r.at.forceN))
      .map((r) => r.heightMm)
      .at(-1) ?? null;
  const place = (at: 'rest' | 'first resistance'): number | null =>
    readings.filter((r) => r.at === at && !r.pumped).at(-1)?.heightMm ?? null;
  const restMm = place('rest');
  const biteMm = place('first resistance');
  const firmMm = under((n) => n >= firmN, false);
  const pumpedMm = under((n) => n >= firmN, true);
  const lightMm = under((n) => Math.abs(n - lightN) <= LIGHT_WITHIN * lightN, false);
  const judged = (
    result: PedalResult,
    what: string,
    mm: number,
    limitMm: number,
    least = false,
  ): Judged => ({ result, by: { what, mm, limitMm, least } });
  if (firmMm !== null && firmMm <= limits.floorMm)
    return judged('no pressure', 'left under a firm push', firmMm, limits.floorMm, true);
  if (sinkMm !== null && sinkMm > limits.sinksOverMm)
    return judged('sinks', 'sunk in 30 s', sinkMm, limits.sinksOverMm);
  const { springyOverMm } = limits;
  if (springyOverMm !== null && lightMm !== null && firmMm !== null)
    if (lightMm - firmMm > springyOverMm)
      return judged('springy', 'from light to firm', lightMm - firmMm, springyOverMm);
  if (pumpedMm !== null && firmMm !== null && pumpedMm - firmMm > limits.pumpedWithinMm)
    return judged('springy', 'gained by pumping', pumpedMm - firmMm, limits.pumpedWithinMm);
  const halfMm = restMm === null ? null : restMm * limits.firmWithinShare;
  if (held === 'pedal' && halfMm !== null && firmMm !== null && restMm! - firmMm > halfMm)
    return judged('firm but low', 'used by a firm push', restMm! - firmMm, halfMm);
  if (held === 'lever' && halfMm !== null && biteMm !== null && restMm! - biteMm > halfMm)
    return judged('firm but low', 'used until it bites', restMm! - biteMm, halfMm);
  if (held === 'lever' && firmMm !== null && firmMm < TWO_FINGERS_MM)
    return judged('firm but low', 'left to the bar', firmMm, TWO_FINGERS_MM, true);
  const missing = (
    [
      ['rest', restMm],
      ...(held === 'lever'
        ? ([['first resistance', biteMm]] as const)
        : ([['light push', lightMm]] as const)),
      ['firm push', firmMm],
      ['firm push, pumped', pumpedMm],
      ['sink', sinkMm],
    ] as const
  ).flatMap(([what, mm]) => (mm === null ? [what] : []));
  if (missing.length > 0) return { missing };
  return held === 'lever'
    ? judged('firm and high', 'left to the bar', firmMm!, TWO_FINGERS_MM, true)
    : judged('firm and high', 'used by a firm push', restMm! - firmMm!, halfMm!);
}

/**
 * A word with the figure that decides it.
 *
 * @example "springy: 24 mm from light to firm, 20 at the most"
 */
export function judgedWords({ result, by: { what, mm, limitMm, least } }: Judged): string {
  const said = (n: number) => n.toFixed(1).replace(/\.0$/, '');
  return `${result}: ${said(mm)} mm ${what}, ${said(limitMm)} at the ${least ? 'least' : 'most'}`;
}
