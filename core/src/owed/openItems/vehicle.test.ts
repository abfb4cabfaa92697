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
import { jobSays, owedWork, type OpenItem } from '.';
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
  until,
  flush,
  brown,
  endedAt,
} from '../../testing/yard';

describe('what settles', () => {
  const snapped = (): Yard => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), endedAt('left-rear', 'snapped'));
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

  test('a mark: by a job that was taken in after it, or whose phones had heard of it when they answered', () => {
    const inHand = (heardOfMark: boolean) => {
      const yard = new Yard(CAR);
      // Taken in, marked at the third place, then bled and proved.
      const plan = planned(CAR, { work: flush(CAR), means: EVERYTHING });
      const log = logFrom(plan, released(CAR)(plan));
      const begun = yard.place(log.slice(0, 2));
      // By a phone whose clock is three hours behind: it holds from the moment at which it arrives.
      yard.say({ kind: 'marked', reason: 'Towed in, no pedal' }, -3 * 3_600_000);
      const rest = yard.place(log.slice(2)).map((e) => (heardOfMark ? e : { ...e, heard: 2 }));
      yard.says.push(jobSays(foldJob([...begun, ...rest]), yard.about(1), []));
      return yard;
    };
    expect(inHand(true).drive).toBe('free');
    expect(inHand(false).drive).toBe('do not drive');
    // A proof by a phone whose clock is a day ahead hides no mark that came after it.
    const after = new Yard(CAR);
    after.take(flush(CAR), released(CAR));
    after.say({ kind: 'marked', reason: 'Towed in, no pedal' }, 0);
    expect(after.before).toMatchObject([
      { kind: 'marked', because: 'Towed in, no pedal', by: 'Ode' },
    ]);
    expect(after.drive).toBe('do not drive');
    after.take(flush(CAR), released(CAR));
    expect(after.drive).toBe('free');
  });

  test('a mark is taken back in the same press, or by a look that is said; an undo later does nothing', () => {
    const marked = () => {
      const yard = new Yard(CAR);
      yard.say({ kind: 'marked', reason: 'Towed in, no pedal' }, 5);
      return yard;
    };
    const undo = { kind: 'undone', eventId: 'v0' };
    const slip = marked();
    slip.say(undo, 6);
    expect(slip.drive).toBe('free');
    const another = marked();
    another.say({ ...undo, deviceId: 'another phone' }, 6);
    expect(another.drive).toBe('do not drive');
    const later = marked();
    later.say({ kind: 'marked', reason: 'It rolls' }, 6);
    later.say(undo, 7);
    expect(later.before.map((m) => m.because)).toContain('Towed in, no pedal');
    const looked = marked();
    looked.say({ kind: 'looked at', openItemId: 'v0', saw: 'Pedal firm, it was the mat' }, 9);
    expect(looked.drive).toBe('free');
    looked.say({ kind: 'undone', eventId: 'v1' }, 10);
    expect(looked.drive).toBe('do not drive');
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
    // A paper that arrived before the work says nothing of it, whatever its phone says.
    const early = new Yard(CAR);
    early.say({ ...paper, bledAfter: true }, 50_000_000);
    early.take(afterWork(CAR, { modulatorOpened: true }), () => [ended]);
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

  test('the base bleed after a paper: by a job taken in after it, or shut by who had heard of it', () => {
    const yard = owesCycle();
    yard.say({ ...paper, bledAfter: false }, 1_500_000);
    yard.take(flush(CAR), released(CAR));
    expect(yard.kinds()).toEqual([]);
    // Bled before the paper came.
    const late = owesCycle();
    late.take(flush(CAR), (p) => [...(run(p) as LooseEvent[]), ended]);
    late.say({ ...paper, bledAfter: false }, 0);
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
      yard.take(flush(CAR), endedAt('left-rear', 'leak'));
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
});

// What a named workshop did elsewhere it says on paper: the cycle, or the strip; never more than it names.
describe('papers of another workshop', () => {
  const paper = (kind: string, more: object = {}) => ({
    kind,
    workshop: 'Harbour garage',
    date: '2026-04-30',
    paper: 'H 12',
    ...more,
  });
  const left = (kind: OpenItem['kind'], more: Partial<OpenItem> = {}): OpenItem => ({
    id: `job-1 ${kind}`,
    kind,
    weight: 'holds',
    where: null,
    place: null,
    because: 'x',
    sinceMs: 0,
    order: { position: 3, receivedMs: 0 },
    by: 'Una',
    jobId: 'job-1',
    jobNumber: 1,
    ...more,
  });
  /** A vehicle whose job left that, and what was said of it since. */
  const since = (openItem: OpenItem, ...said: readonly object[]) => {
    const yard = new Yard(CAR);
    const job = foldJob([loggedEvent(ended)]);
    yard.says.push({ ...jobSays(job, yard.about(1)), open: [openItem] });
    yard.position = 5;
    for (const event of said) yard.say(event, 0);
    return yard.kinds();
  };
  const strip = paper('stripped elsewhere');
  test('a strip ends what asks for new rubber, and nothing else; it owes no bleed', () => {
    for (const kind of ['wrong fluid', 'product not known'] as const)
      expect(since(left(kind), strip)).toEqual([]);
    for (const kind of ['leak', 'air possible', 'marked', 'tool cycle owed'] as const)
      expect(since(left(kind), strip)).toEqual([kind]);
  });
  test('taken back it ends nothing', () => {
    const undo = { kind: 'undone', eventId: 'v0' };
    expect(since(left('wrong fluid'), strip, { kind: 'marked', reason: 'Hm' }, undo)).toContain(
      'wrong fluid',
    );
    const cycle = paper('cycle elsewhere', { bledAfter: false });
    expect(since(left('tool cycle owed'), cycle)).toEqual([
      expect.stringMatching(/^base bleed owed/),
      expect.stringMatching(/^base bleed owed/),
    ]);
    expect(since(left('tool cycle owed'), cycle, undo)).toEqual(['tool cycle owed']);
  });
  test('what a phone alone has stands behind every paper', () => {
    expect(since(left('wrong fluid', { order: undefined }), strip)).toEqual(['wrong fluid']);
  });
});

describe('a job that was moved to another vehicle', () => {
  const left = () => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), (p) => [...(until(p, 'left-rear', 2) as LooseEvent[]), ended]);
    yard.says[0] = { ...yard.says[0]!, moved: true };
    return yard;
  };
  test('leaves here what it said, until somebody looked', () => {
    const yard = left();
    const air = yard.before.find((m) => m.kind === 'air possible')!;
    expect(air).toMatchObject({
      leftBehind: true,
      because: expect.stringMatching(/; its job was moved to another vehicle$/),
    });
    yard.say({ kind: 'looked at', openItemId: air.id, saw: 'Never opened here' }, 9);
    expect(yard.kinds()).not.toContain('air possible left-rear');
    expect(yard.kinds()).toContain('control not proved master');
    yard.say({ kind: 'undone', eventId: 'v0' }, 10);
    expect(yard.kinds()).toContain('air possible left-rear');
  });
});

test('each kind is listed where it stands in the order, and the page names the first that holds', () => {
  const yard = new Yard(CAR);
  yard.say({ kind: 'marked', reason: 'It rolls' }, 9);
  yard.take(flush(CAR), endedAt('left-rear', 'snapped'));
  const places = yard.all.map((m) => m.order!.position);
  expect(places).toEqual([...places].sort((a, b) => a - b));
  expect(yard.kinds()[0]).toBe('marked');
  expect(yard.reason).toMatch(/And \d+ more\.$/);
  const alone = new Yard(CAR);
  alone.say({ kind: 'marked', reason: 'It rolls' }, 9);
  expect(alone.reason).toBe('It rolls.');
});
