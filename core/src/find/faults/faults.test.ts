import { fluidVerdict, type ConditionCode, type FluidRequest } from '../../fluid/verdict';
import { HALT_REASONS } from '../../job/events';
import { layoutOf } from '../../testing';
import { FAULT_ROWS, faultParts, faultRowsFor, signsOfFluid } from '.';

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

test('what a vehicle has not is not named: no servo on a motorcycle, no drums where there are discs', () => {
  const named = (id: Parameters<typeof layoutOf>[0]) =>
    faultRowsFor(['pedal not right', 'nothing comes'], layoutOf(id)).map((r) => r.seen);
  const bike = named('motorcycle-front-disc');
  for (const seen of [
    'Hard pedal, poor braking',
    'Low, firm, drums',
    'One end floods, the other trickles, lamp lit',
  ])
    expect(bike).not.toContain(seen);
  expect(named('veteran-single')).toContain('Low, firm, drums');
  expect(named('hatchback-diagonal')).toContain('Hard pedal, poor braking');
  expect(named('clutch-external')).toContain('Takes up close to the floor or bar');
  expect(named('clutch-external')).not.toContain('One wheel trickles, or stays on');
  expect(faultParts(layoutOf('estate-front-rear'))).toEqual(
    new Set(['differential valve', 'servo', 'drums', 'brakes']),
  );
});
