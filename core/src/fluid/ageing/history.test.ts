import fc from 'fast-check';
import { boilingPointC, GRADE_LIMITS } from '../verdict';
import {
  fluidHistory,
  historyReading,
  MONTH_MS,
  uptakeCurve,
  waterAfterPercent,
  worstReading,
  type HistorySample,
} from '.';

const sample = (
  months: number,
  waterPercent: number | null,
  more: Partial<HistorySample> = {},
): HistorySample => ({
  jobId: `j${months}`,
  atMs: months * MONTH_MS,
  point: 'reservoir',
  grade: 'DOT 4',
  waterPercent,
  boilingC: null,
  ...more,
});
const change = (months: number, grade: HistorySample['grade'] = 'DOT 4') => ({
  jobId: `j${months}`,
  atMs: months * MONTH_MS,
  grade,
});
const HOUSE = { months: 24, by: 'house rule' as const };
const of = (
  samples: HistorySample[],
  changes: ReturnType<typeof change>[],
  interval: { months: number; by: 'maker' | 'house rule' } = HOUSE,
) => fluidHistory({ samples, changes, oldest: null, climate: 'temperate', interval });

test('before a change is on record nobody is told a date', () => {
  expect(of([sample(3, 2)], [])).toMatchObject({
    ageing: null,
    next: null,
    points: [{ waterPercent: 2 }],
  });
});

// By measurement where there is one, by interval where there is none, and the maker beats both: common practice, no source.
test('who says when: maker, then measurement, then house rule', () => {
  const due = (...args: Parameters<typeof of>) => of(...args).next!;
  expect(due([], [change(0)])).toMatchObject({
    by: 'house rule',
    dueMs: 24 * MONTH_MS,
    months: { value: 24, source: { kind: 'practice' } },
  });
  expect(due([sample(12, 2.4)], [change(0)]).by).toBe('measurement');
  expect(due([sample(12, 2.4)], [change(0)], { months: 36, by: 'maker' })).toMatchObject({
    by: 'maker',
    dueMs: 36 * MONTH_MS,
    earliestMs: null,
  });
});

test('a wet vehicle is due sooner than the trade’s two years, a dry one later, and its band holds the date', () => {
  for (const [percent, sooner] of [
    [2.6, true],
    [1, false],
  ] as const) {
    const next = of([sample(12, percent)], [change(0)]).next!;
    expect(next.dueMs! < 24 * MONTH_MS).toBe(sooner);
    expect(next.earliestMs!).toBeLessThan(next.dueMs!);
    if (next.latestMs !== null) expect(next.latestMs).toBeGreaterThan(next.dueMs!);
  }
});

test('the reading at a change tells of the fill before it, counted from the change before', () => {
  const told = of(
    [sample(20, waterAfterPercent(20, 'temperate', 14), { jobId: 'second' })],
    [change(0), { ...change(20), jobId: 'second' }],
  );
  expect(told.ageing).toMatchObject({ sinceMs: 20 * MONTH_MS, fit: { measurements: 1 } });
  expect(told.next!.dueMs!).toBeLessThan((20 + 24) * MONTH_MS);
});

test('of one visit the worst point counts', () => {
  const worst = of([sample(12, 1.2), sample(12, 2.6, { point: 'left-rear' })], [change(0)]);
  expect(worst.ageing!.fit).toEqual(of([sample(12, 2.6)], [change(0)]).ageing!.fit);
});

test('a boiling point stands for the water that would bring it, and wins over the meter', () => {
  const boilingC = boilingPointC(GRADE_LIMITS['DOT 4'], 2.2);
  const [point] = of([sample(12, 0.4, { boilingC })], [change(0)]).points;
  expect(point).toMatchObject({ by: 'boiling point', waterPercent: expect.closeTo(2.2, 9) });
});

// FMVSS 116 S6.1: 0.039 °C for each mmHg up to 190 °C observed; 63 hPa are 47.25 mmHg.
test('a sample counts by the meter that was set to the grade inside, corrected to 1013 hPa, and not at all by practice', () => {
  const water = { percent: 2, meterGrade: 'DOT 4' as const };
  expect(
    historyReading(
      { water, boiling: { observedC: 180, ambientHpa: 950 }, practice: false },
      'DOT 4',
    ),
  ).toEqual({ waterPercent: 2, boilingC: expect.closeTo(180 + 0.039 * 47.25, 1) });
  expect(historyReading({ water, boiling: null, practice: false }, 'DOT 3')).toEqual({
    waterPercent: null,
    boilingC: null,
  });
  expect(
    historyReading(
      { water, boiling: { observedC: 180, ambientHpa: 950 }, practice: true },
      'DOT 4',
    ),
  ).toEqual({ waterPercent: null, boilingC: null });
});

test('the sample that boils first is found across meters and testers', () => {
  const reservoir = sample(1, 2);
  const boils = (boilingC: number) => sample(1, null, { point: 'left-rear', boilingC });
  // 2 % water in DOT 4 stands for about 181 °C by the interpolation.
  expect(worstReading([reservoir, boils(150)])!.point).toBe('left-rear');
  expect(worstReading([boils(210), reservoir])!.point).toBe('reservoir');
  expect(worstReading([sample(1, 5, { boilingC: 210 }), reservoir])).toBe(reservoir);
  expect(worstReading([sample(1, null)])).toBeNull();
  expect(
    worstReading([200, 170].map((boilingC) => sample(1, null, { grade: 'DOT 5', boilingC })))!
      .boilingC,
  ).toBe(170);
});

test('silicone has no uptake: its date is by interval alone', () => {
  expect(of([sample(12, 2, { grade: 'DOT 5' })], [change(0, 'DOT 5')])).toMatchObject({
    points: [],
    ageing: null,
    next: { by: 'house rule' },
  });
});

test('the curve starts dry, stays within its band and only grows', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.5, max: 4, noNaN: true }), (percent) => {
      const { fit } = of([sample(12, percent)], [change(0)]).ageing!;
      const curve = uptakeCurve(fit, 36);
      expect(curve[0]).toEqual({ months: 0, least: 0, percent: 0, most: 0 });
      curve.slice(1).forEach((p, i) => {
        expect(p.least).toBeLessThan(p.percent);
        expect(p.percent).toBeLessThan(p.most);
        expect(p.percent).toBeGreaterThan(curve[i]!.percent);
      });
    }),
  );
});
