import { foldJob } from '../../job/log';
import { loggedEvent, logFrom, placed, planned, EVERYTHING } from '../../testing';
import { CAR, DRIVEN, ended, flush, proof, released, run, used } from '../../testing/yard';
import { jobSays, saysByLogs, type OpenItem } from '.';

const PLAN = planned(CAR, { work: flush(CAR), means: EVERYTHING });
const ABOUT = { jobId: 'job-1', jobNumber: 1, openedAtMs: 0, layout: CAR };
/** Everything right to the drive, which is set. */
const READY = [...run(PLAN), used, ...proof(PLAN, ['master']), DRIVEN[0]!];
/** A leak from before that nobody mended. */
const LEAK: OpenItem = {
  id: 'job-0 leak left-rear',
  kind: 'leak',
  weight: 'holds',
  where: 'left-rear',
  place: 'left rear',
  because: 'Leak does not stop',
  sinceMs: 0,
  order: { position: 0, receivedMs: 0 },
  by: 'Ode',
  jobId: 'job-0',
  jobNumber: 0,
};

describe('test drive only', () => {
  const driving = (events: Parameters<typeof logFrom>[1]) =>
    jobSays(foldJob(logFrom(PLAN, events)), ABOUT).driving;
  test('while the gate asks for nothing but the drive, with what would be left open', () => {
    const says = driving(READY);
    expect(says).not.toBeNull();
    expect(says!.open.every((m) => m.weight === 'owed')).toBe(true);
  });
  test('not before a person set it', () => expect(driving(READY.slice(0, -1))).toBeNull());
  test('not where anything else is missing or bad', () => {
    expect(driving([...run(PLAN), ...proof(PLAN, ['master']), DRIVEN[0]!])).toBeNull();
    expect(
      driving([...READY, { kind: 'pedal judged', masterId: 'master', result: 'sinks' }]),
    ).toBeNull();
  });
  test('not when its job was released or ended', () => {
    expect(driving(released(CAR)(PLAN))).toBeNull();
    expect(driving([...READY, ended])).toBeNull();
  });
});

describe('by all of its logs', () => {
  const state = foldJob(logFrom(PLAN, released(CAR)(PLAN)));
  const says = (more: Partial<Parameters<typeof saysByLogs>[0]>) =>
    saysByLogs({ state, additions: [], moved: false, ...more }, ABOUT, []);
  test('what its own log says, and nothing more', () => {
    const alone = says({});
    expect(alone).toEqual(jobSays(state, ABOUT));
    expect(alone.afterClose).toEqual([]);
    expect(alone).not.toHaveProperty('moved');
  });
  test('what arrived after it was closed', () => {
    const sinks = loggedEvent({ kind: 'pedal judged', masterId: 'master', result: 'sinks' });
    const { afterClose } = says({ additions: placed([sinks], state.log.length) });
    expect(afterClose.map((m) => [m.kind, m.where])).toEqual([['control soft', 'master']]);
  });
  test('whether it was moved away', () => expect(says({ moved: true }).moved).toBe(true));
  test('what was open before it counts', () => {
    const ready = foldJob(logFrom(PLAN, READY));
    const by = (before: readonly OpenItem[]) =>
      saysByLogs({ state: ready, additions: [], moved: false }, ABOUT, before).driving;
    expect(by([])).not.toBeNull();
    expect(by([LEAK])).toBeNull();
  });
});
