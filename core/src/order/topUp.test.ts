import { strokesUntilTopUp, topUpLevel } from '.';

const bowl = { maxMl: 200, minMl: 70, airDrawnMl: 20 };

test('the call comes a tenth of the usable volume above MIN', () => {
  expect(topUpLevel(bowl).value).toBe(83);
});

test('a small bowl keeps at least 5 mL', () => {
  expect(topUpLevel({ ...bowl, maxMl: 32, minMl: 12, airDrawnMl: 5 }).value).toBe(17);
});

test('strokes until the call are rounded down and never below none', () => {
  expect(strokesUntilTopUp(93, bowl, 5)).toBe(2);
  expect(strokesUntilTopUp(92.9, bowl, 5)).toBe(1);
  expect(strokesUntilTopUp(60, bowl, 5)).toBe(0);
});
