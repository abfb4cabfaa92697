import { foldJob } from '../../job/log';
import { followCalls, nextStep } from '../../job/run';
import { countingIds, EVERYTHING, logFrom, planned, type LooseEvent } from '../../testing';
import { knownFromRun } from '.';
import { CAR, MOTORCYCLE, run, flush, halt, openingAt, until } from '../../testing/yard';

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

  test('of two bowls each is filled last, by its own fill', () => {
    const both = planned(MOTORCYCLE, { work: flush(MOTORCYCLE), means: EVERYTHING });
    const events = run(both) as LooseEvent[];
    const last = events.map((e) => e.kind).lastIndexOf('shut');
    const of = (said: readonly LooseEvent[]) => knownFromRun(foldJob(logFrom(both, said)).run!);
    const fill = (reservoirId: string): LooseEvent => ({
      kind: 'topped up',
      reservoirId,
      containerId: 'c',
    });
    const bowls = MOTORCYCLE.reservoirs.map((r) => r.id);
    const shut = events.slice(0, last + 1);
    const rest = events.slice(last + 1).filter((e) => e.kind !== 'topped up');
    expect(of([...shut, ...bowls.map(fill), ...rest])).toContain('level');
    for (const one of bowls)
      expect(of([...shut, fill(one), fill(one), ...rest])).not.toContain('level');
  });

  test('a bleeder that was left shut has no cap put on', () => {
    const left = [
      ...(until(plan, 'left-rear', 0) as LooseEvent[]),
      ...halt('seized', openingAt(plan, 'left-rear'), 'leave shut'),
    ];
    const at = foldJob(logFrom(plan, left)).run!;
    const rest = followCalls(
      at.plan,
      { deviceId: 'phone', nextId: countingIds('r'), startMs: 7_000_000 },
      at,
    );
    const done = [...left, ...(rest as LooseEvent[])];
    expect(nextStep(foldJob(logFrom(plan, done)).run!).kind).toBe('finished');
    expect(known(done)).not.toContain('bleeder caps');
  });

  test('nothing where nothing was opened: somebody has to look', () => {
    const looked = planned(CAR, { work: { ...flush(CAR), purpose: 'look and prove' } });
    expect(knownFromRun(foldJob(logFrom(looked, run(looked) as LooseEvent[])).run!)).toEqual([]);
  });
});
