import { capital } from '@brook/core/base/text';
import { clockTime, dayOf, shortDate } from './dates';
import { dayWords } from './dayWords';
import { setZone } from './zone';

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

describe('in the workshop’s zone, wherever the phone is', () => {
  // Auckland is thirteen hours ahead of UTC in March, daylight saving time (IANA time zone database).
  beforeAll(() => setZone('Pacific/Auckland'));
  afterAll(() => setZone('UTC'));

  test('the time of day and the day are those on its wall', () => {
    expect(clockTime('2026-03-09T20:05:00Z')).toBe('09:05');
    const evening = new Date('2026-03-10T10:59:00Z');
    expect(shortDate('2026-03-09T11:00:00Z', evening)).toBe('today');
    expect(shortDate('2026-03-09T10:59:00Z', evening)).toBe('yesterday');
    expect(dayWords('2026-03-08T10:59:00Z', evening)).toBe('2 days ago');
    expect(dayOf(Date.parse('2026-03-08T10:59:00Z'), evening)).toBe('Sun');
    expect(dayOf(Date.parse('2026-03-03T10:59:00Z'), evening)).toBe('3 Mar 2026');
  });

  test('a night with a changed clock is one midnight', () => {
    // Clocks went back on 5 April 2026 at 03:00.
    const [before, after] = ['2026-04-04T10:00:00Z', '2026-04-05T10:00:00Z'];
    expect(shortDate(before, new Date(after))).toBe('yesterday');
  });
});
