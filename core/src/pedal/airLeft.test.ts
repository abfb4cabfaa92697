import { layoutOf, normalNoise } from '../testing';
import { layoutTemplates } from '../circuit';
import {
  airLeft,
  airWords,
  curveOf,
  forcesFor,
  lostShare,
  pedalSetup,
  pressureMPa,
  ruled,
  SEA_LEVEL_MPA,
  travelMm,
  type Curve,
  type Reading,
} from '.';

const SETUP = pedalSetup(layoutOf('hatchback-diagonal'), 'master');
const CURVE = curveOf(SETUP);

describe('Boyle and the lever', () => {
  // Boyle's law, isothermal: V/V₀ = p₀/(p₀ + p); at 1 MPa 0.101325/1.101325 is left.
  test.each([
    [0, 0],
    [0.101325, 0.5],
    [0.30397, 0.75],
    [1, 0.908],
    [10, 0.98997],
  ])('at %p MPa above the air a bubble has lost %p of itself', (gaugeMPa, share) => {
    expect(lostShare(gaugeMPa)).toBeCloseTo(share, 3);
  });

  test('in the hills it loses more of itself under the same push', () => {
    // 0.0795 MPa: the standard atmosphere at 2000 m, ISO 2533:1975.
    expect(lostShare(0.1, 0.0795)).toBeGreaterThan(lostShare(0.1));
  });

  test('pressure is force by ratio less the springs, over the bore: textbook lever arithmetic', () => {
    // 5 × 300 N − 100 N on 22.2 mm (387 mm²) are 3.62 MPa.
    const curve = { ratio: 5, areaMm2: (Math.PI * 22.2 ** 2) / 4, preloadN: 100 };
    expect(pressureMPa(curve, 300)).toBeCloseTo(1400 / 387.08, 3);
    expect(pressureMPa(curve, 20)).toBe(0);
    expect(pressureMPa(curve, 20.1)).toBeGreaterThan(0);
  });

  test('half a millilitre on 22 mm and ratio 5 moves the pedal 5 to 6 mm up to a light push, and hardly more beyond it', () => {
    const curve: Curve = {
      ...CURVE,
      ratio: 5,
      areaMm2: (Math.PI * 22 ** 2) / 4,
      complianceMlPerMPa: 0,
      preloadN: 100,
    };
    const added = (forceN: number) =>
      travelMm(curve, forceN, 0.5, false) - travelMm(curve, forceN, 0, false);
    const light = added(50);
    expect(light).toBeGreaterThan(4.5);
    expect(light).toBeLessThan(6);
    const more = added(300) - light;
    expect(more).toBeGreaterThan(0.9);
    expect(more).toBeLessThan(1.7);
  });
});

describe('forces', () => {
  test('the low ones lie above what the springs hold back, in their order, and the light push above them', () => {
    for (const ratio of [3, 4.2, 6])
      for (const preloadN of [50, 100, 150]) {
        const { low, light, firm } = forcesFor('pedal', { ratio, preloadN });
        expect(low[0] * ratio).toBeGreaterThan(preloadN);
        expect([...[low[0], low[1], light, firm]].sort((a, b) => a - b)).toEqual([
          ...low,
          light,
          firm,
        ]);
        expect(light).toBeGreaterThanOrEqual(50);
      }
    expect(forcesFor('lever', { ratio: 6, preloadN: 50 })).toMatchObject({ firm: 150 });
  });
});

describe('air left', () => {
  test('without the ruler’s error the inverse gives back what was put in, with a baseline', () => {
    const none = () => 0;
    for (const ml of [0, 0.5, 2]) {
      const found = airLeft(SETUP, ruled(CURVE, ml, none), ruled(CURVE, 0, none));
      expect(Math.abs(found.ml - ml)).toBeLessThan(0.06);
      expect(found.plusMinusMl).toBeLessThan(0.8);
      expect(found.found).toBe(ml > 0.4);
    }
  });

  test('cars with 0, 0.5 and 2 mL, read by a ruler that errs by 1.5 mm at each reading and at the baseline’s, are put in the nearest class 9 times of 10', () => {
    let right = 0;
    let tries = 0;
    for (let seed = 1; seed <= 20; seed++)
      for (const ml of [0, 0.5, 2]) {
        const error = normalNoise(seed * 7 + ml * 10);
        const found = airLeft(SETUP, ruled(CURVE, ml, error), ruled(CURVE, 0, error));
        const nearest = [0, 0.5, 2].reduce((a, b) =>
          Math.abs(b - found.ml) < Math.abs(a - found.ml) ? b : a,
        );
        tries++;
        if (nearest === ml) right++;
      }
    expect(right / tries).toBeGreaterThanOrEqual(0.9);
  });

  test('without a baseline less can be told, and the same readings always give the same answer', () => {
    const error = normalNoise(3);
    const [now, before] = [ruled(CURVE, 1, error), ruled(CURVE, 0, error)];
    const [alone, beside] = [airLeft(SETUP, now, null), airLeft(SETUP, now, before)];
    expect(alone.sdMl).toBeGreaterThan(beside.sdMl);
    expect(airLeft(SETUP, now, before)).toEqual(beside);
    // Another seed tries other springs; the answer stays.
    expect(Math.abs(airLeft(SETUP, now, before, { seed: 99 }).ml - beside.ml)).toBeLessThan(0.03);
  });

  test('readings that the springs hold back tell nothing: which force would is said', () => {
    const now: Reading[] = [
      { at: 'rest', pumped: false, heightMm: 180 },
      { at: { forceN: 10 }, pumped: false, heightMm: 160 },
    ];
    expect(() => airLeft(SETUP, now, null)).toThrow(/read it under more than \d+ N/);
  });

  test('in words: an amount with its band, or that none was found and what may hide', () => {
    expect(airWords({ ml: 0.8, sdMl: 0.15, plusMinusMl: 0.3, found: true })).toBe(
      'about 0.8 mL, give or take 0.3',
    );
    expect(airWords({ ml: -0.1, sdMl: 0.15, plusMinusMl: 0.3, found: false })).toBe(
      'none found, less than 0.3 mL',
    );
    expect(airWords({ ml: 0.2, sdMl: 0.15, plusMinusMl: 0.3, found: false })).toBe(
      'none found, less than 0.5 mL',
    );
  });

  test('every template’s controls have a curve', () => {
    for (const { id } of layoutTemplates) {
      const layout = layoutOf(id);
      for (const m of layout.masters) {
        const setup = pedalSetup(layout, m.id);
        expect(setup.complianceMlPerMPa.value).toBeGreaterThan(0);
        expect(setup.clearanceMl.value).toBeGreaterThanOrEqual(0);
        expect(travelMm(curveOf(setup, SEA_LEVEL_MPA), 300, 0, false)).toBeGreaterThan(0);
      }
    }
  });
});
