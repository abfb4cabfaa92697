import { JOB_STAGES, WAY, wayStep } from '@brook/core/job/stage';
import { poolFill } from './Way';

test('pools before the one in hand are full, those after it empty', () => {
  for (const stage of JOB_STAGES.filter((s) => s !== 'ended' && s !== 'released')) {
    const reached = wayStep(stage)!;
    const fills = WAY.map((step) => poolFill(stage, step, reached));
    expect(fills).toEqual([...fills].sort((a, b) => b - a));
    expect(fills[WAY.indexOf(reached)]).toBeGreaterThan(0);
    expect(fills[WAY.indexOf(reached)]).toBeLessThan(1);
  }
});

test('a released job is full to the mouth; an ended one stops where it stopped', () => {
  expect(WAY.every((step) => poolFill('released', step, 'release') === 1)).toBe(true);
  expect(WAY.map((step) => poolFill('ended', step, 'fluid'))).toEqual([1, 0.5, 0, 0, 0, 0]);
});
