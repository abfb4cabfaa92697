import fc from 'fast-check';
import {
  foundDirty,
  CLARITIES,
  COLOURS,
  condition,
  DROPS,
  DYES,
  CONDITION_VERDICTS,
  CONDITION_WORDS,
  FOREIGN_SIGNS,
  visitBoilingLimit,
  type ConditionRequest,
  type ConditionVerdict,
  type Grade,
  type Sample,
} from '.';
import { SEEN_ALONE } from '../../testing';

const of = (grade: Grade, ...samples: Partial<Sample>[]): ConditionRequest => ({
  grade,
  isoClass: null,
  lastDye: null,
  samples: samples.map((s) => ({ ...SEEN_ALONE, ...s })),
});
const wet = (percent: number, meterGrade: Grade = 'DOT 4') => ({ water: { percent, meterGrade } });
const boils = (observedC: number, ambientHpa = 1013) => ({ boiling: { observedC, ambientHpa } });

// 1.5 % and 3 % water, 200 ppm copper, 180 °C for DOT 4: common practice, no source. 155 °C: FMVSS 116 S5.1.2. pH 7: FMVSS 116 S5.1.4.
test.each<[string, Grade, Partial<Sample>, ConditionVerdict, string]>([
  ['dry', 'DOT 4', wet(1.4), 'good', 'dry enough'],
  ['at 1.5 %', 'DOT 4', wet(1.5), 'replace at this visit', 'wet this visit'],
  ['under 3 %', 'DOT 4', wet(2.99), 'replace at this visit', 'wet this visit'],
  ['at 3 %', 'DOT 4', wet(3), 'replace now', 'wet now'],
  ['boiling at 154 °C', 'DOT 4', boils(154), 'replace now', 'boils below wet limit'],
  ['boiling at 155 °C', 'DOT 4', boils(155), 'replace at this visit', 'boils below visit limit'],
  ['boiling at 180 °C', 'DOT 4', boils(180), 'good', 'boils well'],
  ['DOT 3 boiling at 139 °C', 'DOT 3', boils(139), 'replace now', 'boils below wet limit'],
  [
    'copper at 200 ppm',
    'DOT 4',
    { ...wet(0.5), copperPpm: 200 },
    'replace at this visit',
    'copper',
  ],
  ['pH 6.9', 'DOT 4', { ...wet(0.5), pH: 6.9 }, 'replace at this visit', 'acid'],
  ['brown', 'DOT 4', { ...wet(0.5), colour: 'brown' }, 'replace at this visit', 'dark'],
  ['particles', 'DOT 4', { ...wet(0.5), clarity: 'particles' }, 'replace now', 'particles'],
  ['greasy', 'DOT 4', { foreign: 'thick or greasy' }, 'stop', 'other product'],
  ['layers', 'DOT 4', { foreign: 'layers' }, 'stop', 'layers'],
  ['oil film', 'DOT 4', { foreign: 'oil film, green or red' }, 'stop', 'mineral oil'],
  ['purple', 'DOT 4', { foreign: 'purple or beads in water' }, 'stop', 'silicone in glycol'],
  ['drops that part', 'DOT 4', { dye: 'green', dropsInWater: 'part' }, 'stop', 'drops part'],
  [
    'a colour nobody can explain',
    'DOT 4',
    { colour: null, dye: 'blue' },
    'test first',
    'water test first',
  ],
  ['silicone that has lost its purple', 'DOT 5', {}, 'test first', 'water test first'],
  [
    'drops that dissolve where silicone belongs',
    'DOT 5',
    { dropsInWater: 'dissolve' },
    'stop',
    'drops dissolve',
  ],
  [
    'drops that part where silicone belongs',
    'DOT 5',
    { dropsInWater: 'part' },
    'not measured',
    'colour does not pass',
  ],
  [
    'purple where silicone belongs',
    'DOT 5',
    { colour: null, dye: 'purple' },
    'not measured',
    'colour does not pass',
  ],
  [
    'green where mineral oil belongs',
    'mineral oil',
    { colour: null, dye: 'green' },
    'not measured',
    'colour does not pass',
  ],
  [
    'amber where mineral oil belongs',
    'mineral oil',
    { colour: 'amber' },
    'test first',
    'water test first',
  ],
])('%s', (_, grade, sample, verdict, code) => {
  const answer = condition(of(grade, sample));
  expect(answer.verdict).toBe(verdict);
  expect(answer.governing.map((r) => r.code)).toContain(code);
});

