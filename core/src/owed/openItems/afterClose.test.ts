import { foldJob, type JobState } from '../../job/log';
import type { JobEvent, Logged } from '../../job/events';
import {
  layoutOf,
  loggedEvent,
  logFrom,
  placed,
  planned,
  EVERYTHING,
  type LooseEvent,
} from '../../testing';
import { badNews, CAR, flush, openingAt, released, Yard } from '../../testing/yard';
import { doneAfterClose, jobSays } from '.';

// A vehicle whose job released it; what arrives then, one addition at a time.
const PLAN = planned(CAR, { work: flush(CAR), means: EVERYTHING });
const JOB: JobState = foldJob(logFrom(PLAN, released(CAR)(PLAN)));
const ABOUT = { jobId: 'job-1', jobNumber: 1, openedAtMs: 0, layout: CAR };
const added = (...said: readonly LooseEvent[]): Logged<JobEvent>[] =>
  placed(said.map(loggedEvent), JOB.log.length);
const brings = (...said: readonly LooseEvent[]) =>
  doneAfterClose(added(...said), JOB, ABOUT).map((m) => `${m.kind} ${m.where ?? ''}`.trim());
const driveAfter = (...said: readonly LooseEvent[]) => {
  const yard = new Yard(CAR);
  yard.says.push({
    ...jobSays(JOB, ABOUT),
    afterClose: doneAfterClose(added(...said), JOB, ABOUT),
  });
  yard.position = JOB.log.length + said.length;
  return yard;
};
const LEFT_REAR = openingAt(PLAN, 'left-rear');
const answer = JOB.log.find((e) => e.kind === 'pedal judged')!;

const BAD = badNews({ openingId: LEFT_REAR, answerId: answer.id });

test.each(BAD)('%s after the release: it must not be driven', (_, said, what) => {
  expect(brings(said)).toContain(what);
  expect(driveAfter(said).drive).toBe('do not drive');
});

test.each<[string, LooseEvent]>([
  ['a note', { kind: 'note', text: 'Boot torn' }],
  ['an answer that passes', { kind: 'pedal judged', masterId: 'master', result: 'firm and high' }],
  [
    'a joint as the manual has it',
    { kind: 'joint tightened', elementId: 'left-rear', manualNm: 10, appliedNm: 12 / 1.2 },
  ],
  ['a clock', { kind: 'clock started', clock: 'penetrant', minutes: 15, elementId: null }],
  ['nothing in the bubbles', { kind: 'bubbles', openingId: LEFT_REAR, reading: 'none' }],
  ['the pot let off', { kind: 'pressure set', on: false }],
])('%s after the release is no harm', (_, said) => {
  expect(brings(said)).toEqual([]);
  expect(driveAfter(said).drive).toBe('free');
});

test('a joint at 1.2 times its value is owed, beyond it holds; at 0.9 it is as it should be', () => {
  const weight = (appliedNm: number) =>
    doneAfterClose(
      added({ kind: 'joint tightened', elementId: 'left-rear', manualNm: 10, appliedNm }),
      JOB,
      ABOUT,
    ).map((m) => m.weight);
  expect(weight(12)).toEqual(['owed']);
  expect(weight(12.01)).toEqual(['holds']);
  expect(weight(9)).toEqual([]);
  expect(weight(8.99)).toEqual(['holds']);
});

test('it says what came, whose it was and when, in words', () => {
  const [m] = doneAfterClose(added({ ...BAD[0]![1], person: 'Ode', atMs: 77 }), JOB, ABOUT);
  expect(m).toMatchObject({
    because: 'After its job was closed, brake pedal: sinks',
    by: 'Ode',
    sinceMs: 77,
    jobNumber: 1,
    place: 'brake pedal',
  });
});

test('taken back at once by the same phone it was a slip; by another, or behind something else, it stands', () => {
  const bad: LooseEvent = { id: 'b', kind: 'checked', item: 'joints dry', passes: false };
  const undo: LooseEvent = { id: 'u', kind: 'undone', eventId: 'b' };
  expect(brings(bad, undo)).toEqual([]);
  expect(brings(bad, { ...undo, deviceId: 'another' })).toContain('leak');
  expect(brings(bad, { kind: 'note', text: 'x' }, undo)).toContain('leak');
  // The undo taken back again: the slip was none.
  expect(brings(bad, undo, { kind: 'undone', eventId: 'u' })).toContain('leak');
});

