import fc from 'fast-check';
import { JUDGED_BY, judgeMeasured, TWO_FINGERS_MM, type Reading } from '.';

interface Heights {
  readonly rest?: number;
  readonly bite?: number;
  readonly light?: number;
  readonly firm?: number;
  readonly pumped?: number;
  readonly sink?: number | null;
}
const GOOD: Required<Heights> = {
  rest: 180,
  bite: 165,
  light: 130,
  firm: 115,
  pumped: 120,
  sink: 1,
};
const judge = (held: 'pedal' | 'lever', more: Heights, of: Heights = GOOD) => {
  const { rest, bite, light, firm, pumped, sink = null } = { ...of, ...more };
  const at = (forceN: number, heightMm: number | undefined, isPumped = false): Reading[] =>
    heightMm === undefined ? [] : [{ at: { forceN }, pumped: isPumped, heightMm }];
  const readings: Reading[] = [
    ...(rest === undefined ? [] : [{ at: 'rest' as const, pumped: false, heightMm: rest }]),
    ...(bite === undefined
      ? []
      : [{ at: 'first resistance' as const, pumped: false, heightMm: bite }]),
    ...at(50, light),
    ...at(300, firm),
    ...at(300, pumped, true),
  ];
  return judgeMeasured(held, readings, { lightN: 50, firmN: 300, sinkMm: sink });
};
const word = (more: Heights, held: 'pedal' | 'lever' = 'pedal') => {
  const said = judge(held, more);
  return 'result' in said ? said.result : said.missing;
};

// The product's own scale in measured terms: a house rule, no source.
test.each<[string, Heights, string]>([
  ['half of the height at rest', { firm: 90, light: 100, pumped: 95 }, 'firm and high'],
  ['a millimetre beyond half', { firm: 89, light: 100, pumped: 95 }, 'firm but low'],
  ['20 mm from light to firm', { light: 135 }, 'firm and high'],
  ['21 mm from light to firm', { light: 136 }, 'springy'],
  ['pumping gains 10 mm', { pumped: 125 }, 'firm and high'],
  ['pumping gains 11 mm', { pumped: 126 }, 'springy'],
  ['sinks 5 mm in 30 s', { sink: 5 }, 'firm and high'],
  ['sinks 5.5 mm in 30 s', { sink: 5.5 }, 'sinks'],
  ['5 mm above the floor', { firm: 5, light: 20, pumped: 10 }, 'no pressure'],
  ['6 mm above the floor', { firm: 6, light: 20, pumped: 10 }, 'firm but low'],
])('a pedal, %s: %s', (_, more, result) => {
  expect(word(more)).toBe(result);
});

test('a lever has limits of its own: bite within half of the travel, two fingers from the bar, pumped within 5 mm, no creep', () => {
  const good = { rest: 70, bite: 50, light: 48, firm: 40, pumped: 42, sink: 0 };
  const lever = (more: Heights) => word({ ...good, ...more }, 'lever');
  expect(lever({})).toBe('firm and high');
  expect(lever({ bite: 35 })).toBe('firm and high');
  expect(lever({ bite: 34 })).toBe('firm but low');
  expect(lever({ firm: TWO_FINGERS_MM, pumped: 32 })).toBe('firm and high');
  expect(lever({ firm: TWO_FINGERS_MM - 1, pumped: 32 })).toBe('firm but low');
  expect(lever({ pumped: 45 })).toBe('firm and high');
  expect(lever({ pumped: 46 })).toBe('springy');
  expect(lever({ sink: 2 })).toBe('firm and high');
  expect(lever({ sink: 3 })).toBe('sinks');
  // No limit from light to firm: two fingers from the bar are what counts.
  expect(lever({ rest: 90, bite: 80, light: 75, firm: 31, pumped: 33 })).toBe('firm and high');
  expect(lever({ bite: undefined } as Heights)).toEqual(['first resistance']);
  expect(lever({ light: undefined } as Heights)).toBe('firm and high');
});

