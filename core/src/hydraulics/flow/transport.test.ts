import type { Path } from '../../vehicle/circuit';
import {
  alongSlope,
  levelDriftMmS,
  METHOD_TRAITS,
  METHODS,
  SURFACE_TENSION_NM,
  transport,
  USUAL_DAY,
  USUAL_MEANS,
  WORKSHOP_C,
  type Motion,
} from '.';

/** One metre of 4 mm bore that falls by this much. Bore area 12.566 mm²: 0.25133 mL/s move at 20 mm/s. */
const way = (fallsMm: number) =>
  ({
    stretches: [{ id: 's', name: 'Line', lengthMm: 1000, insideMm: 4 }],
    points: [{ node: { heightMm: 1000 } }, { node: { heightMm: 1000 - fallsMm } }],
  }) as unknown as Path;
const AT_20 = (20 * Math.PI * 16) / 4 / 1000;
const RISE = { likely: 10, least: 8, most: 14, level: 0, fine: 0 };
const on = (fallsMm: number, motion: Partial<Motion> = {}, rise = RISE) =>
  transport(
    way(fallsMm),
    { flowMlS: AT_20, strokeS: null, reverse: false, ...motion },
    () => rise,
  )[0]!;

// By hand: on a slope of 500/1000 it rises at 10 as in a vertical line, between 8 · ½ = 4 and 14 · 1.5 = 21; a flow of 30 mm/s leaves 9 at the worst.
test('a steady flow: velocity less the rise on that slope, at the worst of its band', () => {
  const s = on(500, { flowMlS: AT_20 * 1.5 });
  expect(s.velocityMmS.value).toBeCloseTo(30, 9);
  expect(s.velocityMmS.label).toBe('Velocity');
  expect(s.riseMmS.value).toBeCloseTo(10, 9);
  expect(s.riseMmS.plusMinus).toBeCloseTo(11, 9);
  expect(s.marginMmS).toBeCloseTo(9, 9);
  expect(s).toMatchObject({ stretchId: 's', name: 'Line', fallsMm: 500, verdict: 'carried' });
});

// By hand: 1.5 s of push in 6 s gain 30 · 1.5/6 = 7.5 mm/s on the whole, less 21: −13.5, and less 4: 3.5.
test('strokes gain only while they push, and lose all the time', () => {
  const s = on(500, { flowMlS: AT_20 * 1.5, strokeS: { whole: 6, push: 1.5 } });
  expect(s.marginMmS).toBeCloseTo(-13.5, 9);
  expect(s.verdict).toBe('stuck');
  expect(s.velocityMmS.label).toBe('Velocity in the push');
  // Without a rest it is the push alone that counts.
  const push = { flowMlS: AT_20 * 1.5, strokeS: { whole: 1.5, push: 1.5 } };
  expect(on(500, push).marginMmS).toBeCloseTo(9, 9);
});

describe('along a slope', () => {
  const rise = { likely: 10, least: 8, most: 14, level: 6, fine: 0.4 };

  test('nothing along a level line', () => {
    expect(alongSlope(rise, 0)).toEqual({ likely: 0, least: 0, most: 0 });
  });

  test('in a vertical one it is the vertical rise', () => {
    expect(alongSlope(rise, 1)).toEqual({ likely: 10, least: 8, most: 14 });
    expect(alongSlope(rise, 0.97).most).toBe(0.97 * 14 + 6 * Math.sqrt(1 - 0.97 ** 2));
    expect(alongSlope({ ...rise, level: 0 }, 0.97).most).toBe(14);
    expect(alongSlope({ ...rise, level: 0 }, 0.969).most).toBe(21);
  });

  // Bendiksen 1984: u = u_level · cos θ + u_vertical · sin θ; at 30° 6 · 0.866 + 10 · 0.5 = 10.196.
  test('a wide line drifts level too, and the two add up', () => {
    expect(alongSlope(rise, 0.5).likely).toBeCloseTo(10.196, 3);
    expect(alongSlope({ ...rise, level: 3 }, 0.5).likely).toBe(10);
  });

  test('where a long bubble is held a fine one climbs by the sine', () => {
    const held = { likely: 0, least: 0, most: 0, level: 0, fine: 0.4 };
    expect(alongSlope(held, 0.5)).toEqual({ likely: 0.2, least: 0.2, most: 0.2 });
  });

  test('never slower than the sine, never less at the most than at the least', () => {
    for (let slope = 0.01; slope <= 1; slope += 0.01) {
      const { likely, least, most } = alongSlope(rise, slope);
      expect(likely).toBeGreaterThanOrEqual(rise.likely * slope);
      expect(most).toBeGreaterThanOrEqual(likely);
      expect(likely).toBeGreaterThanOrEqual(least);
    }
  });
});

