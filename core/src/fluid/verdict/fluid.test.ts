import {
  CHEMISTRY,
  fluidVerdict,
  GRADES,
  HOLD_WORDS,
  readingFault,
  READINGS,
  standardOf,
  VERDICT_WORDS,
  type FluidRequest,
  type Grade,
  type ReadingKind,
  type Sample,
} from '.';
import { SEEN_ALONE } from '../../testing';

const ask = (
  cap: Grade,
  more: Partial<FluidRequest> = {},
  sample: Partial<Sample> = {},
): FluidRequest => ({
  demands: [{ source: 'cap', grades: [cap], lowViscosity: false }],
  follow: null,
  control: 'none',
  seals: 'ordinary',
  inSystem: 'unknown',
  lastDye: null,
  samples: [{ ...SEEN_ALONE, ...sample }],
  fill: { grade: cap, isoClass: null },
  ...more,
});

// FMVSS 116 (49 CFR 571.116): DOT 3, 4 and 5.1 are glycol based, DOT 5 is silicone based, by S5.1 and S5.2.2.
test('DOT 5.1 is glycol and DOT 5 is silicone', () => {
  expect([
    CHEMISTRY['DOT 3'],
    CHEMISTRY['DOT 4'],
    CHEMISTRY['DOT 5.1'],
    CHEMISTRY['DOT 5'],
  ]).toEqual(['glycol', 'glycol', 'glycol', 'silicone']);
});

test('a label belongs to a standard by name', () => {
  expect([
    standardOf('DOT 4', null),
    standardOf('DOT 4', 'class 6'),
    standardOf('mineral oil', null),
  ]).toEqual(['FMVSS 116, DOT 4', 'ISO 4925, class 6', 'ISO 7308']);
});

test('the words tell DOT 5 and DOT 5.1 apart by what they are', () => {
  const words = (grade: Grade) => GRADES.find((g) => g.grade === grade)!.words;
  expect(words('DOT 5')).toContain('silicone');
  expect(words('DOT 5.1')).toContain('glycol');
});

test.each(['DOT 3', 'DOT 4', 'DOT 5.1'] as const)('what the cap names may be filled: %s', (cap) => {
  expect(fluidVerdict(ask(cap))).toMatchObject({
    verdict: 'fill',
    hold: null,
    fill: { grade: cap, verdict: 'may fill' },
  });
});

// What stops a flush and what only waits: facts of the trade, common practice, no source.
test.each<[string, FluidRequest, 'wait' | 'stop', string]>([
  ['nobody has read the cap', ask('DOT 4', { demands: [] }), 'wait', 'read the cap'],
  [
    'cap and maker cannot both be obeyed',
    ask('DOT 4', {
      demands: [
        { source: 'cap', grades: ['DOT 4'], lowViscosity: false },
        { source: 'maker', grades: ['DOT 5'], lowViscosity: false },
      ],
    }),
    'wait',
    'demands conflict',
  ],
  ['a colour nobody can explain', ask('DOT 4', {}, { dye: 'green' }), 'wait', 'water test'],
  ['nothing is chosen yet', ask('DOT 4', { fill: null }), 'wait', 'choose a fluid'],
  [
    'silicone in hand for glycol',
    ask('DOT 5.1', { fill: { grade: 'DOT 5', isoClass: null } }),
    'wait',
    'must not fill',
  ],
  ['greasy fluid', ask('DOT 4', {}, { foreign: 'thick or greasy' }), 'stop', 'condition stops'],
  ['layers', ask('DOT 4', {}, { foreign: 'layers' }), 'stop', 'condition stops'],
  ['drops that part', ask('DOT 4', {}, { dropsInWater: 'part' }), 'stop', 'condition stops'],
  [
    'silicone was poured into glycol',
    ask('DOT 4', { inSystem: 'DOT 5' }, { dye: 'purple' }),
    'stop',
    'wrong chemistry inside',
  ],
  [
    'mineral oil was poured into glycol',
    ask('DOT 4', { inSystem: 'mineral oil' }, { dye: 'green' }),
    'stop',
    'wrong chemistry inside',
  ],
])('%s', (_, request, verdict, hold) =>
  expect(fluidVerdict(request)).toMatchObject({ verdict, hold }),
);

test('particles are replaced now, and the flush goes on', () => {
  expect(fluidVerdict(ask('DOT 4', {}, { clarity: 'particles' }))).toMatchObject({
    verdict: 'fill',
    condition: { verdict: 'replace now' },
  });
});

test('what it costs is said where what is inside is known', () => {
  expect(fluidVerdict(ask('DOT 4')).remedy).toBeNull();
  expect(fluidVerdict(ask('DOT 4', { inSystem: 'DOT 4' })).remedy).toBe('nothing');
  expect(fluidVerdict(ask('DOT 4', { inSystem: 'DOT 3' })).remedy).toBe(
    'flush with the grade asked for',
  );
  expect(fluidVerdict(ask('DOT 5.1', { inSystem: 'DOT 5' })).remedy).toBe(
    'strip, new seals, dry system',
  );
});

test('an empty system has no condition, and may be filled', () => {
  expect(fluidVerdict(ask('DOT 4', { inSystem: 'empty', samples: [] }))).toMatchObject({
    verdict: 'fill',
    condition: null,
  });
});

test('a decision on whom to follow ends the wait', () => {
  const demands = [
    { source: 'cap' as const, grades: ['DOT 5' as const], lowViscosity: false },
    { source: 'maker' as const, grades: ['DOT 4' as const], lowViscosity: false },
  ];
  expect(fluidVerdict(ask('DOT 4', { demands, follow: 'maker' }))).toMatchObject({
    verdict: 'fill',
    advice: { minimum: { grade: 'DOT 4' }, conflict: ['cap', 'maker'] },
  });
});

test.each(Object.keys(READINGS) as ReadingKind[])(
  '%s outside its range is refused with one sentence that says what would be right',
  (kind) => {
    const { least, most, label } = READINGS[kind];
    for (const value of [least - 0.1, most + 0.1, NaN])
      expect(readingFault(kind, value)).toMatch(
        new RegExp(`^${label} is .*between ${least} and ${most}`),
      );
    for (const value of [least, most]) expect(readingFault(kind, value)).toBeNull();
  },
);

test('every hold and every verdict has words of its own', () => {
  for (const words of [Object.values(HOLD_WORDS).map((w) => w.say), Object.values(VERDICT_WORDS)])
    expect(new Set(words).size).toBe(words.length);
});
