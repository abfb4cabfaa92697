import fc from 'fast-check';
import {
  CHEMISTRY,
  compatibility,
  COMPATIBILITY_WORDS,
  REMEDY_WORDS,
  remedyFor,
  type Candidate,
  type CompatibilityRequest,
  type Demand,
  type Grade,
  type IsoClass,
} from '.';

const ALL: readonly Grade[] = ['DOT 3', 'DOT 4', 'DOT 5.1', 'DOT 5', 'mineral oil'];
const cap = (...grades: Grade[]): Demand => ({ source: 'cap', grades, lowViscosity: false });
const maker = (lowViscosity: boolean, ...grades: Grade[]): Demand => ({
  source: 'maker',
  grades,
  lowViscosity,
});
const bottle = (grade: Grade, isoClass: IsoClass | null = null): Candidate => ({
  id: `${grade} ${isoClass ?? ''}`,
  grade,
  isoClass,
});
const ask = (
  demands: readonly Demand[],
  candidate: Candidate,
  more: Partial<CompatibilityRequest> = {},
) =>
  compatibility({
    demands,
    follow: null,
    control: 'none',
    seals: 'ordinary',
    inSystem: 'unknown',
    candidates: [candidate],
    ...more,
  });
const judged = (...args: Parameters<typeof ask>) => {
  const { verdict, reasons } = ask(...args).candidates[0]!;
  return [verdict, ...reasons.map((r) => r.code)];
};

// What mixes and what does not: facts of the trade, common practice, no source.
test.each<[Grade, Grade, string, string]>([
  ['DOT 4', 'DOT 4', 'may fill', 'named'],
  ['DOT 3', 'DOT 4', 'may fill', 'goes up'],
  ['DOT 4', 'DOT 5.1', 'may fill', 'goes up'],
  ['DOT 4', 'DOT 3', 'must not', 'below what is asked'],
  ['DOT 5.1', 'DOT 4', 'must not', 'below what is asked'],
  ['DOT 4', 'DOT 5', 'must not', 'silicone in glycol'],
  ['DOT 5', 'DOT 4', 'must not', 'glycol in silicone'],
  ['DOT 4', 'mineral oil', 'must not', 'mineral in brake fluid'],
  ['mineral oil', 'DOT 4', 'must not', 'brake fluid in mineral'],
  ['mineral oil', 'mineral oil', 'may fill', 'named'],
  ['DOT 5', 'DOT 5', 'may fill', 'named'],
])('the cap names %s, the bottle is %s: %s', (named, given, verdict, code) => {
  const answer = judged([cap(named)], bottle(given));
  expect(answer[0]).toBe(verdict);
  expect(answer).toContain(code);
});

describe('DOT 5 and DOT 5.1', () => {
  test.each([
    ['DOT 5.1', 'DOT 5'],
    ['DOT 5', 'DOT 5.1'],
  ] as const)(
    'the cap names %s, the hand takes %s: the trap is named, before anything is poured',
    (named, given) => {
      expect(judged([cap(named)], bottle(given))).toEqual(
        expect.arrayContaining(['must not', 'name trap']),
      );
    },
  );
  test('either asks for a second look even where it is right', () => {
    expect(ask([cap('DOT 5.1')], bottle('DOT 5.1')).candidates[0]!.secondLook).toBe(true);
    expect(ask([cap('DOT 4')], bottle('DOT 4')).candidates[0]!.secondLook).toBe(false);
  });
  test('silicone does not belong in an ABS system, whatever the cap says', () => {
    expect(judged([cap('DOT 5')], bottle('DOT 5'), { control: 'ABS' })).toEqual(
      expect.arrayContaining(['must not', 'silicone with ABS']),
    );
  });
});

describe('low viscosity is checked by viscosity', () => {
  // DOT 5.1 boils higher than class 6 (260 against 250 °C, FMVSS 116 and ISO 4925) and is thicker (900 against 750 mm²/s).
  test('a higher boiling point alone does not qualify', () => {
    expect(judged([maker(true, 'DOT 4')], bottle('DOT 5.1'))).toEqual(
      expect.arrayContaining(['must not', 'too thick']),
    );
    expect(judged([maker(true, 'DOT 4')], bottle('DOT 4'))[0]).toBe('must not');
  });
  test.each(['class 6', 'class 7'] as const)('%s qualifies', (isoClass) => {
    expect(judged([maker(true, 'DOT 4')], bottle('DOT 4', isoClass))[0]).toBe('may fill');
  });
  test('with stability control and nobody’s word on it, it is asked for', () => {
    expect(judged([cap('DOT 4')], bottle('DOT 4'), { control: 'stability control' })).toEqual([
      'with caution',
      'named',
      'ask for thickness',
    ]);
  });
  test('the minimum shows the limit that governs', () => {
    const thickness = (low: boolean) =>
      ask([maker(low, 'DOT 4')], bottle('DOT 4')).minimum!.figures.find((f) => f.unit === 'mm²/s')!;
    expect(thickness(true)).toMatchObject({
      value: 750,
      source: { kind: 'standard', name: expect.stringContaining('ISO 4925') },
    });
    expect(thickness(false)).toMatchObject({
      value: 1800,
      source: { kind: 'standard', name: expect.stringContaining('FMVSS 116') },
    });
  });
});