test('a good word is said once nothing is missing, a bad one as soon as it is true', () => {
  for (const [key, what] of [
    ['rest', 'rest'],
    ['light', 'light push'],
    ['firm', 'firm push'],
    ['pumped', 'firm push, pumped'],
  ] as const)
    expect(word({ [key]: undefined } as Heights)).toContain(what);
  expect(word({ sink: null })).toEqual(['sink']);
  expect(judge('pedal', { sink: 9 }, {})).toMatchObject({ result: 'sinks' });
  expect(judge('pedal', { firm: 3 }, {})).toMatchObject({ result: 'no pressure' });
});

test('the figure that decides is told with what it is held against', () => {
  expect(judge('pedal', { pumped: 130 })).toEqual({
    result: 'springy',
    by: {
      what: 'gained by pumping',
      mm: 15,
      limitMm: JUDGED_BY.pedal.pumpedWithinMm,
      least: false,
    },
  });
});

test('whatever is measured: no reading that gets worse makes the word better', () => {
  const isGood = (g: Required<Heights>) => {
    const said = judge('pedal', g);
    return 'result' in said && said.result === 'firm and high';
  };
  const mm = (least: number, most: number) => fc.integer({ min: least, max: most });
  fc.assert(
    fc.property(
      fc.record({
        rest: mm(150, 220),
        bite: mm(140, 220),
        light: mm(90, 140),
        firm: mm(70, 130),
        pumped: mm(70, 145),
        sink: mm(0, 8),
      }),
      mm(1, 20),
      (g, by) => {
        if (isGood(g)) return;
        // Sunk farther, or pushed nearer to the floor, it does not come to pass.
        expect(isGood({ ...g, sink: g.sink + by })).toBe(false);
        expect(isGood({ ...g, firm: g.firm - by })).toBe(false);
      },
    ),
  );
});

test.each<[string, 'pedal' | 'lever', Heights, number, number, boolean]>([
  ['used by a firm push', 'pedal', {}, 65, 90, false],
  ['used by a firm push', 'pedal', { firm: 80, light: 95, pumped: 85 }, 100, 90, false],
  ['from light to firm', 'pedal', { light: 140 }, 25, 20, false],
  ['gained by pumping', 'pedal', { pumped: 126 }, 11, 10, false],
  ['sunk in 30 s', 'pedal', { sink: 6 }, 6, 5, false],
  ['left under a firm push', 'pedal', { firm: 4 }, 4, 5, true],
  ['left to the bar', 'lever', {}, 40, 30, true],
  ['left to the bar', 'lever', { firm: 29, pumped: 30 }, 29, 30, true],
  ['used until it bites', 'lever', { bite: 30 }, 40, 35, false],
])('%s (%s, %j) decides: %p mm against %p', (what, held, more, mm, limitMm, least) => {
  const good =
    held === 'pedal' ? GOOD : { rest: 70, bite: 50, light: 48, firm: 40, pumped: 42, sink: 0 };
  const said = judge(held, more, good);
  expect('by' in said ? said.by : said).toEqual({ what, mm, limitMm, least });
});

test('a push within a tenth of the light one that was asked for is it; a low one is none', () => {
  const at = (forceN: number) =>
    judgeMeasured(
      'pedal',
      [
        { at: 'rest', pumped: false, heightMm: 180 },
        { at: { forceN }, pumped: false, heightMm: 130 },
        { at: { forceN: 300 }, pumped: false, heightMm: 115 },
        { at: { forceN: 300 }, pumped: true, heightMm: 120 },
      ],
      { lightN: 50, firmN: 300, sinkMm: 0 },
    );
  for (const good of [45, 50, 55]) expect(at(good)).toHaveProperty('result');
  for (const off of [44, 56]) expect(at(off)).toEqual({ missing: ['light push'] });
});

test('whatever is missing is named, in its order, and nothing that a lever needs not', () => {
  const none = { lightN: 50, firmN: 300, sinkMm: null };
  expect(judgeMeasured('pedal', [], none)).toEqual({
    missing: ['rest', 'light push', 'firm push', 'firm push, pumped', 'sink'],
  });
  expect(judgeMeasured('lever', [], none)).toEqual({
    missing: ['rest', 'first resistance', 'firm push', 'firm push, pumped', 'sink'],
  });
});
