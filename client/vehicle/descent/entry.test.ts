import { vapourMargin } from '@brook/core/fluid/vapour';
import fc from 'fast-check';
import {
  boilingOf,
  DESCENT_FIELDS,
  descentDraft,
  descentFaults,
  pieceFaults,
  vapourRequests,
  type DescentField,
} from './entry';

const DRAFT = descentDraft('car', { water: '3,4' });

test('the starting values are whole and can be reckoned for both kinds', () => {
  for (const kind of ['car', 'motorcycle'] as const) {
    const draft = descentDraft(kind, { water: '2' });
    expect(descentFaults(draft)).toEqual({});
    for (const request of vapourRequests(draft, kind, 'DOT 4')!)
      expect(vapourMargin(request).margin.value).toBeLessThan(230);
  }
});

test.each(Object.keys(DESCENT_FIELDS) as DescentField[])(
  '%s outside its range is said at its field, and nothing is reckoned',
  (field) => {
    const { most, label } = DESCENT_FIELDS[field];
    for (const wrong of [String(most + 1), 'much', '-999']) {
      expect(descentFaults({ ...DRAFT, [field]: wrong })[field]).toMatch(
        new RegExp(`^${label} is ${wrong}; give `),
      );
      expect(vapourRequests({ ...DRAFT, [field]: wrong }, 'car', 'DOT 4')).toBeNull();
    }
  },
);

test('a road begins where the workshop lies, until somebody says otherwise', () => {
  expect(descentDraft('car', {}, 1200).altitudeM).toBe('1200');
  expect(DRAFT.altitudeM).toBe('0');
});

test('a drop that no road has is refused', () =>
  expect(descentFaults({ ...DRAFT, lengthKm: '1', dropM: '400' }).dropM).toMatch(
    /steeper than a road/,
  ));

describe('a road of several pieces', () => {
  const with2 = (further: ReturnType<typeof descentDraft>['further'][number]) =>
    vapourRequests({ ...DRAFT, further: [further] }, 'car', 'DOT 4');
  test('is driven in turn: its length and drop are the sum', () => {
    const [{ road } = { road: [] }] = with2({ lengthKm: '2,5', dropM: '-40', speedKmh: '60' })!;
    expect(road.reduce((sum, p) => sum + p.lengthM, 0)).toBeCloseTo(10_500, 6);
    expect(road.reduce((sum, p) => sum + p.dropM, 0)).toBeCloseTo(460, 6);
  });
  test('a flat piece behind the hill lets the fluid cool before the stop', () => {
    const hill = vapourMargin(vapourRequests(DRAFT, 'car', 'DOT 4')![0]!).heat.points.at(
      -1,
    )!.fluidC;
    expect(
      vapourMargin(with2({ lengthKm: '20', dropM: '0', speedKmh: '60' })![0]!).heat.points.at(-1)!
        .fluidC,
    ).toBeLessThan(hill);
  });
  test.each([
    [{ lengthKm: '', dropM: '0', speedKmh: '50' }, 'lengthKm', /missing; give 0.2 to 60 km/],
    [{ lengthKm: '1', dropM: '-400', speedKmh: '50' }, 'dropM', /steeper than a road/],
    [{ lengthKm: '1', dropM: '0', speedKmh: '300' }, 'speedKmh', /give 5 to 130 km\/h/],
  ] as const)('%j is refused at its field', (piece, field, words) => {
    expect(pieceFaults(piece)).toEqual({ [field]: expect.stringMatching(words) });
    expect(with2(piece)).toBeNull();
  });
});

// FMVSS 116 S5.1.2: DOT 4 with the 3.7 % of the humidified reference fluid boils at 155 °C at least.
test('a measured boiling point wins over the water, and silicone has no estimate', () => {
  expect(boilingOf({ ...DRAFT, waterPercent: '3.7' }, 'DOT 4')!.value).toBeCloseTo(155, 9);
  expect(boilingOf({ ...DRAFT, boilingC: '201' }, 'DOT 4')).toMatchObject({
    value: 201,
    source: { kind: 'entry' },
  });
  expect(boilingOf(DRAFT, 'DOT 5')).toBeNull();
  expect(boilingOf({ ...DRAFT, waterPercent: '' }, 'DOT 4')).toBeNull();
});

test('more load never leaves more margin', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 600, max: 3000 }),
      fc.integer({ min: 1, max: 800 }),
      (mass, more) => {
        const margin = (kg: number) =>
          vapourMargin(vapourRequests({ ...DRAFT, massKg: String(kg) }, 'car', 'DOT 4')![0]!).margin
            .value;
        expect(margin(mass + more)).toBeLessThanOrEqual(margin(mass) + 1e-9);
      },
    ),
    { numRuns: 20 },
  );
});
