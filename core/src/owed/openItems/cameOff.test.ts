import { gateWords } from '../../job/gate';
import { jobEventFault, refitOf } from '../../job/log';
import type { Plan } from '../../bleed/plan';
import {
  eventFault,
  EVERYTHING,
  jobOf,
  loggedEvent,
  logFrom,
  planned,
  runOf,
  type LooseEvent,
} from '../../testing';
import { openItemTitle } from '.';
import { CAR, Yard, run, proof, used, DRIVEN, ended, released, flush } from '../../testing/yard';

describe('what comes off goes back on', () => {
  const off = (id: string, more: object = {}): LooseEvent => ({
    id,
    kind: 'came off',
    what: 'Wheel',
    elementId: null,
    ...more,
  });
  const back = (eventId: string): LooseEvent => ({ kind: 'back on', eventId, openItemId: null });
  /** All but the release: what the gate is asked. */
  const through = (plan: Plan, more: readonly LooseEvent[]) =>
    [...run(plan), ...more, used, ...proof(plan, ['master']), ...DRIVEN] as LooseEvent[];
  const verdict = (more: readonly LooseEvent[]) => {
    const yard = new Yard(CAR);
    return yard.gate(yard.take(flush(CAR), (plan) => through(plan, more)));
  };

  test('the gate asks each of them back, by name', () => {
    expect(verdict([]).verdict).toBe('release');
    const shut = verdict([off('a'), off('b', { what: 'Clip or bracket' }), back('a')]);
    expect(shut.verdict).toBe('shut');
    expect(shut.reasons.map(gateWords)).toEqual([
      expect.stringMatching(
        /^Still open: clip or bracket, not back on\. Clears when it is back on/,
      ),
    ]);
    expect(verdict([off('a'), back('a')]).verdict).toBe('release');
    // Taken back, it never was off; the back taken back, it is off again.
    expect(verdict([off('a'), { kind: 'undone', eventId: 'a' }]).verdict).toBe('release');
    const again: LooseEvent[] = [
      off('a'),
      { ...back('a'), id: 'on' },
      { kind: 'undone', eventId: 'on' },
    ];
    expect(verdict(again).verdict).toBe('shut');
  });

  test('a photo or a voice note of it asks it back like any other, and is told of before', () => {
    const note: LooseEvent = { id: 'n', kind: 'media note', medium: 'photo', elementId: null };
    const shown = off('a', { what: 'Another thing', noteId: 'n' });
    expect(verdict([note, shown]).reasons.map(gateWords)).toEqual([
      expect.stringMatching(/^Still open: another thing, not back on/),
    ]);
    expect(verdict([note, shown, back('a')]).verdict).toBe('release');
    const log = logFrom(planned(CAR), [note, shown, off('b')]);
    expect(refitOf(log).map((r) => r.noteId)).toEqual(['n', null]);
    const at = jobOf(planned(CAR), [note]);
    const fault = (event: LooseEvent) =>
      jobEventFault(at, loggedEvent(event), { openedAtMs: 0, nowMs: 0 });
    expect(fault(shown)).toBeNull();
    expect(fault(off('c', { noteId: 'elsewhere' }))).toContain(
      'no photo or voice note "elsewhere"',
    );
    // An event that is none shows nothing.
    expect(fault(off('c', { noteId: 'accepted' }))).toContain('no photo or voice note');
  });

  test('what comes off after the proof asks for it again', () => {
    const yard = new Yard(CAR);
    const job = yard.take(flush(CAR), (plan) => [...through(plan, []), off('late'), back('late')]);
    expect(yard.gate(job).verdict).toBe('shut');
  });

  test('a job that ends leaves it on the vehicle, where it holds until a later one says that it is back', () => {
    const yard = new Yard(CAR);
    const rear = CAR.bleeders[0]!.id;
    yard.take(flush(CAR), () => [off('a', { elementId: rear }), ended]);
    expect(yard.drive).toBe('do not drive');
    const [openItem] = yard.before.filter((m) => m.kind === 'not back on');
    expect(openItemTitle(openItem!)).toMatch(/^Wheel, .+, not back on$/);
    yard.take(flush(CAR), (plan) => released(CAR)(plan));
    expect(yard.drive).toBe('do not drive');
    yard.take(flush(CAR), (plan) => [
      { kind: 'back on', eventId: null, openItemId: openItem!.id },
      ...released(CAR)(plan),
    ]);
    expect(yard.before).toEqual([]);
    expect(yard.drive).toBe('free');
  });

  test('what is said to be back came off before', () => {
    const plan = planned(CAR, { work: flush(CAR), means: EVERYTHING });
    const at = runOf(plan, []);
    expect(eventFault(at, back('nothing'))).toMatch(/no event "nothing"/);
    expect(eventFault(at, { kind: 'back on', eventId: null, openItemId: null })).toMatch(/^Name/);
    expect(eventFault(at, { kind: 'back on', eventId: 'a', openItemId: 'm' })).toMatch(/^Name/);
    expect(eventFault(at, { kind: 'back on', eventId: null, openItemId: 'm' })).toBeNull();
    expect(eventFault(at, off('x', { elementId: 'nowhere' }))).toMatch(/nowhere/);
  });
});
