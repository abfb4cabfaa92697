import { fluidVerdict, type ConditionCode, type FluidRequest } from '../fluid';
import { HALT_REASONS } from '../run';
import { FAULT_ROWS, faultRowsFor, signsOfFluid } from '.';

// What stops, by the trade: common practice, no source.
const STOPS: readonly ConditionCode[] = [
  'other product',
  'layers',
  'silicone in glycol',
  'mineral oil',
  'drops part',
  'drops dissolve',
  'water test first',
];

test.each([...HALT_REASONS, ...STOPS, 'wrong chemistry inside'] as const)(
  '%s leads to a row or more',
  (sign) => {
    expect(faultRowsFor([sign]).length).toBeGreaterThan(0);
  },
);

test('a row is shown once, however many signs it fits', () => {
  const rows = faultRowsFor(['mineral oil', 'layers', 'drops part']);
  expect(new Set(rows).size).toBe(rows.length);
  expect(faultRowsFor([])).toEqual([]);
});

test('every row can be reached and says all four things', () => {
  for (const row of FAULT_ROWS) {
    expect(row.fits.length).toBeGreaterThan(0);
    for (const words of [row.seen, row.likely, row.tell, row.act])
      expect(words.length).toBeGreaterThanOrEqual(3);
  }
});

test('grease is never cured by bleeding, dark fluid alone condemns no part', () => {
  expect(faultRowsFor(['grease']).some((r) => /bleeding does not cure it/.test(r.act))).toBe(true);
  expect(faultRowsFor(['dark']).map((r) => r.likely)).toEqual(['Age']);
});

test('what stopped the fluid is its findings, or the hold; what only waits stops nothing', () => {
  const sample = {
    point: 'reservoir',
    colour: 'amber' as const,
    clarity: 'clear' as const,
    foreign: 'none' as const,
    dye: null,
    dropsInWater: null,
    water: null,
    boiling: null,
    copperPpm: null,
    pH: null,
    practice: false,
  };
  const signs = (more: Partial<FluidRequest>) =>
    signsOfFluid(
      fluidVerdict({
        demands: [{ source: 'cap', grades: ['DOT 4'], lowViscosity: false }],
        follow: null,
        control: 'none',
        seals: 'ordinary',
        inSystem: 'unknown',
        lastDye: null,
        samples: [sample],
        fill: null,
        ...more,
      }),
    );
  expect(signs({ samples: [{ ...sample, foreign: 'layers' }] })).toEqual(['layers']);
  expect(signs({ inSystem: 'DOT 5' })).toEqual(['wrong chemistry inside']);
  expect(signs({})).toEqual([]);
});
