import { capital, lowerFirst } from '.';

test.each([
  ['Caliper left front', 'caliper left front'],
  ['DOT 4', 'DOT 4'],
  ['ABS modulator', 'ABS modulator'],
  ['pH of the strip', 'pH of the strip'],
  ['', ''],
])('"%s" within a sentence', (text, within) => expect(lowerFirst(text)).toBe(within));

test('a heading begins with a capital', () =>
  expect([capital('left rear'), capital('')]).toEqual(['Left rear', '']));
