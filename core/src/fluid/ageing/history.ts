import { figure, PRACTICE, type Figure } from '../../base/figure';
import {
  CHEMISTRY,
  limitsOf,
  toStandardPressureC,
  WATER_NOW_PERCENT,
  WATER_THIS_VISIT_PERCENT,
  waterFromBoilingPercent,
  type Grade,
  type Sample,
} from '../verdict';
import type { PartAge } from '../inside';
import { fitUptake, type UptakeFit } from './fitUptake';
import { forecastMonths, type Forecast } from './forecast';
import { waterAfterPercent, type Climate } from './uptake';

/** One reading of a vehicle's fluid, whenever it was taken. */
export interface HistorySample {
  readonly jobId: string;
  readonly atMs: number;
  readonly point: string;
  /** Grade that was in the system. */
  readonly grade: Grade;
  /** By a meter that was set to that grade, % by mass. */
  readonly waterPercent: number | null;
  /** At 1013 hPa. */
  readonly boilingC: number | null;
}

/** One change of the fluid. */
export interface HistoryChange {
  readonly jobId: string;
  readonly atMs: number;
  readonly grade: Grade;
}

/** One reading as water, for chart and fit. */
export interface HistoryPoint {
  readonly jobId: string;
  readonly atMs: number;
  readonly point: string;
  readonly waterPercent: number;
  /** Whether the water was read or follows from a boiling point. */
  readonly by: 'water' | 'boiling point';
}

/** When the fluid is due, and what says so. */
export interface NextChange {
  readonly by: 'maker' | 'measurement' | 'house rule';
  readonly months: Figure;
  /** Null when not within ten years. */
  readonly dueMs: number | null;
  readonly earliestMs: number | null;
  readonly latestMs: number | null;
}

export interface FluidHistory {
  readonly points: readonly HistoryPoint[];
  /** Null before a change is on record, or where the grade takes up no water that a model knows. */
  readonly ageing: {
    readonly fit: UptakeFit;
    readonly sinceMs: number;
    readonly visit: Forecast;
    readonly now: Forecast;
  } | null;
  /** Null before a change is on record. */
  readonly next: NextChange | null;
}

/** The fill that the count starts from. Where nobody knows what a part holds, nobody is told a date. */
function sinceFill(
  oldest: PartAge | null,
  changes: readonly HistoryChange[],
): Pick<HistoryChange, 'atMs' | 'grade'> | null {
  const whole = changes.at(-1) ?? null;
  if (!oldest) return whole;
  const grade = oldest.since?.grade ?? whole?.grade;
  return oldest.since && grade ? { atMs: oldest.since.filledAtMs, grade } : null;
}

/** What a sample says for the history: water only where the meter was set to the grade inside, boiling point at 1013 hPa; nothing by a practice instrument. */
export function historyReading(
  sample: Pick<Sample, 'water' | 'boiling' | 'practice'>,
  grade: Grade,
): Pick<HistorySample, 'waterPercent' | 'boilingC'> {
  const { water, boiling, practice } = sample;
  return {
    waterPercent: !practice && water?.meterGrade === grade ? water.percent : null,
    boilingC:
      !practice && boiling ? toStandardPressureC(boiling.observedC, boiling.ambientHpa) : null,
  };
}

export const MONTH_MS = (365.25 / 12) * 86_400_000;
/** Readings this soon after a change say more of the reading than of the uptake, months [M]. */
const SOONEST_MONTHS = 0.1;

/**
 * What the readings of a vehicle say about its fluid: the uptake since the fill
 * of its oldest part, fitted to the worst reading of every visit of this vehicle (each
 * counted from the change before it), and when the fluid is due. The maker's
 * interval beats a forecast, a forecast by measurement beats the house rule.
 *
 * @param oldest the part whose fluid is the oldest, by what is inside; null where no content is on record, then the last whole change counts
 * @param interval months between changes, and who says so
 */
export function fluidHistory(given: {
  readonly samples: readonly HistorySample[];
  readonly changes: readonly HistoryChange[];
  readonly oldest: PartAge | null;
  readonly climate: Climate;
  readonly interval: { readonly months: number; readonly by: 'maker' | 'house rule' };
}): FluidHistory {
  const points = given.samples.flatMap(pointOf).sort((a, b) => a.atMs - b.atMs);
  const changes = [...given.changes].sort((a, b) => a.atMs - b.atMs);
  const last = sinceFill(given.oldest, changes);
  if (!last) return { points, ageing: null, next: null };
  const fit =
    CHEMISTRY[last.grade] === 'glycol'
      ? fitUptake(given.climate, worstOfVisits(points, changes))
      : null;
  const ageing = fit && {
    fit,
    sinceMs: last.atMs,
    visit: forecastMonths(fit, WATER_THIS_VISIT_PERCENT),
    now: forecastMonths(fit, WATER_NOW_PERCENT),
  };
  return { points, ageing, next: nextChange(last.atMs, ageing, given.interval) };
}

