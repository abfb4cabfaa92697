import { foldJob } from '../../job/log';
import type { RunState } from '../../job/run';
import type { WorkDone } from '../../bleed/scope';
import {
  afterWork,
  carefulMaster,
  cappedPart,
  loggedEvent,
  type LooseEvent,
  planned,
  runOf,
} from '../../testing';
import {
  CAR,
  ended,
  flush,
  halt,
  MOTORCYCLE,
  openingAt,
  onePart,
  until,
  Yard,
  endedAt,
} from '../../testing/yard';
import { mayStayShut } from './airLeft';

/** Where air may be, and why, when a job of that work is ended before anything is planned. */
function said(work: WorkDone): Record<string, string> {
  const yard = new Yard(CAR);
  yard.put(foldJob([loggedEvent({ kind: 'work said', work }), loggedEvent(ended)]));
  return Object.fromEntries(
    yard.before.flatMap((m) => (m.kind === 'air possible' ? [[m.where, m.because]] : [])),
  );
}

// What was open lets air in at every wheel behind it: common practice, no source.
describe('air that was said, and not bled', () => {
  const everywhere = (because: string) =>
    Object.fromEntries(CAR.bleeders.map((b) => [b.id, because]));
  test.each<[string, WorkDone, Record<string, string>]>([
    ['a routine flush says nothing of air', flush(CAR), {}],
    ['a soft pedal says it of the control alone', { ...flush(CAR), purpose: 'soft pedal' }, {}],
    ['a dry system', { ...flush(CAR), purpose: 'new or dry' }, everywhere('New or dry, not bled')],
    [
      'a caliper that was off, the lines kept full',
      afterWork(CAR, { parts: [cappedPart('left-front-caliper')] }),
      { 'left-front': 'Opened and not bled' },
    ],
    [
      'a master that was changed and lost its fluid',
      afterWork(CAR, { master: { ...carefulMaster(), linesStayedFull: false } }),
      everywhere('Master changed, not bled'),
    ],
  ])('%s', (_, work, expected) => expect(said(work)).toEqual(expected));
});

test('what was left from before is said once, by the job that left it', () => {
  const yard = new Yard(CAR);
  yard.take(flush(CAR), endedAt('left-rear', 'snapped'));
  const left = yard.kinds().filter((k) => k.endsWith('left-rear'));
  expect(left).toContain('snapped left-rear');
  // Taken over and ended again before anything was opened: nothing is added.
  yard.take(flush(CAR), () => [ended]);
  expect(yard.kinds().filter((k) => k.endsWith('left-rear'))).toEqual(left);
  // Said to be off besides, it is still said of what is off alone.
  yard.take(onePart(CAR, 'right-front-caliper', ['master']), () => [ended]);
  const airy = yard.before.filter((m) => m.jobId === 'job-3' && m.kind === 'air possible');
  expect(airy.map((m) => m.where)).toEqual(['right-front']);
});

describe('a bleeder that was left shut', () => {
  const left = (reason: string, at: string, begin = 0) => {
    const yard = new Yard(MOTORCYCLE);
    yard.take(flush(MOTORCYCLE), (p) => [
      ...(until(p, at, begin) as LooseEvent[]),
      ...halt(reason, openingAt(p, at), 'leave shut'),
      ended,
    ]);
    return yard.before.filter((m) => m.where === at);
  };
  test.each([
    ['seized', 'seized'],
    ['snapped', 'snapped'],
    ['grease', 'wrong fluid'],
    ['other product', 'wrong fluid'],
    ['nothing comes', 'bleeder left'],
  ])('%s is said as %s, not as air that might be there', (reason, kind) => {
    const kinds = left(reason, 'rear', 1).map((m) => m.kind);
    expect(kinds).toContain(kind);
    expect(kinds).not.toContain('air possible');
    for (const other of ['seized', 'snapped', 'wrong fluid', 'bleeder left'])
      if (other !== kind) expect(kinds).not.toContain(other);
  });

  test('only a seized one on a circuit that nobody opened is owed', () => {
    const weight = (reason: string, begin: number) =>
      left(reason, 'rear', begin).find((m) => m.kind === reason)!.weight;
    expect(weight('seized', 0)).toBe('owed');
    expect(weight('snapped', 0)).toBe('holds');
    expect(weight('seized', 2)).toBe('holds');
  });

  test('one that the layout of this plan does not know holds', () => {
    const plan = planned(CAR, { work: flush(CAR) });
    const left = (id: string) => {
      const run = runOf(plan, []);
      return [...mayStayShut({ ...run, leftShut: new Map([[id, 'seized']]) } as RunState)];
    };
    expect(left('left-rear')).toEqual(['left-rear']);
    expect(left('a bleeder that was there once')).toEqual([]);
  });
});
