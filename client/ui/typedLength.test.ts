import { inBothUnits, typedLengthMm } from './typedLength';

// One inch is 25.4 mm exactly: the agreement on the yard of 1959.
test.each([
  ['4.5 in', 114.3],
  ['4,5in', 114.3],
  ['4 3/8 in', 111.125],
  ['3/8"', 9.525],
  ['7 inches', 177.8],
  ['11.1 cm', 111],
  ['111 mm', 111],
  [' 111 ', 111],
  ['0', 0],
])('%j is a length', (typed, mm) => {
  expect(typedLengthMm(typed)).toBeCloseTo(mm, 9);
});

test.each(['', '   ', 'in', 'high', '4 ft', '3/0 in', '1/2/3 in', '4 5 in'])(
  '%j is none',
  (typed) => {
    expect(typedLengthMm(typed)).toBeNaN();
  },
);

test('both units are read beside each other, each rounded once', () => {
  expect(inBothUnits(111)).toBe('111 mm, 4.37 in');
  expect(inBothUnits(25.4)).toBe('25.4 mm, 1 in');
});
