import fc from 'fast-check';
import { airTrend, trendWords } from '.';

const YEAR = 365.25 * 86_400_000;
const at = (years: number, ml: number, sdMl = 0.1) => ({ atMs: years * YEAR, ml, sdMl });

// Equal weights: the slope of a straight line, and σ/√Σ(x − x̄)² (Bevington and Robinson 2003, eq. 6.23).
test('a line is given back, with the error that the textbook gives its slope', () => {
  const { mlPerYear, plusMinus } = airTrend([at(0, 0), at(1, 0.5), at(2, 1)]);
  expect(mlPerYear).toBeCloseTo(0.5, 9);
  expect(plusMinus).toBeCloseTo(1.96 * (0.1 / Math.sqrt(2)), 9);
});

test('a point that tells little hardly moves it', () => {
  const straight = [at(0, 0), at(1, 0.5), at(2, 1)];
  const { mlPerYear } = airTrend([...straight, at(3, 9, 50)]);
  expect(mlPerYear).toBeCloseTo(0.5, 2);
});

test.each([
  [
    [at(0, 0), at(1, 0.5), at(2, 1)],
    'worse',
    'Getting worse: 0.5 mL more a year, give or take 0.1',
  ],
  [
    [at(0, 1), at(1, 0.5), at(2, 0)],
    'better',
    'Getting better: 0.5 mL less a year, give or take 0.1',
  ],
  [
    [at(0, 0, 0.5), at(1, 0.1, 0.5), at(2, 0.2, 0.5)],
    'no change',
    'No change that the readings can tell: +0.1 mL a year, give or take 0.7',
  ],
  [[at(0, 0), at(1, 1)], 'too few', 'Too few measures for a trend: three, over a month at least'],
  [
    [at(0, 0), at(0.01, 1), at(0.02, 2)],
    'too few',
    'Too few measures for a trend: three, over a month at least',
  ],
] as const)('%#: %s', (points, verdict, words) => {
  const trend = airTrend(points);
  expect(trend.verdict).toBe(verdict);
  expect(trendWords(trend)).toBe(words);
});

test('when it began and in which order it is told changes nothing', () => {
  const point = fc.record({
    years: fc.double({ min: 0, max: 5, noNaN: true }),
    ml: fc.double({ min: -1, max: 3, noNaN: true }),
    sd: fc.double({ min: 0.05, max: 1, noNaN: true }),
  });
  fc.assert(
    fc.property(
      fc.array(point, { minLength: 3, maxLength: 8 }),
      fc.integer({ min: 0, max: 40 }),
      (given, later) => {
        const points = given.map((p) => at(p.years, p.ml, p.sd));
        const one = airTrend(points);
        const other = airTrend(
          [...points].reverse().map((p) => ({ ...p, atMs: p.atMs + later * YEAR })),
        );
        fc.pre(one.mlPerYear !== null && one.plusMinus! < 50);
        expect(other.mlPerYear).toBeCloseTo(one.mlPerYear!, 3);
      },
    ),
  );
});
