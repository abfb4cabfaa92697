import { ENTRY, figure } from '../../base/figure';
import {
  atLocalPressureC,
  boilingFigure,
  condition,
  fluidViscosity,
  GRADE_LIMITS,
  measuredBoilingFigure,
  pressureAtAltitudeHpa,
  toStandardPressureC,
  waterFromBoilingPercent,
  waterLimits,
  type ConditionRequest,
  type Grade,
  type Sample,
} from '.';
import { SEEN_ALONE } from '../../testing';

const of = (more: Partial<Sample>, grade: Grade = 'DOT 4'): ConditionRequest => ({
  grade,
  isoClass: null,
  lastDye: null,
  samples: [{ ...SEEN_ALONE, ...more }],
});
const wet = (percent: number) => ({ water: { percent, meterGrade: 'DOT 4' as const } });
const codes = (more: Partial<Sample>, grade?: Grade) =>
  condition(of(more, grade)).reasons.map((r) => r.code);

describe('water from a boiling point', () => {
  const dot4 = GRADE_LIMITS['DOT 4'];
  // FMVSS 116 S5.1.1 and S5.1.2: DOT 4 boils at 230 °C dry and 155 °C wet; the humidification of S6.2 ends at 3.7 % water.
  test.each([
    [230, 0],
    [155, 3.7],
    [250, 0],
    [110, 10],
    [90, 10],
    [111, 10],
  ])('DOT 4 at %d °C holds %d %%', (boilingC, percent) =>
    expect(waterFromBoilingPercent(dot4, boilingC)).toBeCloseTo(percent, 9),
  );

  test('it is the interpolation the other way round', () => {
    for (const percent of [0.3, 1.5, 3, 6]) {
      const water = figure({ label: 'Water', value: percent, unit: '%', rule: '', source: ENTRY });
      const { value } = boilingFigure(dot4, water);
      expect(waterFromBoilingPercent(dot4, value)).toBeCloseTo(percent, 9);
    }
  });

  test('beyond the standard’s wet fluid it says that it extrapolates', () => {
    const ruleAt = (value: number) =>
      boilingFigure(dot4, figure({ label: 'Water', value, unit: '%', rule: '', source: ENTRY }))
        .rule;
    expect(ruleAt(3.7)).not.toContain('extrapolation');
    expect(ruleAt(3.71)).toContain('extrapolation');
  });
});

describe('air pressure', () => {
  test.each([
    [100, 1013],
    [350, 1013],
    [200, 500],
    [200, 1100],
  ])('%d °C at %d hPa is taken', (c, hpa) =>
    expect(Number.isFinite(toStandardPressureC(c, hpa))).toBe(true),
  );
  test.each([
    [99.9, 1013, /observedC is 99.9/],
    [350.1, 1013, /observedC is 350.1/],
    [200, 499, /ambientHpa is 499/],
    [200, 1101, /ambientHpa is 1101/],
  ])('%d °C at %d hPa is refused', (c, hpa, words) =>
    expect(() => toStandardPressureC(c, hpa)).toThrow(words),
  );

  // FMVSS 116 S6.1: 0.039 °C for each mmHg up to 190 °C observed, 0.040 above.
  test('the step of the standard at 190 °C, on both sides', () => {
    const mmHg = 10;
    const hpa = 1013 - (mmHg * 133.322387415) / 100;
    expect(toStandardPressureC(190, hpa)).toBeCloseTo(190.39, 6);
    expect(toStandardPressureC(190.1, hpa)).toBeCloseTo(190.5, 6);
    expect(measuredBoilingFigure(190, hpa).rule).toContain('0.039');
    expect(measuredBoilingFigure(190.1, hpa).rule).toContain('0.040');
  });

  // ISO 2533:1975, standard atmosphere, table of pressures: 1062.2 hPa at −400 m, 540.2 at 5,000 m.
  test.each([
    [-400, 1062.2],
    [0, 1013.25],
    [1000, 898.7],
    [5000, 540.2],
  ])('%d m: %d hPa', (m, hpa) => expect(pressureAtAltitudeHpa(m)).toBeCloseTo(hpa, 0));

  test('a boiling point up high is what the correction gives back', () => {
    for (const c of [150, 189, 191, 250]) {
      const there = atLocalPressureC(c, 2000);
      expect(there).toBeLessThan(c);
      expect(toStandardPressureC(there, pressureAtAltitudeHpa(2000))).toBeCloseTo(c, 0);
    }
    // At sea level of the standard atmosphere nothing is lacking but a quarter of a hectopascal.
    expect(atLocalPressureC(200, 0)).toBeCloseTo(200.0075, 3);
  });
});