test('drops that dissolve settle a colour that nobody could explain', () => {
  expect(
    condition(of('DOT 4', { ...wet(0.5), colour: null, dye: 'blue', dropsInWater: 'dissolve' }))
      .verdict,
  ).toBe('good');
});

test('the dye of the last fill explains its colour, another does not', () => {
  const blue = (lastDye: 'blue' | 'red') =>
    condition({ ...of('DOT 4', { ...wet(0.5), colour: null, dye: 'blue' }), lastDye }).verdict;
  expect([blue('blue'), blue('red')]).toEqual(['good', 'test first']);
});

test('a practice instrument may fail a fluid and never passes it', () => {
  expect(condition(of('DOT 4', { ...wet(0.2), practice: true }))).toMatchObject({
    verdict: 'not measured',
  });
  expect(condition(of('DOT 4', { ...boils(240), practice: true }))).toMatchObject({
    verdict: 'not measured',
  });
  expect(condition(of('DOT 4', { ...wet(3.4), practice: true })).verdict).toBe('replace now');
});

test('colour alone never passes a fluid', () => {
  for (const colour of ['clear', 'straw', 'amber'] as const) {
    expect(condition(of('DOT 4', { colour }))).toMatchObject({
      verdict: 'not measured',
      governing: [{ code: 'colour does not pass' }],
    });
  }
  expect(condition(of('DOT 4', { copperPpm: 20, pH: 9 })).verdict).toBe('not measured');
  expect(condition(of('DOT 4')).verdict).toBe('not measured');
});

test('the worst point governs', () => {
  const answer = condition(of('DOT 4', wet(2.6), { point: 'left-rear', ...wet(3.4) }));
  expect(answer).toMatchObject({
    verdict: 'replace now',
    governing: [{ point: 'left-rear', code: 'wet now' }],
  });
  expect(answer.governing[0]!.margin!.value).toBeCloseTo(-0.4, 9);
});

test('a boiling reading replaces the water reading of its own point, and both are shown', () => {
  const answer = condition(of('DOT 4', { ...wet(3.5), ...boils(200) }));
  expect(answer.verdict).toBe('good');
  expect(answer.reasons.map((r) => r.code)).toEqual(['boils well', 'boiling replaces water']);
  expect(answer.inputs).toHaveLength(2);
  expect(condition(of('DOT 4', wet(3.5), { point: 'left-rear', ...boils(200) })).verdict).toBe(
    'replace now',
  );
});

// FMVSS 116 S5.1.2 and S6.2: DOT 4 with the 3.7 % of the humidified reference fluid boils at 155 °C at least.
test('a water reading brings the boiling point that it stands for, until one is measured', () => {
  const labels = (sample: Partial<Sample>) =>
    condition(of('DOT 4', sample)).inputs.map((f) => f.label);
  expect(condition(of('DOT 4', wet(3.7))).inputs[1]).toMatchObject({
    label: 'Boiling point by its water, reservoir',
    value: expect.closeTo(155, 9),
    source: { kind: 'model' },
  });
  expect(labels({ ...wet(3.7), ...boils(160) })).toEqual([
    'Water, reservoir',
    'Boiling point, reservoir',
  ]);
  expect(labels(wet(2, 'DOT 3'))).toEqual(['Water, reservoir']);
});

test('a reading at altitude is corrected before it is judged', () => {
  // 850 hPa lacks 122 mmHg to 1013 hPa: 176 °C as read is 180.8 °C.
  expect(condition(of('DOT 4', boils(176))).verdict).toBe('replace at this visit');
  expect(condition(of('DOT 4', boils(176, 850))).verdict).toBe('good');
});

test('a conductivity meter says nothing about another grade than it is set to, nor about silicone', () => {
  expect(condition(of('DOT 4', wet(0.5, 'DOT 3')))).toMatchObject({ verdict: 'not measured' });
  expect(condition(of('DOT 5', wet(0.5, 'DOT 5'))).reasons.map((r) => r.code)).toContain(
    'meter says nothing',
  );
});

