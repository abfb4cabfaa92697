import { drawsOff, halfMl, lookAfterS, strokesUntilTopUp, topUpLevel } from '.';

const reservoir = { maxMl: 200, minMl: 70, airDrawnMl: 20 };

test('the call comes a tenth of the usable volume above MIN', () => {
  expect(topUpLevel(reservoir).value).toBe(83);
});

test('a small reservoir keeps at least 5 mL', () => {
  expect(topUpLevel({ ...reservoir, maxMl: 32, minMl: 12, airDrawnMl: 5 }).value).toBe(17);
});

test('strokes until the call are rounded down and never below none', () => {
  expect(strokesUntilTopUp(93, reservoir, 5)).toBe(2);
  expect(strokesUntilTopUp(92.9, reservoir, 5)).toBe(1);
  expect(strokesUntilTopUp(60, reservoir, 5)).toBe(0);
});

// The level may fall to the call before the look, never past it; sooner than three seconds nobody gets to the reservoir: a model choice.
test.each([
  [173, 5, 18],
  [172.9, 5, 17],
  [98, 5, 3],
  [97.9, 5, null],
  [60, 5, null],
  // Full, it gives no more: then somebody stands beside it.
  [200, 60, 1],
  [200, 200, 1],
  [199.9, 60, null],
])(
  'a reservoir at %p mL that may fall %p mL/s is looked into after %p s',
  (levelMl, mlS, after) => {
    expect(topUpLevel(reservoir).value).toBe(83);
    expect(lookAfterS(levelMl, reservoir, mlS)).toBe(after);
  },
);

describe('a reservoir into which fluid is pushed', () => {
  const reservoir = { maxMl: 32, minMl: 12 };

  test('stands at half, midway between its marks', () => expect(halfMl(reservoir)).toBe(22));

  test.each<[string, number, number, boolean, boolean]>([
    ['before the first push above half', 23, 5, true, true],
    ['before the first push at half', 22, 5, true, false],
    ['a trace above half', 22.5, 5, true, false],
    ['later, where the push ends at MAX', 27, 5, false, false],
    ['later, where it would end above', 27.01, 5, false, true],
    ['later, where most of it is swallowed', 31, 0.5, false, false],
  ])('%s', (_, levelMl, risesMl, first, draws) =>
    expect(drawsOff(levelMl, reservoir, risesMl, first)).toBe(draws),
  );
});
