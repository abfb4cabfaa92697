import { layoutTemplates } from '../../vehicle/circuit/templates';
import { airWords, curveOf, pedalSetup, travelMm, type Reading } from '../pedal';
import { layoutOf, normalNoise } from '../../testing';
import { airLeft, ruled } from '.';

const SETUP = pedalSetup(layoutOf('hatchback-diagonal'), 'master');
const CURVE = curveOf(SETUP);

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

  test('high up it is reckoned by the air there: what was put in comes back, by sea level it would not', () => {
    const none = () => 0;
    const high = pedalSetup(layoutOf('hatchback-diagonal'), 'master', 3000);
    const [now, bled] = [2, 0].map((ml) => ruled(curveOf(high), ml, none));
    const there = airLeft(high, now!, bled!).ml;
    expect(Math.abs(there - 2)).toBeLessThan(0.06);
    expect(airLeft(SETUP, now!, bled!).ml).toBeGreaterThan(there + 0.02);
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

  test('the same readings as its baseline are no air, whatever shape they have: what is this vehicle’s own is no bubble', () => {
    const shaped = (dropMm: number): Reading[] => [
      { at: 'rest', pumped: false, heightMm: 180 },
      { at: 'first resistance', pumped: false, heightMm: 165 },
      { at: { forceN: 70 }, pumped: false, heightMm: 165 - dropMm },
      { at: { forceN: 300 }, pumped: false, heightMm: 148 - dropMm },
      { at: { forceN: 300 }, pumped: true, heightMm: 150 - dropMm },
    ];
    for (const dropMm of [5, 15, 30]) {
      const found = airLeft(SETUP, shaped(dropMm), shaped(dropMm));
      expect(found.found).toBe(false);
      expect(Math.abs(found.ml)).toBeLessThan(0.1);
      // Lower than at the baseline by what half a millilitre moves, it is one.
      expect(airLeft(SETUP, shaped(dropMm + 8), shaped(dropMm)).found).toBe(true);
    }
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
        expect(travelMm(curveOf(setup), 300, 0, false)).toBeGreaterThan(0);
      }
    }
  });
});
