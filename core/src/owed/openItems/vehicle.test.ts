import { foldJob } from '../../job/log';
import { nextStep } from '../../job/run';
import type { WorkDone } from '../../bleed/scope';
import {
  afterWork,
  EVERYTHING,
  loggedEvent,
  logFrom,
  planned,
  type LooseEvent,
} from '../../testing';
import { doneAfterClose, owedWork } from '.';
import {
  CAR,
  MOTORCYCLE,
  VETERAN,
  Yard,
  run,
  proof,
  DRIVEN,
  ended,
  released,
  openingAt,
  until,
  halt,
  flush,
  brown,
} from '../../testing/yard';

describe('what settles', () => {
  const snapped = (): Yard => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), (p) => [
      ...(until(p, 'left-rear', 2) as LooseEvent[]),
      ...halt('snapped', openingAt(p, 'left-rear'), 'end job'),
      ended,
    ]);
    return yard;
  };

  test('the next job that bleeds what is owed, proves the control and is released', () => {
    const yard = snapped();
    yard.take(flush(CAR), (p) => [...(run(p) as LooseEvent[]), ended]);
    // Bled, but nobody proved it.
    expect(yard.kinds()).not.toContain('snapped left-rear');
    expect(yard.drive).toBe('do not drive');
    yard.take(flush(CAR), released(CAR));
    expect(yard.before).toEqual([]);
  });

  test('a mark: by a job that was taken in after it, or that judged every control after it', () => {
    const marked = (atMs: number) => {
      const yard = new Yard(CAR);
      yard.take(flush(CAR), released(CAR));
      yard.say({ kind: 'marked', reason: 'Towed in, no pedal' }, atMs);
      return yard;
    };
    const taken = 1_000_000;
    const judged = 9_000_000;
    expect(marked(taken).drive).toBe('free');
    expect(marked(judged).drive).toBe('free');
    expect(marked(judged + 1).drive).toBe('do not drive');
    expect(marked(judged + 1).before).toMatchObject([
      { kind: 'marked', because: 'Towed in, no pedal', by: 'Ode' },
    ]);
    const yard = marked(judged + 1);
    yard.say({ kind: 'undone', eventId: 'v0' }, judged + 2);
    expect(yard.drive).toBe('free');
  });

  test('look and prove: nothing is opened, every control is proved, the mark is gone', () => {
    const yard = new Yard(MOTORCYCLE);
    yard.say({ kind: 'marked', reason: 'Fell over in the yard' }, 10);
    const work: WorkDone = { ...flush(MOTORCYCLE, 'front-master'), purpose: 'look and prove' };
    const job = yard.take(work, (p) => [
      ...(run(p) as LooseEvent[]),
      ...(proof(p, ['front-master']) as LooseEvent[]),
    ]);
    expect(job.run!.plan.openings).toEqual([]);
    expect(job.run!.plan.preparation).not.toContain('fill reservoir');
    // The mark is of the whole vehicle: its other control too.
    expect(yard.gate(job).reasons).toContainEqual({
      code: 'control not judged',
      control: 'brake pedal',
    });
    yard.says.pop();
    yard.take(work, (p) => [
      ...(run(p) as LooseEvent[]),
      ...(proof(p, ['front-master', 'rear-master']) as LooseEvent[]),
      ...DRIVEN,
      { kind: 'released' },
    ]);
    expect(yard.drive).toBe('free');
  });

  const owesCycle = (): Yard => {
    const yard = new Yard(CAR);
    yard.take(afterWork(CAR, { modulatorOpened: true }), () => [ended]);
    expect(yard.kinds()).toContain('tool cycle owed modulator-primary');
    return yard;
  };
  const paper = {
    kind: 'cycle elsewhere',
    workshop: 'Harbour garage',
    date: '2026-04-30',
    paper: 'H 12',
  };

  test('a tool cycle elsewhere settles the cycle; without the bleed after it a base bleed is owed, holding', () => {
    const yard = owesCycle();
    yard.say({ ...paper, bledAfter: false }, 50_000_000);
    expect(yard.kinds().filter((k) => k.startsWith('tool'))).toEqual([]);
    expect(yard.kinds()).toContain('base bleed owed modulator-primary');
    expect(new Set(owedWork(CAR, yard.before).airAt)).toEqual(
      new Set(CAR.bleeders.map((b) => b.id)),
    );
    const both = owesCycle();
    both.say({ ...paper, bledAfter: true }, 50_000_000);
    expect(both.kinds().filter((k) => /tool|base/.test(k))).toEqual([]);
    // A paper of before the work says nothing of it.
    const early = owesCycle();
    early.say({ ...paper, bledAfter: true }, -1);
    expect(early.kinds()).toContain('tool cycle owed modulator-primary');
  });

  // The cycle is owed since a quarter of an hour into the first of January 1970.
  test.each([
    ['1969-12-31', true],
    ['1970-01-01', false],
    ['1970-01-02', false],
    ['1999-06-30', false],
  ])('a paper dated %s leaves a cycle owed that began then: %s', (date, owed) => {
    const yard = owesCycle();
    yard.say({ ...paper, date, bledAfter: true }, 50_000_000);
    expect(yard.kinds().some((k) => k.startsWith('tool cycle owed'))).toBe(owed);
  });

  test('the base bleed after a paper: by a job taken in after it', () => {
    const yard = owesCycle();
    yard.say({ ...paper, bledAfter: false }, 1_500_000);
    yard.take(flush(CAR), released(CAR));
    expect(yard.kinds()).toEqual([]);
    const late = owesCycle();
    late.say({ ...paper, bledAfter: false }, 2_000_001);
    late.take(flush(CAR), released(CAR));
    expect(late.kinds().map((k) => k.split(' modulator')[0])).toContain('base bleed owed');
  });

  test('the cycle here, and the bleed after it', () => {
    const yard = owesCycle();
    const job = yard.take(flush(CAR), released(CAR));
    expect(job.run!.plan.stages.map((s) => s.kind)).toContain('tool cycle');
    expect(yard.before).toEqual([]);
  });

  test('a leak: mended, and looked at by whoever releases', () => {
    const leaking = () => {
      const yard = new Yard(CAR);
      yard.take(flush(CAR), (p) => [
        ...(until(p, 'left-rear', 2) as LooseEvent[]),
        ...halt('leak', openingAt(p, 'left-rear'), 'end job'),
        ended,
      ]);
      return yard;
    };
    const [leak] = leaking().before.filter((m) => m.kind === 'leak');
    const unmended = leaking();
    unmended.take(flush(CAR), released(CAR));
    expect(unmended.kinds()).toEqual(['leak left-rear']);
    const mended: LooseEvent = {
      kind: 'mended',
      haltId: null,
      openItemId: leak!.id,
      where: 'left rear',
      how: 'Banjo washers renewed',
    };
    const yard = leaking();
    yard.take(flush(CAR), (p) => [mended, ...released(CAR)(p)]);
    expect(yard.before).toEqual([]);
  });

  test('a leak mended in the same job halts no more and is proved anew', () => {
    const yard = new Yard(CAR);
    const job = yard.take(flush(CAR), (p) => [
      ...(run(p) as LooseEvent[]),
      ...(proof(p, ['master']) as LooseEvent[]),
      { id: 'h', kind: 'halted', reason: 'leak', openingId: null },
      { kind: 'mended', haltId: 'h', where: 'left rear hose', how: 'Flare remade' },
    ]);
    expect(nextStep(job.run!).kind).toBe('finished');
    expect(job.proof.answers).toEqual([]);
    expect(yard.kinds()).not.toContain('leak');
  });

  test('a stop by the fluid: only by fluid that was looked at, every bleeder, and a release', () => {
    const yard = new Yard(VETERAN);
    yard.put(foldJob([loggedEvent({ kind: 'ended', reason: 'Oil in the fluid.', stop: true })]));
    expect(yard.before).toMatchObject([{ kind: 'stop verdict', because: 'Oil in the fluid.' }]);
    const unread = new Yard(VETERAN);
    unread.says.push(...yard.says);
    unread.take(flush(VETERAN), released(VETERAN));
    expect(unread.drive).toBe('do not drive');
    const plan = planned(VETERAN, { work: flush(VETERAN), means: EVERYTHING });
    yard.put(foldJob([brown(), ...logFrom(plan, released(VETERAN)(plan))]));
    expect(yard.drive).toBe('free');
  });

  test('what was done after a job was closed holds until a later job releases', () => {
    const stroke: LooseEvent = { id: 's', kind: 'stroke', openingId: 'left-rear', atMs: 1_500_000 };
    const note: LooseEvent = { id: 'n', kind: 'note', text: 'Boot torn', atMs: 5 };
    expect(doneAfterClose([loggedEvent(note)], [])).toBeNull();
    const undone: LooseEvent = { id: 'u', kind: 'undone', eventId: 's' };
    expect(doneAfterClose([loggedEvent(stroke), loggedEvent(undone)], [])).toBeNull();
    expect(doneAfterClose([loggedEvent(undone)], [loggedEvent(stroke)])).toMatchObject({
      eventId: 'u',
    });
    const late = doneAfterClose([loggedEvent(note), loggedEvent(stroke)], []);
    expect(late).toMatchObject({ eventId: 's', atMs: 1_500_000, person: 'Una' });
    const yard = new Yard(CAR);
    yard.take(flush(CAR), released(CAR));
    yard.says[0] = { ...yard.says[0]!, afterClose: late };
    // A phone whose clock is slow: its own job's proof does not count for it.
    expect(yard.drive).toBe('do not drive');
    expect(yard.before).toMatchObject([{ kind: 'done after close', sinceMs: 1_500_000 }]);
    yard.take(flush(CAR), released(CAR));
    expect(yard.drive).toBe('free');
  });
});