test('what is taken back is said, unless it bore on nothing or is not there', () => {
  const note = JOB.log.find((e) => e.kind === 'prepared')!;
  const takenBack = (eventId: string, more: readonly LooseEvent[] = []) =>
    doneAfterClose(added(...more, { id: 'u', kind: 'undone', eventId }), JOB, ABOUT);
  expect(takenBack(answer.id)).toMatchObject([
    {
      id: 'u done after close vehicle',
      kind: 'done after close',
      because: 'After its job was closed, taken back: brake pedal: firm and high',
      where: null,
      place: null,
    },
  ]);
  // What nobody has is not taken back.
  expect(takenBack('nothing')).toEqual([]);
  // A note bears on nothing, also when it came behind the record and another phone takes it back.
  expect(takenBack('n', [{ id: 'n', kind: 'note', text: 'x', deviceId: 'another' }])).toEqual([]);
  // To take back an undo is to say again what was taken back: nobody knows what holds now.
  const twice = added(
    { id: 'u', kind: 'undone', eventId: note.id, deviceId: 'another' },
    { id: 'uu', kind: 'undone', eventId: 'u' },
  );
  expect(doneAfterClose(twice, JOB, ABOUT).map((m) => m.id)).toContain(
    'uu done after close vehicle',
  );
});

test('a job that never had a plan knows its places by the layout of its vehicle', () => {
  const empty = foldJob([loggedEvent({ kind: 'ended', reason: 'Bay needed', stop: false })]);
  const sinks = added({ kind: 'pedal judged', masterId: 'master', result: 'sinks' });
  expect(doneAfterClose(sinks, empty, ABOUT)).toMatchObject([
    { kind: 'control soft', where: 'master', place: 'brake pedal' },
  ]);
});

test('what came off has no place but itself', () => {
  const off = added({ id: 'off', kind: 'came off', what: 'Wheel', elementId: null });
  expect(doneAfterClose(off, JOB, ABOUT)).toMatchObject([
    { kind: 'not back on', where: 'off', place: null },
  ]);
});

test('the next job takes it over, sees it and settles it; one in hand only by what was answered after it', () => {
  const soft = BAD[0]![1];
  const next = driveAfter(soft);
  next.take(flush(CAR), released(CAR));
  expect(next.drive).toBe('free');
  // Taken in, bled and proved before the bad news came, by phones that had heard of nothing since.
  const inHand = driveAfter();
  inHand.take(flush(CAR), released(CAR));
  inHand.says[0] = {
    ...inHand.says[0]!,
    afterClose: doneAfterClose(placed([loggedEvent(soft)], inHand.position), JOB, ABOUT),
  };
  expect(inHand.drive).toBe('do not drive');
  expect(inHand.kinds()).toEqual(['control soft master']);
});

test('a layout that is not known any more does not hide it', () => {
  const van = layoutOf('clutch-concentric');
  const [m] = doneAfterClose(added({ kind: 'taken off', elementId: 'nowhere' }), JOB, {
    ...ABOUT,
    layout: van,
  });
  expect(m).toMatchObject({ kind: 'part off', weight: 'holds', where: 'nowhere' });
});

test('a bleeder was bled for what was known by its last stroke, not by its shut alone', () => {
  const bledFor = (stroke: number, shut: number) => {
    const log = released(CAR)(PLAN).map((e) =>
      'openingId' in e && e.openingId === LEFT_REAR
        ? ({ ...e, heard: e.kind === 'shut' ? shut : stroke } as LooseEvent)
        : e,
    );
    return jobSays(foldJob(logFrom(PLAN, log)), ABOUT).bled['left-rear'];
  };
  expect(bledFor(3, 5)).toBe(3);
  expect(bledFor(5, 3)).toBe(3);
  expect(bledFor(5, 5)).toBe(5);
});
