import { foldJob } from '../../job/log';
import {
  afterWork,
  EVERYTHING,
  jobOf,
  loggedEvent,
  logFrom,
  planned,
  type LooseEvent,
} from '../../testing';
import { CAR, ended, flush, onePart, openingAt, released, run } from '../../testing/yard';
import { jobFacts, leftOpen, refitName } from './jobSays';

const ABOUT = { jobId: 'job-1', jobNumber: 1, openedAtMs: 7, layout: CAR };
const PLAN = planned(CAR, { work: flush(CAR), means: EVERYTHING });
const facts = (events: readonly LooseEvent[], plan = PLAN) =>
  jobFacts(jobOf(plan, events), ABOUT, []);
const BLEEDERS = CAR.bleeders.map((b) => b.id).sort();

describe('what a job did', () => {
  test('nothing yet: it settles nothing', () => {
    expect(facts([])).toMatchObject({
      openedPosition: 1,
      released: false,
      bled: {},
      renewed: [],
      cycled: [],
      stripped: {},
      mended: [],
      tightened: [],
      byFeel: [],
      proves: ['master'],
      provedHeard: {},
      fluidPasses: false,
    });
    expect(jobFacts(foldJob([]), ABOUT, []).openedPosition).toBe(0);
  });

  test('done and released: bled and renewed everywhere, its control proved', () => {
    const all = facts(released(CAR)(PLAN));
    expect(Object.keys(all.bled).sort()).toEqual(BLEEDERS);
    expect(all.renewed.slice().sort()).toEqual(BLEEDERS);
    expect(all).toMatchObject({ released: true, cycled: [], proves: ['master'] });
    expect(all.byFeel.slice().sort()).toEqual(BLEEDERS);
  });

  test('a mend, or something put back, of what an earlier job left; not what was taken back', () => {
    const mend = (id: string, openItemId: string | null): LooseEvent => ({
      id,
      kind: 'mended',
      haltId: openItemId === null ? 'h' : null,
      openItemId,
      where: 'rear',
      how: 'renewed',
    });
    const back = (id: string, openItemId: string | null): LooseEvent => ({
      id,
      kind: 'back on',
      eventId: openItemId === null ? 'off' : null,
      openItemId,
    });
    expect(facts([mend('a', 'x'), back('b', 'y'), mend('c', null)]).mended).toEqual(['x', 'y']);
    const taken: LooseEvent = { kind: 'undone', eventId: 'a' };
    expect(facts([mend('a', 'x'), back('b', 'y'), taken]).mended).toEqual(['y']);
  });

  test('what it leaves by feel: what was said so of a joint, and not what is only to be looked at', () => {
    const hose = CAR.stretches.find((s) => s.kind === 'hose')!.id;
    const joint = (appliedNm: number | null): LooseEvent => ({
      kind: 'joint tightened',
      elementId: hose,
      manualNm: 14,
      appliedNm,
    });
    expect(facts([joint(null)]).byFeel).toEqual([hose]);
    // Far above its value it is looked at again, and has a torque.
    expect(facts([joint(15)]).byFeel).toEqual([]);
    expect(facts([joint(15)]).tightened).toEqual([]);
    expect(facts([joint(14)]).tightened).toEqual([hose]);
  });

  test('a tool cycle that was done, and bled after it', () => {
    const plan = planned(CAR, {
      work: afterWork(CAR, { modulatorOpened: true }),
      means: EVERYTHING,
    });
    const modulators = CAR.nodes.filter((n) => n.kind === 'modulator').map((n) => n.id);
    const events = run(plan);
    expect(facts(events, plan).cycled.slice().sort()).toEqual(modulators.sort());
    expect(facts([], plan).cycled).toEqual([]);
    // The last wheel behind the cycle was not shut.
    const last = events.map((e) => e.kind).lastIndexOf('shut');
    expect(facts(events.slice(0, last), plan).cycled).toEqual([]);
    // Skipped with a sentence it was not done.
    const tool = plan.stages.find((s) => s.kind === 'tool cycle')!;
    const without = events.filter((e) => !('stageId' in e && e.stageId === tool.id));
    const at = events.findIndex((e) => 'stageId' in e && e.stageId === tool.id);
    const skipped: LooseEvent = { kind: 'stage skipped', stageId: tool.id, reason: 'Tool is away' };
    expect(facts([...without.slice(0, at), skipped, ...without.slice(at)], plan).cycled).toEqual(
      [],
    );
  });

  test('a bleeder is bled for what was known by its last stroke before the shut that stands', () => {
    const id = openingAt(PLAN, 'left-rear');
    const own = run(PLAN).map((e): LooseEvent => {
      if (!('openingId' in e) || e.openingId !== id) return e;
      return { ...e, heard: e.kind === 'shut' ? 9 : 4 };
    });
    const heard = (...more: readonly LooseEvent[]) => facts([...own, ...more]).bled['left-rear'];
    expect(heard()).toBe(4);
    // Later news at another bleeder is none of this one.
    const other = openingAt(PLAN, 'right-rear');
    expect(heard({ kind: 'bubbles', openingId: other, reading: 'none', heard: 1 })).toBe(4);
    // A look at it behind the shut moved nothing.
    expect(heard({ kind: 'bubbles', openingId: id, reading: 'none', heard: 1 })).toBe(4);
  });

  test('fluid that was read passes unless it stops the job', () => {
    const read = (verdict: string) =>
      jobFacts(
        foldJob([
          loggedEvent({
            kind: 'fluid read',
            read: { verdict: { verdict, condition: null } },
          } as unknown as LooseEvent),
        ]),
        ABOUT,
        [],
      ).fluidPasses;
    expect([read('fill'), read('wait'), read('stop')]).toEqual([true, true, false]);
  });
});

