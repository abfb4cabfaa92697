import { fluidHistory, MONTH_MS, type HistorySample } from '@brook/core/fluid/ageing';
import fc from 'fast-check';
import { historyChart } from './chart';

const NOW = Date.UTC(2026, 4, 12);
const sample = (
  monthsAgo: number,
  waterPercent: number | null,
  more: Partial<HistorySample> = {},
): HistorySample => ({
  jobId: `j${monthsAgo}`,
  atMs: NOW - monthsAgo * MONTH_MS,
  point: 'reservoir',
  grade: 'DOT 4',
  waterPercent,
  boilingC: null,
  ...more,
});
const change = (monthsAgo: number) => ({
  jobId: `c${monthsAgo}`,
  atMs: NOW - monthsAgo * MONTH_MS,
  grade: 'DOT 4' as const,
});
const chartOf = (samples: HistorySample[], changes: ReturnType<typeof change>[]) =>
  historyChart(
    fluidHistory({
      oldest: null,
      samples,
      changes,
      climate: 'temperate',
      interval: { months: 24, by: 'house rule' },
    }),
    changes,
    NOW,
    340,
    220,
  );
const numbers = (path: string) => path.match(/-?\d+(\.\d+)?/g)?.map(Number) ?? [];

test('reservoir, bleeder and boiling point are told apart by shape, not by colour', () => {
  const { marks } = chartOf(
    [sample(3, 2), sample(3, 2.5, { point: 'left-rear' }), sample(2, null, { boilingC: 180 })],
    [change(10)],
  );
  expect(new Set(Object.values(marks).map((m) => m.replace(/[-\d.,]/g, ''))).size).toBe(3);
  expect(Object.values(marks).every((m) => m.length > 0)).toBe(true);
});

test('more water stands higher, and limits lie within the picture', () => {
  const { y, height } = chartOf([sample(3, 2)], [change(10)]);
  expect(y(3)).toBeLessThan(y(1.5));
  expect(y(0)).toBeLessThan(height);
  expect(y(4)).toBeGreaterThan(0);
});

test('without a change there is no curve, and without anything an empty year', () => {
  expect(chartOf([sample(3, 2)], [])).toMatchObject({ curve: '', band: '' });
  expect(chartOf([], []).marks).toEqual({ reservoir: '', bleeder: '', boiling: '' });
});

test('whatever was read, everything is drawn within the picture', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          ago: fc.integer({ min: 0, max: 200 }),
          percent: fc.double({ min: 0, max: 9, noNaN: true }),
        }),
        { maxLength: 30 },
      ),
      fc.array(fc.integer({ min: 0, max: 200 }), { maxLength: 4 }),
      (read, changed) => {
        const chart = chartOf(
          read.map((r) => sample(r.ago, r.percent)),
          changed.map(change),
        );
        for (const path of [chart.curve, chart.band, chart.marks.reservoir])
          for (const n of numbers(path)) expect(Math.abs(n)).toBeLessThanOrEqual(chart.width);
        for (const c of chart.changes) expect(c.x).toBeLessThanOrEqual(chart.nowX + 1e-6);
        expect(chart.years.length).toBeLessThanOrEqual(7);
      },
    ),
  );
});