// Weber 1981 from memory: Fr = 0.54 − 1.76 · Eo^−0.56 is nothing below an Eötvös number of 8.25, and 0.54 in wide tubes.
test('a long bubble does not drift along a level brake line, and does in a wide tube', () => {
  expect(levelDriftMmS(3.35)).toBe(0);
  expect(levelDriftMmS(4.9)).toBe(0);
  const eight = Math.sqrt((8.25 * SURFACE_TENSION_NM.likely) / (1050 * 9.81)) * 1000;
  expect(levelDriftMmS(eight * 0.99)).toBe(0);
  expect(levelDriftMmS(eight * 1.02)).toBeGreaterThan(0);
  expect(levelDriftMmS(100) / (Math.sqrt(9.81 * 0.1) * 1000)).toBeCloseTo(0.54, 1);
});

// Within 1 mm/s of the rise a bubble counts as stuck: ours.
test.each<[number, string]>([
  [15.01, 'carried'],
  [14.99, 'stuck'],
  [7.01, 'stuck'],
  [6.99, 'rises back'],
])('on a vertical fall, at %d mm/s against 8 to 14: %s', (velocity, verdict) => {
  expect(on(1000, { flowMlS: (AT_20 * velocity) / 20 }).verdict).toBe(verdict);
});

test('a level or a rising stretch is carried by any flow, and by none it is stuck', () => {
  expect(on(0, { flowMlS: 1e-6 }).verdict).toBe('carried');
  expect(on(-300, { flowMlS: 1e-6 }).riseMmS.value).toBe(0);
  expect(on(0, { flowMlS: 0 }).verdict).toBe('stuck');
  // Pushed up from below, what fell now rises.
  expect(on(500, { reverse: true })).toMatchObject({ fallsMm: -500, verdict: 'carried' });
});

test('steeper than its length it is vertical', () => {
  expect(on(2000).marginMmS).toBeCloseTo(20 - 14, 9);
});

test('the band is the wider side of the two', () => {
  expect(
    on(1000, {}, { likely: 10, least: 4, most: 11, level: 0, fine: 0 }).riseMmS.plusMinus,
  ).toBeCloseTo(6, 9);
  expect(
    on(1000, {}, { likely: 10, least: 9, most: 15, level: 0, fine: 0 }).riseMmS.plusMinus,
  ).toBeCloseTo(5, 9);
});

// What a usual workshop has, and how each method works: common practice, no source; seconds and flows from memory.
test('the usual workshop, the usual day, and what each method is', () => {
  expect(
    Object.entries(USUAL_MEANS)
      .filter(([, has]) => has)
      .map(([what]) => what),
  ).toEqual(['helper', 'bottle', 'syringe']);
  expect(USUAL_DAY).toEqual({
    temperatureC: 20,
    axleHanging: false,
    masterWorn: false,
    dirty: false,
    takesNoFluid: false,
    preferred: null,
  });
  expect([WORKSHOP_C.least, WORKSHOP_C.most]).toEqual([-30, 50]);
  expect(METHODS.filter((m) => METHOD_TRAITS[m].kind === 'strokes')).toEqual([
    'two people',
    'alone at the lever',
    'alone, bottle',
  ]);
  expect(METHODS.filter((m) => METHOD_TRAITS[m].reverse)).toEqual(['reverse']);
  const { strokeS: two } = METHOD_TRAITS['two people'];
  const { strokeS: lever } = METHOD_TRAITS['alone at the lever'];
  const { strokeS: bottle } = METHOD_TRAITS['alone, bottle'];
  expect([two, lever, bottle]).toEqual([
    { whole: 6, push: 1.5 },
    { whole: 4, push: 1.5 },
    { whole: 8, push: 3 },
  ]);
  expect(
    ['pressure', 'vacuum', 'gravity'].map((m) => METHOD_TRAITS[m as 'pressure'].drivenKpa),
  ).toEqual([70, 60, 0]);
  expect(
    ['pressure', 'vacuum', 'gravity'].map((m) => METHOD_TRAITS[m as 'pressure'].usualMlS),
  ).toEqual([3, 2, 0.4]);
});