describe('a job from before its log held what was said', () => {
  const work = onePart(CAR, 'left-front-caliper', ['master']);
  const by = (...events: readonly LooseEvent[]) =>
    jobFacts(foldJob(events.map(loggedEvent)), { ...ABOUT, work }, []).open[0]!.by;
  const read = {
    kind: 'fluid read',
    person: 'Una',
    read: { verdict: { verdict: 'fill', condition: null } },
  } as unknown as LooseEvent;
  test('is told by whoever read its fluid, else by whoever ended it, else by nobody', () => {
    const stop: LooseEvent = { ...ended, person: 'Bo' } as LooseEvent;
    expect(by(read, stop)).toBe('Una');
    expect(by(stop)).toBe('Bo');
    expect(by()).toBe('');
  });
});

describe('what it leaves open', () => {
  const open = (events: readonly LooseEvent[], asReleased: boolean) =>
    leftOpen(jobOf(PLAN, events), ABOUT, [], asReleased).map((m) =>
      `${m.kind} ${m.where ?? ''}`.trim(),
    );
  test('old fluid only once it is closed, at what was planned and not renewed', () => {
    const half = run(PLAN).slice(0, 40);
    expect(open(half, false).filter((k) => k.startsWith('old fluid'))).toEqual([]);
    const left = open([...half, ended], false).filter((k) => k.startsWith('old fluid'));
    expect(left.length).toBeGreaterThan(1);
    expect(open(run(PLAN), true).filter((k) => k.startsWith('old fluid'))).toEqual([]);
  });
  test('what is off holds also as if it were released; back on, no more', () => {
    const off: LooseEvent = { id: 'off', kind: 'came off', what: 'Wheel', elementId: 'left-rear' };
    expect(open([...run(PLAN), off], true)).toContain('not back on off');
    const back: LooseEvent = { kind: 'back on', eventId: 'off', openItemId: null };
    expect(open([...run(PLAN), off, back], true)).not.toContain('not back on off');
    expect(refitName(CAR, { what: 'Wheel', elementId: 'left-rear' })).toBe('wheel, left rear');
    expect(refitName(CAR, { what: 'Wheel', elementId: null })).toBe('wheel');
  });
  test('several reasons of one part are said in one go', () => {
    const later = (what: string, elementId: string | null): LooseEvent => ({
      kind: 'look later',
      elementId,
      why: 'worn, used again',
      what,
      byDate: null,
      byKm: null,
    });
    const log = logFrom(PLAN, [
      ...run(PLAN),
      later('weeps', 'left-rear'),
      later('rusty', 'left-rear'),
      later('old', 'right-rear'),
    ]);
    const found = leftOpen(foldJob(log), ABOUT, [], true).filter((m) => m.kind === 'look again');
    expect(found.map((m) => [m.where, m.weight])).toEqual([
      ['left-rear', 'owed'],
      ['right-rear', 'owed'],
    ]);
    expect(found[0]!.because).toMatch(/weeps.*; .*rusty/);
  });
});
