import { BAND_95 } from './airWords';

/** Air behind a control at one moment, against the first measure on record. */
export interface TrendPoint {
  readonly atMs: number;
  /** mL, may be below 0. */
  readonly ml: number;
  /** Standard deviation, above 0, mL. */
  readonly sdMl: number;
}

/** Which way it goes. */
export interface Trend {
  readonly verdict: 'worse' | 'better' | 'no change' | 'too few';
  /** mL a year, and half the band that holds it 19 times of 20; null where there are too few. */
  readonly mlPerYear: number | null;
  readonly plusMinus: number | null;
}

const YEAR_MS = 365.25 * 86_400_000;
/** Fewer than these, over less than a month, tell no slope [M]. */
const FEWEST = 3;
const SHORTEST_MS = YEAR_MS / 12;
/** The first measure, which the others are held against, and what it may have held itself [M]. */
export const FIRST_MEASURE: Pick<TrendPoint, 'ml' | 'sdMl'> = { ml: 0, sdMl: 0.1 };

/**
 * Whether air comes to be behind a control over the years: a straight line by
 * least squares, each point weighted by what its readings tell (Bevington and
 * Robinson 2003, section 6.3: Δ = Σw Σwx² − (Σwx)², b = (Σw Σwxy − Σwx Σwy)/Δ,
 * σ_b² = Σw/Δ).
 *
 * @param points in any order
 */
export function airTrend(points: readonly TrendPoint[]): Trend {
  const times = points.map((p) => p.atMs);
  const first = Math.min(...times);
  if (points.length < FEWEST || Math.max(...times) - first < SHORTEST_MS)
    return { verdict: 'too few', mlPerYear: null, plusMinus: null };
  let [w, wx, wy, wxx, wxy] = [0, 0, 0, 0, 0];
  for (const { atMs, ml, sdMl } of points) {
    const weight = 1 / (sdMl * sdMl);
    const x = (atMs - first) / YEAR_MS;
    w += weight;
    wx += weight * x;
    wy += weight * ml;
    wxx += weight * x * x;
    wxy += weight * x * ml;
  }
  const delta = w * wxx - wx * wx;
  const mlPerYear = (w * wxy - wx * wy) / delta;
  const plusMinus = BAND_95 * Math.sqrt(w / delta);
  return {
    verdict: Math.abs(mlPerYear) <= plusMinus ? 'no change' : mlPerYear > 0 ? 'worse' : 'better',
    mlPerYear,
    plusMinus,
  };
}

/**
 * The trend in one sentence.
 *
 * @example "Getting worse: 0.5 mL more a year, give or take 0.2"
 */
export function trendWords({ verdict, mlPerYear, plusMinus }: Trend): string {
  if (mlPerYear === null || plusMinus === null)
    return 'Too few measures for a trend: three, over a month at least';
  const size = Math.abs(mlPerYear).toFixed(1);
  const band = `give or take ${plusMinus.toFixed(1)}`;
  switch (verdict) {
    case 'worse':
      return `Getting worse: ${size} mL more a year, ${band}`;
    case 'better':
      return `Getting better: ${size} mL less a year, ${band}`;
    default:
      return `No change that the readings can tell: ${mlPerYear < 0 ? '−' : '+'}${size} mL a year, ${band}`;
  }
}