test('near a limit the reservoir alone does not decide; a bleeder does', () => {
  const codes = (sample: Partial<Sample>) =>
    condition(of('DOT 4', sample)).reasons.map((r) => r.code);
  expect(codes(wet(1.3))).toContain('reservoir understates');
  expect(codes(wet(1.1))).not.toContain('reservoir understates');
  expect(codes({ point: 'left-rear', ...wet(1.3) })).not.toContain('reservoir understates');
});

test('the limit of this visit is the trade’s for DOT 4 and the formula’s for the others', () => {
  expect(visitBoilingLimit('DOT 4', null)).toMatchObject({
    value: 180,
    source: { kind: 'practice' },
  });
  // 110 + 150·(70/150)^(1.5/3.7) by hand.
  expect(visitBoilingLimit('DOT 5.1', null).value).toBeCloseTo(
    110 + 150 * (70 / 150) ** (1.5 / 3.7),
    9,
  );
  expect(visitBoilingLimit('DOT 4', 'class 6').source.kind).toBe('model');
});

// FMVSS 116: DOT 5 boils at 260 °C at least. Silicone takes up no water, so the formula of glycols says nothing of it; ten degrees are ours.
test('silicone is judged by its own dry limit, not by what water does to glycol', () => {
  expect(visitBoilingLimit('DOT 5', null).value).toBe(250);
  const asks = (observedC: number) =>
    condition(
      of('DOT 5', { boiling: { observedC, ambientHpa: 1013 }, dye: 'purple', colour: null }),
    ).verdict;
  expect([asks(255), asks(249), asks(181), asks(179)]).toEqual([
    'good',
    'replace at this visit',
    'replace at this visit',
    'replace now',
  ]);
});

test('one more bad sample never makes a verdict better', () => {
  const sample: fc.Arbitrary<Sample> = fc.record({
    point: fc.constantFrom('reservoir', 'left-rear'),
    colour: fc.option(fc.constantFrom(...COLOURS)),
    clarity: fc.option(fc.constantFrom(...CLARITIES)),
    foreign: fc.option(fc.constantFrom(...FOREIGN_SIGNS)),
    dye: fc.option(fc.constantFrom(...DYES)),
    dropsInWater: fc.option(fc.constantFrom(...DROPS)),
    practice: fc.boolean(),
    water: fc.option(
      fc.record({
        percent: fc.double({ min: 0, max: 10, noNaN: true }),
        meterGrade: fc.constantFrom<Grade>('DOT 3', 'DOT 4', 'DOT 5'),
      }),
    ),
    boiling: fc.option(
      fc.record({
        observedC: fc.double({ min: 100, max: 300, noNaN: true }),
        ambientHpa: fc.double({ min: 600, max: 1050, noNaN: true }),
      }),
    ),
    copperPpm: fc.option(fc.integer({ min: 0, max: 500 })),
    pH: fc.option(fc.double({ min: 3, max: 12, noNaN: true })),
  });
  const rank = (v: ConditionVerdict) =>
    Math.max(CONDITION_VERDICTS.indexOf(v), CONDITION_VERDICTS.indexOf('not measured'));
  fc.assert(
    fc.property(
      fc.constantFrom<Grade>('DOT 3', 'DOT 4', 'DOT 5.1', 'DOT 5', 'mineral oil'),
      fc.array(sample, { maxLength: 4 }),
      sample,
      (grade, samples, one) => {
        const before = condition({ grade, isoClass: null, lastDye: null, samples });
        const after = condition({
          grade,
          isoClass: null,
          lastDye: null,
          samples: [...samples, one],
        });
        expect(rank(after.verdict)).toBeGreaterThanOrEqual(rank(before.verdict));
        expect(after.governing.length).toBeGreaterThan(after.verdict === 'good' ? -1 : 0);
        for (const r of after.reasons) expect(CONDITION_WORDS[r.code]).toMatch(/\.$/);
      },
    ),
  );
});

// What is not pushed upwards: common practice, no source.
test.each([
  ['brown', 'clear', true],
  ['black', 'clear', true],
  ['amber', 'clear', false],
  ['clear', 'hazy', true],
  ['straw', 'particles', true],
  [null, null, false],
] as const)('%s and %s counts as dark or dirty: %s', (colour, clarity, dirty) => {
  expect(
    foundDirty([
      { colour: 'clear', clarity: 'clear' },
      { colour, clarity },
    ]),
  ).toBe(dirty);
});
