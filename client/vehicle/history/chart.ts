import {
  MONTH_MS,
  uptakeCurve,
  type FluidHistory,
  type HistoryChange,
} from '@brook/core/fluid/ageing';

/** A chart as it is drawn, px from its upper left corner. */
export interface HistoryChart {
  readonly width: number;
  readonly height: number;
  /** Readings as path data: off the reservoir, off a bleeder, by boiling point. One path each, so that thousands draw as fast as ten. */
  readonly marks: Readonly<Record<'reservoir' | 'bleeder' | 'boiling', string>>;
  readonly changes: readonly { readonly x: number; readonly atMs: number }[];
  /** Uptake since the last change by the fit, and the band in which nine in ten would lie. */
  readonly curve: string;
  readonly band: string;
  readonly nowX: number;
  readonly levels: readonly { readonly percent: number; readonly y: number }[];
  readonly years: readonly { readonly year: number; readonly x: number }[];
  readonly y: (percent: number) => number;
}

/** Where the picture begins, px from the top: above it stands a line of words. */
export const CHART_TOP = 28;
const EDGE = { left: 34, right: 12, top: CHART_TOP, bottom: 26 };
const MARK = 4;
/** How far beyond today the uptake is drawn, months. */
const AHEAD_MONTHS = 18;

/** Lay a vehicle's readings out over time, with the uptake since its last change. */
export function historyChart(
  history: FluidHistory,
  changes: readonly HistoryChange[],
  nowMs: number,
  width: number,
  height: number,
): HistoryChart {
  const times = [...history.points.map((p) => p.atMs), ...changes.map((c) => c.atMs)];
  const from = times.length > 0 ? times.reduce((a, b) => Math.min(a, b)) : nowMs - 12 * MONTH_MS;
  const until = nowMs + (history.ageing ? AHEAD_MONTHS : 1) * MONTH_MS;
  const most = Math.max(
    4,
    ...history.points
      .map((p) => p.waterPercent + 0.4)
      .reduce<number[]>((m, v) => [Math.max(m[0] ?? 0, v)], []),
  );
  const x = (ms: number) =>
    EDGE.left + ((ms - from) / (until - from)) * (width - EDGE.left - EDGE.right);
  const y = (percent: number) =>
    EDGE.top + (1 - percent / most) * (height - EDGE.top - EDGE.bottom);
  const marks = { reservoir: '', bleeder: '', boiling: '' };
  for (const p of history.points) {
    const kind =
      p.by === 'boiling point' ? 'boiling' : p.point === 'reservoir' ? 'reservoir' : 'bleeder';
    marks[kind] += SHAPES[kind](x(p.atMs), y(p.waterPercent));
  }
  const { ageing } = history;
  const curve = ageing ? uptakeCurve(ageing.fit, (until - ageing.sinceMs) / MONTH_MS) : [];
  const at = (months: number, percent: number) =>
    `${round(x(ageing!.sinceMs + months * MONTH_MS))},${round(y(Math.min(percent, most)))}`;
  return {
    width,
    height,
    marks,
    y,
    changes: changes.map((c) => ({ x: x(c.atMs), atMs: c.atMs })),
    // Above the picture the curve goes on unseen.
    curve:
      curve.length > 0
        ? `M${curve
            .filter((p) => p.percent <= most)
            .map((p) => at(p.months, p.percent))
            .join('L')}`
        : '',
    band:
      curve.length > 0
        ? `M${curve.map((p) => at(p.months, p.most)).join('L')}L${[...curve]
            .reverse()
            .map((p) => at(p.months, p.least))
            .join('L')}Z`
        : '',
    nowX: x(nowMs),
    levels: Array.from({ length: Math.floor(most) + 1 }, (_, percent) => ({
      percent,
      y: y(percent),
    })),
    years: yearsBetween(from, until).map(({ year, atMs }) => ({ year, x: x(atMs) })),
  };
}

const round = (v: number): number => Math.round(v * 10) / 10;

/** A ring off the reservoir, a square off a bleeder, a triangle where a boiling point stands for the water. */
const SHAPES: Readonly<Record<keyof HistoryChart['marks'], (x: number, y: number) => string>> = {
  reservoir: (x, y) =>
    `M${round(x - MARK)},${round(y)}a${MARK},${MARK} 0 1 0 ${2 * MARK},0a${MARK},${MARK} 0 1 0 ${-2 * MARK},0`,
  bleeder: (x, y) => `M${round(x - MARK)},${round(y - MARK)}h${2 * MARK}v${2 * MARK}h${-2 * MARK}Z`,
  boiling: (x, y) =>
    `M${round(x)},${round(y - MARK - 1)}l${MARK + 1},${2 * MARK + 1}h${-2 * (MARK + 1)}Z`,
};

function yearsBetween(from: number, until: number): { year: number; atMs: number }[] {
  const first = new Date(from).getUTCFullYear() + 1;
  const years = [];
  for (let year = first; Date.UTC(year, 0, 1) <= until; year++)
    years.push({ year, atMs: Date.UTC(year, 0, 1) });
  const every = Math.ceil(years.length / 6);
  return years.filter((_, i) => i % Math.max(1, every) === 0);
}
