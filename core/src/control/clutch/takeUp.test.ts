import { airOrRod, PUMPED_WITHIN_MM, takeUpOf } from '.';

// Near its end a clutch has air or lost stroke: common practice, no source. The shares are from memory.
test.each([
  [200, 29, 'near the end'],
  [200, 30, 'lower half'],
  [200, 99, 'lower half'],
  [200, 100, 'middle'],
  [200, 149, 'middle'],
  [200, 150, 'high'],
  [70, 10, 'near the end'],
  [70, 11, 'lower half'],
])('at rest %p mm, takes up at %p mm: %s', (restMm, takeUpMm, word) => {
  expect(takeUpOf(restMm, takeUpMm)).toBe(word);
});

test('pumping lifts what air holds, by more than a ruler errs; a rod stays as long', () => {
  expect(airOrRod(30, 30 + PUMPED_WITHIN_MM)).toBe('rod');
  expect(airOrRod(30, 31 + PUMPED_WITHIN_MM)).toBe('air');
  expect(airOrRod(30, 25)).toBe('rod');
});