describe('who is obeyed', () => {
  test('nobody has named a grade: read the cap', () => {
    expect(judged([], bottle('DOT 4'))).toEqual(['must not', 'read the cap']);
  });
  test('two that can both be obeyed are: the higher governs', () => {
    const answer = ask([cap('DOT 3', 'DOT 4'), maker(false, 'DOT 4')], bottle('DOT 4'));
    expect(answer).toMatchObject({ conflict: [], minimum: { grade: 'DOT 4' } });
    expect(judged([cap('DOT 3', 'DOT 4'), maker(false, 'DOT 4')], bottle('DOT 3'))[0]).toBe(
      'must not',
    );
  });
  test('two that cannot both be obeyed: nothing is filled until a person has decided', () => {
    const demands = [cap('mineral oil'), maker(false, 'DOT 4')];
    const answer = ask(demands, bottle('DOT 4'));
    expect(answer).toMatchObject({ minimum: null, conflict: ['cap', 'maker'] });
    expect(judged(demands, bottle('DOT 4'))).toEqual(['must not', 'demands conflict']);
    expect(judged(demands, bottle('DOT 4'), { follow: 'maker' })[0]).toBe('may fill');
    expect(judged(demands, bottle('DOT 4'), { follow: 'cap' })[0]).toBe('must not');
  });
});

test('natural rubber asks for the maker’s advice before going up', () => {
  expect(judged([cap('DOT 3')], bottle('DOT 4'), { seals: 'natural rubber' })).toEqual([
    'with caution',
    'goes up, natural rubber',
  ]);
});

test('what is in the system counts: another chemistry comes out first, a lower grade weakens', () => {
  expect(judged([cap('DOT 4')], bottle('DOT 4'), { inSystem: 'DOT 5' })).toEqual(
    expect.arrayContaining(['must not', 'system holds another chemistry']),
  );
  expect(judged([cap('DOT 4')], bottle('DOT 4'), { inSystem: 'DOT 3' })).toEqual([
    'with caution',
    'system holds a lower grade',
    'named',
  ]);
  expect(judged([cap('DOT 4')], bottle('DOT 4'), { inSystem: 'empty' })[0]).toBe('may fill');
});

test('whatever is asked, no other chemistry ever goes in, and no stop is without its reason', () => {
  const grade = fc.constantFrom(...ALL);
  const demand = fc.record({
    source: fc.constantFrom('maker' as const, 'cap' as const, 'part' as const),
    grades: fc.uniqueArray(grade, { minLength: 1, maxLength: 3 }),
    lowViscosity: fc.boolean(),
  });
  fc.assert(
    fc.property(
      fc.uniqueArray(demand, { maxLength: 3, selector: (d) => d.source }),
      grade,
      fc.constantFrom('none' as const, 'ABS' as const, 'stability control' as const),
      fc.constantFrom<Grade | 'unknown'>('unknown', ...ALL),
      (demands, given, control, inSystem) => {
        const answer = ask(demands, bottle(given), { control, inSystem });
        const { verdict, reasons } = answer.candidates[0]!;
        if (verdict !== 'must not') {
          expect(CHEMISTRY[answer.minimum!.grade]).toBe(CHEMISTRY[given]);
          expect(
            demands.every((d) => d.grades.some((g) => CHEMISTRY[g] === CHEMISTRY[given])),
          ).toBe(true);
          if (inSystem !== 'unknown') expect(CHEMISTRY[inSystem]).toBe(CHEMISTRY[given]);
        }
        expect(reasons.some((r) => r.weight === 'stop')).toBe(verdict === 'must not');
        for (const r of reasons) expect(COMPATIBILITY_WORDS[r.code]).toMatch(/\.$/);
      },
    ),
  );
});

// What it costs when it has been poured: common practice, no source.
test.each<[Grade, Grade, string]>([
  ['DOT 4', 'DOT 4', 'nothing'],
  ['DOT 4', 'DOT 3', 'flush with the grade asked for'],
  ['DOT 5.1', 'DOT 5', 'strip, new seals, dry system'],
  ['DOT 4', 'mineral oil', 'strip, all rubber renewed'],
  ['mineral oil', 'DOT 4', 'strip, all rubber renewed'],
])('the cap names %s and %s is in: %s', (named, poured, remedy) => {
  expect(
    remedyFor(bottle(poured), {
      demands: [cap(named)],
      follow: null,
      control: 'none',
      seals: 'ordinary',
    }),
  ).toBe(remedy);
  expect(REMEDY_WORDS[remedy as keyof typeof REMEDY_WORDS]).not.toBe('');
});

test('without a demand nobody knows what to put right', () => {
  expect(
    remedyFor(bottle('DOT 4'), { demands: [], follow: null, control: 'none', seals: 'ordinary' }),
  ).toBeNull();
});
