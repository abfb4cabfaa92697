import fc from 'fast-check';
import { dayEndsMs } from '.';

// Against the calendar of the platform.
test('any day is over where the next one begins', () => {
  fc.assert(
    fc.property(
      fc.date({ min: new Date('0001-01-01'), max: new Date('9998-12-31'), noInvalidDate: true }),
      (at) => {
        const date = at.toISOString().slice(0, 10);
        expect(dayEndsMs(date)).toBe(Date.parse(date) + 86_400_000);
      },
    ),
    { numRuns: 500 },
  );
});

test.each([
  ['1970-01-01', 86_400_000],
  ['1969-12-31', 0],
  ['2000-02-29', Date.parse('2000-03-01')],
  ['2100-02-28', Date.parse('2100-03-01')],
])('%s', (date, ms) => {
  expect(dayEndsMs(date)).toBe(ms);
});
