import fc from 'fast-check';
import { CLOCK_WORDS, CLOCKS, movesClocks } from '../../base/clock';
import { eventFault, jobOf, loggedEvent, planOf, runOf, type LooseEvent } from '../../testing';
import { jobEventFault, runningClocks, touches } from '.';

const PLAN = planOf('motorcycle-front-disc');
const started = (id: string, minutes: number, more: Partial<LooseEvent> = {}): LooseEvent =>
  ({
    id,
    kind: 'clock started',
    clock: 'penetrant',
    minutes,
    elementId: null,
    ...more,
  }) as LooseEvent;
const ended = (eventId: string, id?: string): LooseEvent =>
  ({ kind: 'clock ended', eventId, ...(id ? { id } : {}) }) as LooseEvent;
const running = (...said: LooseEvent[]) => runningClocks(jobOf(PLAN, said).log);

test('several run at once, the one that is up first at the front; who looked ends one and no other', () => {
  const all = running(started('a', 720, { atMs: 1000 }), started('b', 15, { atMs: 60_000 }));
  expect(all.map((c) => [c.eventId, c.dueMs])).toEqual([
    ['b', 60_000 + 15 * 60_000],
    ['a', 1000 + 720 * 60_000],
  ]);
  expect(running(started('a', 720), started('b', 15), ended('b')).map((c) => c.eventId)).toEqual([
    'a',
  ]);
});

test('one taken back does not run, and one whose end is taken back runs on', () => {
  expect(running(started('a', 15), { kind: 'undone', eventId: 'a' } as LooseEvent)).toEqual([]);
  const back: LooseEvent = { kind: 'undone', eventId: 'e' };
  expect(running(started('a', 15), ended('a', 'e'), back)).toHaveLength(1);
});

test('whatever is started and ended in whatever order: what runs was started and not ended', () => {
  const id = fc.constantFrom('a', 'b', 'c', 'd');
  fc.assert(
    fc.property(fc.uniqueArray(id), fc.array(id), (starts, ends) => {
      const log = [...starts.map((s) => started(s, 15)), ...ends.map((e) => ended(e))].map((e, i) =>
        loggedEvent({ ...e, id: e.id ?? `x${i}` }),
      );
      const open = starts.filter((s) => !ends.includes(s));
      expect(new Set(runningClocks(log as never).map((c) => c.eventId))).toEqual(new Set(open));
    }),
  );
});

test('a clock may be started before there is a plan; one that is not there cannot be ended', () => {
  const nothing = jobOf(PLAN, []);
  const fault = (event: LooseEvent) =>
    jobEventFault({ ...nothing, accepted: null }, loggedEvent(event), { openedAtMs: 0, nowMs: 0 });
  expect(fault(started('a', 15))).toBeNull();
  expect(fault(ended('a'))).toContain('There is no clock "a"');
  const run = runOf(PLAN, []);
  expect(
    eventFault(run, started('a', 15, { elementId: 'nowhere' } as Partial<LooseEvent>)),
  ).toContain('nowhere');
});

test('a clock touches nothing that was proved, and moves what the list shows', () => {
  for (const event of [started('a', 15), ended('a')]) {
    expect(touches(loggedEvent(event) as never, () => undefined)).toBe('nothing');
    expect(movesClocks(loggedEvent(event) as never)).toBe(true);
  }
  expect(movesClocks({ kind: 'stroke' })).toBe(false);
  // A stroke ends a flow that runs: only then the list is written anew.
  const flow = { clock: 'level look', ofRun: true } as never;
  expect(movesClocks({ kind: 'stroke' }, [flow])).toBe(true);
  expect(movesClocks({ kind: 'bubbles' }, [flow])).toBe(false);
});

// Penetrant a quarter of an hour or over night, half an hour for bubbles to rise, a lever tied back over night: common practice, no source.
test('the usual times', () => {
  expect(CLOCK_WORDS.penetrant.offers).toEqual([15, 720]);
  expect(CLOCK_WORDS.settling.offers).toEqual([30]);
  expect(CLOCK_WORDS['lever tied back'].offers[0]).toBe(600);
  for (const clock of CLOCKS) expect(CLOCK_WORDS[clock].then).toMatch(/\.$/);
});

test('a pump that cools between two wheels is a clock of the job, an aborted run too, until the cycle is checked at its end', () => {
  const step = (stepId: string, done = true, more: object = {}) =>
    ({
      kind: 'tool step',
      stageId: 's',
      stepId,
      by: 'by hand',
      done,
      why: null,
      ...more,
    }) as LooseEvent;
  const checked = {
    kind: 'tool checked',
    stageId: 's',
    by: 'by hand',
    check: { batteryV: 12.6, ignition: 'on', codes: [] },
  } as LooseEvent;
  const cools = (...said: LooseEvent[]) => running(...said).filter((c) => c.clock === 'cool-down');
  const pump = step('left-rear:pump', true, { id: 'p', atMs: 5_000 });
  expect(cools(step('left-rear:valves'))).toEqual([]);
  // A minute, as the model has it; the limit that the tool states wins.
  expect(cools(pump)).toMatchObject([{ eventId: 'p', dueMs: 65_000, ofRun: true }]);
  expect(cools(pump, step('right-rear:valves'))).toHaveLength(1);
  expect(cools(pump, step('right-rear:pump', true, { id: 'q' })).map((c) => c.eventId)).toEqual([
    'q',
  ]);
  expect(cools(pump, checked)).toEqual([]);
  // Aborted, it is checked before it is repeated, and cools all the same.
  expect(cools(step('left-rear:pump', false), checked)).toHaveLength(1);
  expect(movesClocks({ kind: 'tool step' })).toBe(true);
});
