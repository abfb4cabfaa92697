import fc from 'fast-check';
import {
  boilingFigure,
  boilingPointC,
  CLASS_LIMITS,
  GRADE_LIMITS,
  measuredBoilingFigure,
  pressureAtAltitudeHpa,
  toStandardPressureC,
  viscosityMm2s,
} from '.';
import { ENTRY, figure } from '../../base/figure';

// FMVSS 116 (49 CFR 571.116) S5.1.1 dry, S5.1.2 wet, S5.1.3 viscosity.
test.each([
  ['DOT 3', 205, 140, 1500],
  ['DOT 4', 230, 155, 1800],
  ['DOT 5.1', 260, 180, 900],
  ['DOT 5', 260, 180, 900],
] as const)(
  'FMVSS 116: %s boils dry at %p and wet at %p °C, and flows with %p mm²/s at −40 °C',
  (grade, dryC, wetC, viscosity) => {
    expect(GRADE_LIMITS[grade]).toMatchObject({
      dryC,
      wetC,
      viscosityAtMinus40Mm2s: viscosity,
      viscosityAt100Mm2s: 1.5,
    });
  },
);

// ISO 4925:2020, table 1.
test.each([
  ['class 3', 205, 140, 1500],
  ['class 4', 230, 155, 1500],
  ['class 5-1', 260, 180, 900],
  ['class 6', 250, 165, 750],
  ['class 7', 260, 180, 750],
] as const)(
  'ISO 4925: %s boils dry at %p and wet at %p °C, and flows with %p mm²/s at −40 °C',
  (isoClass, dryC, wetC, viscosity) => {
    expect(CLASS_LIMITS[isoClass]).toMatchObject({
      dryC,
      wetC,
      viscosityAtMinus40Mm2s: viscosity,
      viscosityAt100Mm2s: 1.5,
    });
  },
);

const GLYCOL = [
  GRADE_LIMITS['DOT 3'],
  GRADE_LIMITS['DOT 4'],
  GRADE_LIMITS['DOT 5.1'],
  ...Object.values(CLASS_LIMITS),
];

describe('boiling point from water', () => {
  test.each(GLYCOL)('passes through both limits: %j', (limits) => {
    expect(boilingPointC(limits, 0)).toBeCloseTo(limits.dryC, 9);
    expect(boilingPointC(limits, 3.7)).toBeCloseTo(limits.wetC, 9);
  });

  test('falls with every bit of water', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...GLYCOL),
        fc.double({ min: 0, max: 9.9, noNaN: true }),
        (limits, water) => {
          expect(boilingPointC(limits, water + 0.1)).toBeLessThan(boilingPointC(limits, water));
        },
      ),
    );
  });

  // By hand: k = ln(120/45)/3.7 = 0.26509; 110 + 120·e^(−0.39764) = 190.63.
  test('DOT 4 at 1.5 % is 190.6 °C', () =>
    expect(boilingPointC(GRADE_LIMITS['DOT 4'], 1.5)).toBeCloseTo(190.63, 1));

  test('says where it is an extrapolation', () => {
    const water = (value: number) =>
      figure({ label: 'Water', value, unit: '%', rule: 'read off the meter', source: ENTRY });
    expect(boilingFigure(GRADE_LIMITS['DOT 4'], water(5)).rule).toContain('extrapolation');
    expect(boilingFigure(GRADE_LIMITS['DOT 4'], water(2)).rule).not.toContain('extrapolation');
  });

  test.each([-0.1, 10.1, NaN])('%p %% water is refused', (water) =>
    expect(() => boilingPointC(GRADE_LIMITS['DOT 4'], water)).toThrow(RangeError),
  );
});

describe('correction to standard pressure', () => {
  // FMVSS 116 S6.1: 0.039 °C for each mmHg from 100 to 190 °C, 0.040 above; 760 mmHg is 1013.25 hPa.
  test('700 mmHg, read 180 °C: 60 mmHg lacking add 2.34 °C', () => {
    expect(toStandardPressureC(180, 700 * 1.33322387415)).toBeCloseTo(
      180 + 0.039 * (1013 / 1.33322387415 - 700),
      6,
    );
    expect(toStandardPressureC(180, 700 * 1.33322387415)).toBeCloseTo(182.33, 1);
  });
  test('above 190 °C each mmHg counts 0.040', () => {
    expect(toStandardPressureC(230, 700 * 1.33322387415) - 230).toBeCloseTo(
      0.04 * (1013 / 1.33322387415 - 700),
      6,
    );
  });
  test('at 1013 hPa nothing changes', () => expect(toStandardPressureC(200, 1013)).toBe(200));
  test('the figure names its standard and its inputs', () => {
    expect(measuredBoilingFigure(180, 950)).toMatchObject({
      source: { kind: 'standard' },
      from: [{ value: 180 }, { value: 950 }],
    });
  });
  test.each([
    [99, 1013],
    [351, 1013],
    [200, 499],
    [200, 1101],
  ])('%p °C at %p hPa is refused', (c, hpa) =>
    expect(() => toStandardPressureC(c, hpa)).toThrow(RangeError),
  );
});

// ISO 2533:1975, standard atmosphere: pressure at 0, 1000, 2000 and 3000 m.
test.each([
  [0, 1013.25],
  [1000, 898.76],
  [2000, 795.01],
  [3000, 701.12],
])('at %p m the air presses with %p hPa', (m, hpa) => {
  expect(pressureAtAltitudeHpa(m)).toBeCloseTo(hpa, 0);
});
test.each([-401, 5001, NaN])('an altitude of %p m is refused', (m) =>
  expect(() => pressureAtAltitudeHpa(m)).toThrow(RangeError),
);

describe('viscosity', () => {
  // Walther's equation, ASTM D341, through both limits.
  test.each(GLYCOL)('passes through both limits: %j', (limits) => {
    expect(viscosityMm2s(limits, -40)).toBeCloseTo(limits.viscosityAtMinus40Mm2s, 6);
    expect(viscosityMm2s(limits, 100)).toBeCloseTo(limits.viscosityAt100Mm2s, 9);
  });
  test('falls as it gets warmer', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...GLYCOL),
        fc.double({ min: -50, max: 149, noNaN: true }),
        (limits, c) => {
          expect(viscosityMm2s(limits, c + 1)).toBeLessThan(viscosityMm2s(limits, c));
        },
      ),
    );
  });
  test.each([-51, 151])('%p °C is refused', (c) =>
    expect(() => viscosityMm2s(GRADE_LIMITS['DOT 4'], c)).toThrow(RangeError),
  );
});
