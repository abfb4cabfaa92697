import { typedNumber } from './typedNumber';

test.each([
  ['2.5', 2.5],
  [' 2,5 ', 2.5],
  ['0', 0],
  ['-3', -3],
  ['', NaN],
  ['  ', NaN],
  ['wet', NaN],
  ['1.2.3', NaN],
  ['1,2,3', NaN],
])('"%s" is %p', (text, value) => expect(typedNumber(text)).toBe(value));
