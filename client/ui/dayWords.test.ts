import { capital } from '@brook/core/text';
import { clockTime, shortDate } from './dates';
import { dayWords } from './dayWords';

const now = new Date('2026-03-10T00:30:00');

test.each([
  ['2026-03-10T00:10:00', 'today'],
  ['2026-03-09T23:50:00', 'yesterday'],
  ['2026-03-05T12:00:00', '5 days ago'],
  ['2026-02-12T12:00:00', '12 Feb 2026'],
  ['2026-03-11T12:00:00', 'today'],
])('%s is %s', (iso, words) => expect(dayWords(iso, now)).toBe(words));

test('longer ago is a date, and a time has two digits each', () => {
  expect(shortDate('2020-02-03T09:05:00')).toBe('3 Feb 2020');
  expect(shortDate(new Date().toISOString())).toBe('today');
  expect(clockTime('2020-02-03T09:05:00')).toBe('09:05');
});

test('a capital stands at the start only', () => expect(capital('left rear')).toBe('Left rear'));
