import { foldJob } from '../../job/log';
import { nextStep } from '../../job/run';
import { EVERYTHING, logFrom, planned, type LooseEvent } from '../../testing';
import { knownFromRun } from '.';
import { CAR, run, flush } from '../../testing/yard';

describe('what the run says of the proof', () => {
  const plan = planned(CAR, { work: flush(CAR), means: EVERYTHING });
  const known = (said: readonly LooseEvent[]) => knownFromRun(foldJob(logFrom(plan, said)).run!);
  const all = run(plan) as LooseEvent[];

  test('caps and level, once every bleeder is shut and the last fill was made', () => {
    expect(known(all)).toEqual(['bleeder caps', 'level']);
    expect(known(all.slice(0, -1))).toEqual([]);
  });

  test('a fill before the last bleeder was shut says nothing of the level after it', () => {
    const shutAt = all.map((e) => e.kind).lastIndexOf('shut');
    const fill = all.at(-1)!;
    const early = [...all.slice(0, shutAt), fill, all[shutAt]!];
    expect(nextStep(foldJob(logFrom(plan, early)).run!).kind).toBe('finished');
    expect(known(early)).toEqual(['bleeder caps']);
  });

  test('nothing where nothing was opened: somebody has to look', () => {
    const looked = planned(CAR, { work: { ...flush(CAR), purpose: 'look and prove' } });
    expect(knownFromRun(foldJob(logFrom(looked, run(looked) as LooseEvent[])).run!)).toEqual([]);
  });
});
