import * as beats from './beats';

const {
  JOB_BEAT_MS,
  JOB_LINE_LOST_MS,
  PHONE_UNHEARD_MS,
  HELPER_BEAT_MS,
  HELPER_LINE_LOST_MS,
  HERE_EVERY_MS,
  OUT_OF_STEP_MS,
} = beats;

test.each([
  ['the line of a job', JOB_BEAT_MS, JOB_LINE_LOST_MS],
  ['another phone of a job', JOB_BEAT_MS, PHONE_UNHEARD_MS],
  ['the line of a helper’s phone', HELPER_BEAT_MS, HELPER_LINE_LOST_MS],
  ['a phone of a helped run', HERE_EVERY_MS, OUT_OF_STEP_MS],
])(
  '%s is taken as gone only after two words were lost, with time for the third',
  (_, every, lost) => {
    expect(lost).toBeGreaterThan(2 * every);
    // The next word is due one period later: a second more is the way.
    expect(lost % every).toBeGreaterThanOrEqual(1_000);
  },
);

test('nothing is told as lost on a helper’s phone later than its hand would have made the next stroke', () => {
  // A push, the call and the way back take about six seconds [C].
  expect(HELPER_LINE_LOST_MS).toBeLessThan(6_000);
});
