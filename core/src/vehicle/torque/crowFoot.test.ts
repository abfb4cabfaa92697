import fc from 'fast-check';
import { crowFootSettingNm } from '.';

// The lever rule as textbooks have it: the wrench feels its own lever, the nut feels that and the adapter's.
test.each([
  // 100 N·m on a 400 mm wrench with 100 mm straight on: 100 · 400/500.
  [100, 400, 100, 0, 80],
  // 15 N·m on 250 mm with 30 mm: 15 · 250/280.
  [15, 250, 30, 0, 13.393],
  // Square: the adapter adds nothing to the lever.
  [15, 250, 30, 90, 15],
  // Turned back it takes away: 15 · 250/220.
  [15, 250, 30, 180, 17.045],
  // 45°: 15 · 250/(250 + 30 · 0.7071).
  [15, 250, 30, 45, 13.827],
])(
  '%d N·m at the nut, wrench %d mm, adapter %d mm at %d°: set %d',
  (nm, wrench, adapter, deg, set) => {
    expect(crowFootSettingNm(nm, wrench, adapter, deg)).toBeCloseTo(set, 3);
  },
);

test('without an adapter the setting is the torque, and a longer one straight on always asks for less', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 200, noNaN: true }),
      fc.integer({ min: 150, max: 900 }),
      fc.integer({ min: 1, max: 100 }),
      (nm, wrench, adapter) => {
        expect(crowFootSettingNm(nm, wrench, 0, 0)).toBeCloseTo(nm, 9);
        expect(crowFootSettingNm(nm, wrench, adapter + 1, 0)).toBeLessThan(
          crowFootSettingNm(nm, wrench, adapter, 0),
        );
      },
    ),
  );
});

test.each([
  [0, 250, 30, 0, 'The torque is 0 N·m; give more than 0.'],
  [NaN, 250, 30, 0, 'The torque is NaN'],
  [15, 99, 30, 0, 'The length of the wrench is 99; give 100 to 1,500 mm.'],
  [15, 250, 301, 0, 'The length of the adapter is 301; give 0 to 300 mm.'],
  [15, 250, 30, 181, 'The angle of the adapter is 181; give 0 to 180 °.'],
  [15, 200, 200, 180, 'reaches past the grip'],
])('%p N·m, %p mm, %p mm, %p° is refused: %s', (nm, wrench, adapter, deg, why) => {
  expect(() => crowFootSettingNm(nm, wrench, adapter, deg)).toThrow(why);
});

test('the edges themselves are taken', () => {
  expect(crowFootSettingNm(15, 100, 0, 0)).toBeCloseTo(15, 9);
  expect(crowFootSettingNm(15, 1500, 300, 180)).toBeCloseTo((15 * 1500) / 1200, 9);
});
