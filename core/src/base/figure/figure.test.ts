import { ARITHMETIC, ENTRY, figure, figureText, MODEL, PRACTICE, sourceWords } from '.';

test('a figure that is not a finite number never gets made', () => {
  for (const value of [NaN, Infinity, -Infinity]) {
    expect(() => figure({ label: 'Fluid', value, unit: 'mL', rule: 'r', source: MODEL })).toThrow(
      /finite/,
    );
  }
});

test('an entry has nothing it was computed from', () => {
  expect(
    figure({ label: 'Bore', value: 20, unit: 'mm', rule: 'in the layout', source: ENTRY }).from,
  ).toEqual([]);
});

test.each([
  [{ value: 201.4, unit: 'mL' }, '201 mL'],
  [{ value: 5.34, unit: 'mL' }, '5.3 mL'],
  [{ value: 12, unit: 'mL' }, '12 mL'],
  [{ value: 9999, unit: 'mL' }, '9999 mL'],
  [{ value: 13659, unit: 'mL' }, '13.7 L'],
  [{ value: -13659, unit: 'mL' }, '−13.7 L'],
  [{ value: 0.77, unit: 'L' }, '0.77 L'],
  [{ value: 5.24, unit: 'm' }, '5.2 m'],
  [{ value: 39, unit: 'strokes' }, '39 strokes'],
  [{ value: 1.25, unit: '%' }, '1.3 %'],
  [{ value: 0.333, unit: 'ratio' }, '0.33'],
  [{ value: -0.4, unit: '%' }, '−0.4 %'],
  [{ value: 6.9, unit: 'pH' }, '6.9'],
  [{ value: -1e-9, unit: 'mL' }, '0 mL'],
  [{ value: 3.2, unit: 'mm' }, '3.2 mm'],
  [{ value: 24, unit: 'mm' }, '24 mm'],
  [{ value: 24.04, unit: 'mm' }, '24 mm'],
  [{ value: 49.9, unit: 'mm' }, '49.9 mm'],
  [{ value: 50.4, unit: 'mm' }, '50 mm'],
  [{ value: -3.2, unit: 'mm' }, '−3.2 mm'],
] as const)('%j reads %s', (of, words) => {
  expect(figureText(of)).toBe(words);
});

test('every kind of source says how sure it is, and a standard is named', () => {
  expect(sourceWords({ kind: 'standard', name: 'ISO 4925:2020' })).toBe('Standard: ISO 4925:2020');
  const others = [PRACTICE, MODEL, ENTRY, ARITHMETIC].map(sourceWords);
  expect(new Set(others).size).toBe(others.length);
});
