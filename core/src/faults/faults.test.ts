import type { ConditionCode } from '../fluid';
import { HALT_REASONS } from '../run';
import { FAULT_ROWS, faultRowsFor } from '.';

// What stops, by the trade: common practice, no source.
const STOPS: readonly ConditionCode[] = ['other product', 'layers', 'silicone in glycol', 'mineral oil', 'drops part', 'drops dissolve', 'water test first'];

test.each([...HALT_REASONS, ...STOPS, 'wrong chemistry inside'] as const)('%s leads to a row or more', (sign) => {
  expect(faultRowsFor([sign]).length).toBeGreaterThan(0);
});

test('a row is shown once, however many signs it fits', () => {
  const rows = faultRowsFor(['mineral oil', 'layers', 'drops part']);
  expect(new Set(rows).size).toBe(rows.length);
  expect(faultRowsFor([])).toEqual([]);
});

test('every row can be reached and says all four things', () => {
  for (const row of FAULT_ROWS) {
    expect(row.fits.length).toBeGreaterThan(0);
    for (const words of [row.seen, row.likely, row.tell, row.act]) expect(words.length).toBeGreaterThanOrEqual(3);
  }
});

test('grease is never cured by bleeding, dark fluid alone condemns no part', () => {
  expect(faultRowsFor(['grease']).some((r) => /bleeding does not cure it/.test(r.act))).toBe(true);
  expect(faultRowsFor(['dark']).map((r) => r.likely)).toEqual(['Age']);
});
