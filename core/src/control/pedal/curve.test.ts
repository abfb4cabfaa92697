import { layoutOf } from '../../testing';
import { curveOf, forcesFor, lostShare, pedalSetup, pressureMPa, travelMm, type Curve } from '.';

const CURVE = curveOf(pedalSetup(layoutOf('hatchback-diagonal'), 'master'));

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

// ISO 2533:1975, the table of the standard atmosphere: 101,325 Pa at sea level, 89,875 at 1,000 m, 79,501 at 2,000 m.
test.each([
  [0, 0.101325],
  [1000, 0.089875],
  [2000, 0.079501],
])('at %d m the air round a pedal has %d MPa', (altitudeM, mpa) => {
  expect(pedalSetup(layoutOf('hatchback-diagonal'), 'master', altitudeM).ambientMPa).toBeCloseTo(
    mpa,
    4,
  );
});

test('nobody works higher than the roads go', () => {
  const at = (m: number) => () => pedalSetup(layoutOf('hatchback-diagonal'), 'master', m);
  expect(at(5000)).not.toThrow();
  expect(at(5001)).toThrow(RangeError);
});

test('in thinner air the same bubble gives way more at a light push', () => {
  const at = (m: number) => curveOf(pedalSetup(layoutOf('hatchback-diagonal'), 'master', m));
  expect(travelMm(at(2000), 70, 1, false)).toBeGreaterThan(travelMm(at(0), 70, 1, false));
});