// 1.5 % and 3 % water: common practice, no source; within 0.3 % of them a reservoir does not decide: ours.
describe('near a limit', () => {
  test.each<[number, string[]]>([
    [1.1, ['dry enough']],
    [1.21, ['dry enough', 'reservoir understates']],
    [1.49, ['dry enough', 'reservoir understates']],
    [1.5, ['wet this visit']],
    [2.6, ['wet this visit']],
    [2.71, ['wet this visit', 'reservoir understates']],
    [3, ['wet now']],
  ])('%d %% in the reservoir: %j', (percent, expected) => {
    expect(codes(wet(percent))).toEqual(expected);
    expect(codes({ ...wet(percent), point: 'left-rear' })).toEqual([expected[0]]);
  });

  test('the distance to the limit has its sign', () => {
    const margin = (more: Partial<Sample>, grade?: Grade) =>
      condition(of(more, grade)).reasons.find((r) => r.margin)!.margin!;
    expect(margin(wet(1)).value).toBeCloseTo(0.5, 9);
    expect(margin(wet(2)).value).toBeCloseTo(-0.5, 9);
    expect(margin(wet(3.5)).value).toBeCloseTo(-0.5, 9);
    expect(margin({ copperPpm: 260 })).toMatchObject({ value: -60, unit: 'ppm' });
    expect(margin({ pH: 6.5 }).value).toBeCloseTo(-0.5, 9);
    expect(margin({ boiling: { observedC: 170, ambientHpa: 1013 } }).value).toBeCloseTo(-10, 9);
    expect(margin({ boiling: { observedC: 150, ambientHpa: 1013 } }).value).toBeCloseTo(-5, 9);
    expect(margin(wet(1)).rule).toContain('1.5 %');
  });

  test('strips at their limits: 199 ppm and pH 7 are good', () => {
    expect(codes({ ...wet(1), copperPpm: 199, pH: 7 })).toEqual(['dry enough']);
    expect(codes({ copperPpm: 200, pH: 6.99 })).toEqual(['copper', 'acid']);
    // They say nothing of a fluid that is no glycol.
    expect(codes({ copperPpm: 999, pH: 5, dye: 'purple', colour: null }, 'DOT 5')).toEqual([
      'colour does not pass',
    ]);
  });
});

describe('a practice instrument', () => {
  test('passes nothing and may fail; a strip that a person read counts all the same', () => {
    expect(codes({ ...wet(1), practice: true })).toEqual([
      'practice reading',
      'colour does not pass',
    ]);
    expect(codes({ ...wet(3.2), practice: true })).toEqual(['wet now']);
    const strips = condition(of({ ...wet(1), practice: true, copperPpm: 250, pH: 6 }));
    expect(strips.verdict).toBe('replace at this visit');
    expect(strips.governing.map((r) => r.code)).toEqual(['copper', 'acid']);
  });

  test('a boiling point by it replaces its water, and passes nothing either', () => {
    const boiling = { observedC: 220, ambientHpa: 1013 };
    expect(codes({ ...wet(3.2), boiling, practice: true })).toEqual([
      'practice reading',
      'colour does not pass',
    ]);
    expect(codes({ boiling: { ...boiling, observedC: 140 }, practice: true })).toEqual([
      'boils below wet limit',
    ]);
  });
});

test('every number that went in is shown, with its point', () => {
  const { inputs } = condition(
    of({
      ...wet(1),
      copperPpm: 20,
      pH: 8,
      boiling: { observedC: 200, ambientHpa: 990 },
      point: 'left-rear',
    }),
  );
  expect(inputs.map((f) => f.label)).toEqual([
    'Water, left-rear',
    'Boiling point, left-rear',
    'Copper, left-rear',
    'pH, left-rear',
  ]);
  // Without a boiling reading the water stands for one, where the meter was set to this glycol.
  const labels = (more: Partial<Sample>, grade?: Grade) =>
    condition(of(more, grade)).inputs.map((f) => f.label);
  expect(labels(wet(1))).toEqual(['Water, reservoir', 'Boiling point by its water, reservoir']);
  expect(labels(wet(1), 'DOT 3')).toEqual(['Water, reservoir']);
  expect(labels({ ...wet(1), dye: 'purple', colour: null }, 'DOT 5')).toEqual(['Water, reservoir']);
  expect(labels({})).toEqual([]);
});

test('the trade’s limits on water, for a chart', () => {
  expect(waterLimits()).toMatchObject({
    visit: { value: 1.5, unit: '%' },
    now: { value: 3, unit: '%' },
  });
});

// Limits: FMVSS 116 S5.1.3 (DOT 4: 1800 mm²/s at −40 °C, 1.5 at 100 °C), ISO 4925:2020 class 6 (750).
// A typical fluid inside them, 1300 and 2.1 for DOT 4: from memory.
describe('viscosity of a fluid in the workshop', () => {
  const at = (...args: Parameters<typeof fluidViscosity>) => fluidViscosity(...args)!;

  test('a typical DOT 4 lies inside its limits, and the band reaches to them', () => {
    expect(at('DOT 4', null, -40).value).toBeCloseTo(1300, 6);
    expect(at('DOT 4', null, -40).plusMinus).toBeCloseTo(500, 6);
    expect(at('DOT 4', null, 100).value).toBeCloseTo(2.1, 6);
    expect(at('DOT 4', null, 100).plusMinus).toBeCloseTo(0.6, 6);
    expect(at('DOT 4', null, 20)).toMatchObject({ label: 'Viscosity at 20 °C', unit: 'mm²/s' });
    expect(at('DOT 4', null, 100).from).toMatchObject([
      { label: 'Through the limits of DOT 4 themselves', unit: 'mm²/s' },
    ]);
    expect(at('DOT 4', null, 100).from[0]!.value).toBeCloseTo(1.5, 6);
  });

  test('a class goes by its own limit', () => {
    expect(at('DOT 4', 'class 6', -40).value).toBeCloseTo((750 * 1300) / 1800, 6);
    expect(at('DOT 4', 'class 6', -40).from[0]!.label).toContain('class 6');
  });

  test('a data sheet wins, whatever the fluid is', () => {
    const sheet = { viscosityAtMinus40Mm2s: 900, viscosityAt100Mm2s: 1.9 };
    for (const grade of ['DOT 4', 'DOT 5', 'mineral oil'] as const) {
      expect(at(grade, null, -40, sheet).value).toBeCloseTo(900, 6);
      expect(at(grade, null, 100, sheet).rule).toContain('data sheet');
    }
  });

  test('of silicone and mineral oil nobody knows without one', () => {
    expect(fluidViscosity('DOT 5', null, 20)).toBeNull();
    expect(fluidViscosity('mineral oil', null, 20)).toBeNull();
  });
});
