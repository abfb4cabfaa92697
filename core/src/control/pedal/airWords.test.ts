import { airOf, airWords, mayHideMl } from '.';

// Nineteen of twenty lie within 1.96 standard deviations: the normal distribution of any textbook.
test('air is found where its band does not reach none', () => {
  expect(airOf(0.8, 0.15)).toEqual({ ml: 0.8, sdMl: 0.15, plusMinusMl: 1.96 * 0.15, found: true });
  expect(airOf(0.3, 0.2)).toMatchObject({ found: false });
  expect(airOf(1.96 * 0.2, 0.2).found).toBe(false);
  expect(airOf(1.97 * 0.2, 0.2).found).toBe(true);
});

test.each([
  [0.8, 0.15, 'about 0.8 mL, give or take 0.3'],
  [0.8, 0.001, 'about 0.8 mL, give or take 0.1'],
  [0.1, 0.1, 'none found, less than 0.3 mL'],
  // Below none nothing is hidden but the band.
  [-0.5, 0.1, 'none found, less than 0.2 mL'],
  [-0.5, 0.001, 'none found, less than 0.1 mL'],
])('%p mL, sd %p: %s', (ml, sd, words) => {
  expect(airWords(airOf(ml, sd))).toBe(words);
});

test('what may hide is where the band ends, a tenth at the least', () => {
  expect(mayHideMl(airOf(0.3, 0.1))).toBeCloseTo(0.496, 6);
  expect(mayHideMl(airOf(-1, 0.1))).toBeCloseTo(0.196, 6);
  expect(mayHideMl(airOf(-1, 0.01))).toBe(0.1);
});
