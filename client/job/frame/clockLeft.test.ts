import type { RunningClock } from '@brook/core/job/log';
import { clockLeft } from './clockLeft';

const at = (dueMs: number): RunningClock => ({
  eventId: 'e',
  clock: 'penetrant',
  elementId: null,
  person: 'Una',
  startedMs: 0,
  dueMs,
});
const left = (ms: number) => clockLeft(at(ms), 0);

test.each([
  [15 * 60_000, '15:00'],
  [61_000, '1:01'],
  [1, '0:01'],
  [3_600_000, '1 h 0 min'],
  [3_599_000, '59:59'],
  [10 * 3_600_000 - 1, '9 h 59 min'],
])('%d ms before it is up: %s', (ms, words) => {
  expect(left(ms)).toEqual({ title: 'Penetrant', left: words, isUp: false });
});

test.each([
  [0, 'time is up'],
  [-59_999, 'time is up'],
  [-60_000, 'up for 1:00'],
  [-2 * 3_600_000, 'up for 2 h 0 min'],
])('%d ms: %s', (ms, words) => {
  expect(left(ms)).toEqual({ title: 'Penetrant', left: words, isUp: true });
});
