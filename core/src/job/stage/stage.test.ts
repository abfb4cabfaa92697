import { isClosed, JOB_STAGES, NEXT_WORDS, WAY, wayStep } from '.';

test('the way goes forward with the stages and ends at the release', () => {
  const steps = JOB_STAGES.filter((s) => s !== 'ended').map((s) => WAY.indexOf(wayStep(s)!));
  expect(steps).toEqual([...steps].sort((a, b) => a - b));
  expect(wayStep('released')).toBe('release');
  expect(wayStep('ended')).toBeNull();
});

test('only the two ends are closed, and every stage says what is next', () => {
  expect(JOB_STAGES.filter(isClosed)).toEqual(['released', 'ended']);
  expect(new Set(JOB_STAGES.map((s) => NEXT_WORDS[s])).size).toBe(JOB_STAGES.length);
});