/**
 * The sample that boils first: of glycol the wettest, where a measured boiling
 * point stands for the water that would bring it; of silicone the lowest
 * measured boiling point. Null where nothing tells.
 */
export function worstReading<T extends HistorySample>(samples: readonly T[]): T | null {
  const wetness = (s: T) =>
    CHEMISTRY[s.grade] === 'glycol'
      ? (pointOf(s)[0]?.waterPercent ?? null)
      : s.boilingC === null
        ? null
        : -s.boilingC;
  return samples.reduce<T | null>(
    (worst, s) =>
      wetness(s) !== null && (worst === null || wetness(s)! > wetness(worst)!) ? s : worst,
    null,
  );
}

/** The uptake by the fit with its band, for a chart: months since the change against water, nine in ten within the band. */
export function uptakeCurve(
  fit: UptakeFit,
  untilMonths: number,
): {
  readonly months: number;
  readonly least: number;
  readonly percent: number;
  readonly most: number;
}[] {
  const STEPS = 48;
  const at = (months: number, sds: number) =>
    waterAfterPercent(months, fit.climate, fit.tauMonths * Math.exp(sds * fit.lnTauSd));
  return Array.from({ length: STEPS + 1 }, (_, i) => {
    const months = (untilMonths * i) / STEPS;
    return { months, least: at(months, 1.6449), percent: at(months, 0), most: at(months, -1.6449) };
  });
}

function pointOf(s: HistorySample): HistoryPoint[] {
  if (CHEMISTRY[s.grade] !== 'glycol') return [];
  const base = { jobId: s.jobId, atMs: s.atMs, point: s.point };
  // A measured boiling point wins over the water reading of the same point.
  if (s.boilingC !== null)
    return [
      {
        ...base,
        waterPercent: waterFromBoilingPercent(limitsOf(s.grade, null), s.boilingC),
        by: 'boiling point',
      },
    ];
  return s.waterPercent === null ? [] : [{ ...base, waterPercent: s.waterPercent, by: 'water' }];
}

function worstOfVisits(
  points: readonly HistoryPoint[],
  changes: readonly HistoryChange[],
): { months: number; waterPercent: number }[] {
  const worst = new Map<string, { months: number; waterPercent: number }>();
  for (const p of points) {
    const before = changes.filter((c) => c.atMs < p.atMs && c.jobId !== p.jobId).at(-1);
    if (!before) continue;
    const months = (p.atMs - before.atMs) / MONTH_MS;
    const known = worst.get(p.jobId);
    if (months >= SOONEST_MONTHS && (!known || p.waterPercent > known.waterPercent))
      worst.set(p.jobId, { months, waterPercent: p.waterPercent });
  }
  return [...worst.values()];
}

function nextChange(
  sinceMs: number,
  ageing: FluidHistory['ageing'],
  interval: { months: number; by: 'maker' | 'house rule' },
): NextChange {
  const at = (months: number) => sinceMs + months * MONTH_MS;
  if (interval.by === 'house rule' && ageing && ageing.fit.measurements > 0) {
    const { now } = ageing;
    if (now.kind === 'in months')
      return {
        by: 'measurement',
        months: now.months,
        dueMs: at(now.months.value),
        earliestMs: at(now.earliestMonths),
        latestMs: now.latestMonths === null ? null : at(now.latestMonths),
      };
    return {
      by: 'measurement',
      months: figure({
        label: 'Until 3 % water, more than',
        value: 120,
        unit: 'months',
        rule: 'the uptake by this vehicle’s measurements does not reach the limit within ten years',
        source: { kind: 'model' },
      }),
      dueMs: null,
      earliestMs: null,
      latestMs: null,
    };
  }
  const months = figure({
    label: 'Interval',
    value: interval.months,
    unit: 'months',
    source: interval.by === 'maker' ? { kind: 'entry' } : PRACTICE,
    rule:
      interval.by === 'maker'
        ? 'the maker’s interval, as entered for this vehicle; it beats every forecast'
        : 'house rule of the workshop; nothing was measured on this vehicle yet',
  });
  return { by: interval.by, months, dueMs: at(interval.months), earliestMs: null, latestMs: null };
}
