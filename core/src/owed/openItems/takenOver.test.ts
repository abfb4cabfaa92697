import { gateWords } from '../../job/gate';
import { foldJob } from '../../job/log';
import { nextStep } from '../../job/run';
import {
  afterWork,
  EVERYTHING,
  loggedEvent,
  layoutOf,
  logFrom,
  planned,
  type LooseEvent,
} from '../../testing';
import type { Layout } from '../../vehicle/circuit';
import type { WorkDone } from '../../bleed/scope';
import {
  controlsConcerned,
  jobSays,
  lookSettles,
  owedWork,
  owesBleed,
  workTakenOver,
  type OpenItem,
} from '.';
import {
  CAR,
  FERRY_VAN,
  MOTORCYCLE,
  SIDECAR,
  Yard,
  run,
  proof,
  used,
  DRIVEN,
  ended,
  released,
  openingAt,
  until,
  halt,
  flush,
  onePart,
  brown,
  endedAt,
} from '../../testing/yard';

describe('the next job does not free what the one before left', () => {
  test('(a) a bleeder snapped, the job ended; then the clutch alone', () => {
    const yard = new Yard(FERRY_VAN);
    yard.take(flush(FERRY_VAN, 'master'), endedAt('left-rear', 'snapped'));
    expect(yard.kinds()).toContain('snapped left-rear');
    expect(yard.drive).toBe('do not drive');
    const clutch = yard.take(flush(FERRY_VAN, 'clutch-master'), (p) =>
      released(FERRY_VAN)(p).slice(0, -1),
    );
    // It takes the brakes over: the bleeder is in the plan, and both controls are proved.
    expect(clutch.run!.plan.openings.map((s) => s.bleeder.id)).toContain('left-rear');
    expect(controlsConcerned(clutch, FERRY_VAN, yard.before).map((m) => m.id)).toEqual([
      'master',
      'clutch-master',
    ]);
  });

  test('(a) a clutch job whose plan was made without it is shut by the gate', () => {
    const yard = new Yard(FERRY_VAN);
    yard.take(flush(FERRY_VAN, 'master'), endedAt('left-rear', 'snapped'));
    const plan = planned(FERRY_VAN, { work: flush(FERRY_VAN, 'clutch-master'), means: EVERYTHING });
    const only = foldJob(
      logFrom(plan, [
        ...run(plan),
        used,
        ...proof(plan, ['clutch-master']),
        ...DRIVEN,
      ] as LooseEvent[]),
    );
    yard.put(only);
    const { verdict, reasons } = yard.gate(only);
    expect(verdict).toBe('shut');
    const sentences = reasons.map(gateWords).join(' ');
    expect(sentences).toContain('Left rear bleeder snapped'.toLowerCase().slice(0, 9));
    expect(reasons.map((r) => r.code)).toContain('open item');
    expect(reasons).toContainEqual({ code: 'control not judged', control: 'brake pedal' });
    yard.says[yard.says.length - 1] = { ...yard.says.at(-1)!, released: true, open: [] };
    expect(yard.drive).toBe('do not drive');
  });

  test('(b) a flush ran dry and was ended; then one caliper', () => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), (p) => [
      ...(until(p, 'right-rear', 1) as LooseEvent[]),
      ...halt('ran dry', openingAt(p, 'right-rear'), 'end job'),
      ended,
    ]);
    const airy = owedWork(CAR, yard.before).airAt;
    expect(new Set(airy)).toEqual(new Set(CAR.bleeders.map((b) => b.id)));
    const next = yard.take(onePart(CAR, 'left-rear-caliper', ['master']), () => []);
    expect(new Set(next.run!.plan.openings.map((s) => s.bleeder.id))).toEqual(new Set(airy));
  });

  test('(c) “leave this one” at a seized wheel, ended; then another wheel', () => {
    const yard = new Yard(CAR);
    yard.take(flush(CAR), (p) => [
      ...(until(p, 'left-rear', 3) as LooseEvent[]),
      ...halt('seized', openingAt(p, 'left-rear'), 'leave shut'),
      ended,
    ]);
    expect(yard.kinds()).toContain('seized left-rear');
    expect(yard.before.find((m) => m.kind === 'seized')!.weight).toBe('holds');
    const next = yard.take(onePart(CAR, 'left-front-caliper', ['master']), () => []);
    expect(next.run!.plan.openings.map((s) => s.bleeder.id)).toContain('left-rear');
  });

  test('(d) hoses off and compared, ended before anything was drawn', () => {
    const yard = new Yard(CAR);
    const work = afterWork(CAR, {
      parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true }],
    });
    yard.take(work, (p) => [
      ...(run(p).filter((e) => e.kind === 'part compared') as LooseEvent[]),
      ended,
    ]);
    expect(yard.drive).toBe('do not drive');
    expect(yard.kinds()).toEqual(
      expect.arrayContaining([
        'part off left-front-caliper',
        'control not proved master',
        'air possible left-front',
      ]),
    );
    // Said to be off is enough: before a plan was accepted, before the fluid was read.
    const said = new Yard(CAR);
    said.put(foldJob([loggedEvent({ kind: 'work said', work }), loggedEvent(ended)]));
    expect(said.drive).toBe('do not drive');
    expect(said.kinds()).toContain('air possible left-front');
  });

  test('a part that is not done yet holds nothing until something is opened', () => {
    const work = afterWork(CAR, {
      parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true, notYet: true }],
    });
    const yard = new Yard(CAR);
    yard.put(foldJob([loggedEvent({ kind: 'work said', work }), loggedEvent(ended)]));
    expect(yard.drive).toBe('free');
    const planned = new Yard(CAR);
    planned.take(work, () => []);
    expect(planned.drive).toBe('free');
    const opened = new Yard(CAR);
    opened.take(work, (p) => [
      ...(run(p).filter((e) => e.kind === 'prepared') as LooseEvent[]).slice(0, -1),
      ended,
    ]);
    expect(opened.kinds()).toEqual(
      expect.arrayContaining(['part off left-front-caliper', 'air possible left-front']),
    );
  });

  test('(d) what was said before it stood in the log counts as well', () => {
    const work = onePart(CAR, 'left-front-caliper', ['master']);
    const about = { jobId: 'old', jobNumber: 1, openedAtMs: 7, layout: CAR, work };
    const { open } = jobSays(foldJob([loggedEvent(ended)]), about);
    expect(open.map((m) => m.kind)).toContain('part off');
    expect(open.every((m) => m.sinceMs === 7 || m.kind === 'old fluid')).toBe(true);
    expect(jobSays(foldJob([loggedEvent(ended)]), { ...about, work: null }).open).toEqual([]);
  });

  test('(e) a tool cycle that is owed for air is not left out by a sentence', () => {
    const yard = new Yard(CAR);
    const work = afterWork(CAR, { modulatorOpened: true });
    const job = yard.take(work, (p) => {
      const tool = p.stages.find((s) => s.kind === 'tool cycle')!;
      const all = run(p);
      const first = all.findIndex((e) => 'stageId' in e && e.stageId === tool.id);
      const skipped: LooseEvent = {
        kind: 'stage skipped',
        stageId: tool.id,
        reason: 'Tool is away',
      };
      const without = all.filter((e) => !('stageId' in e && e.stageId === tool.id));
      return [
        ...(without.slice(0, first) as LooseEvent[]),
        skipped,
        ...(without.slice(first) as LooseEvent[]),
        used,
        ...(proof(p, ['master']) as LooseEvent[]),
      ];
    });
    expect(nextStep(job.run!).kind).toBe('finished');
    expect(yard.gate(job).reasons.map((r) => r.code)).toEqual(['stage owed']);
    expect(yard.kinds()).toContain('tool cycle owed modulator-primary');
    expect(yard.drive).toBe('do not drive');
  });

  test('(f) one axle of brown fluid bled is not a change of all', () => {
    const yard = new Yard(CAR);
    const plan = planned(CAR, {
      work: onePart(CAR, 'left-rear-caliper', ['master']),
      means: EVERYTHING,
    });
    const read = brown();
    const job = foldJob([
      read,
      ...logFrom(plan, [
        ...run(plan),
        used,
        ...proof(plan, ['master']),
        ...DRIVEN,
        { kind: 'released' },
      ] as LooseEvent[]),
    ]);
    yard.put(job);
    expect(yard.says[0]!.renewed).toEqual([]);
    expect(yard.drive).toBe('free');
    expect(yard.before.map((m) => `${m.kind} ${m.where} ${m.weight}`).sort()).toEqual(
      CAR.bleeders.map((b) => `old fluid ${b.id} owed`).sort(),
    );
  });

  test.each([
    ['motorcycle with lever and pedal', MOTORCYCLE],
    ['sidecar outfit', SIDECAR],
    ['van with a clutch', FERRY_VAN],
  ] as const)('(g) every control is proved, not only the first in hand: %s', (_, layout) => {
    const masters = layout.masters.map((m) => m.id);
    expect(masters.length).toBeGreaterThan(1);
    for (const left of masters) {
      const yard = new Yard(layout);
      const others = masters.filter((id) => id !== left);
      const job = yard.take(flush(layout), (p) => [
        ...(run(p) as LooseEvent[]),
        used,
        ...(proof(p, others) as LooseEvent[]),
      ]);
      const { control } = layout.masters.find((m) => m.id === left)!;
      expect(yard.gate(job).reasons).toContainEqual({ code: 'control not judged', control });
    }
  });

  test('(h) a clutch is judged by where it takes up and not by a brake’s words', () => {
    const layout = layoutOf('motorcycle-clutch-bare');
    const yard = new Yard(layout);
    const job = yard.take(flush(layout), (p) => [
      ...(run(p) as LooseEvent[]),
      used,
      ...(proof(p, ['clutch-master']).filter((e) => e.kind !== 'take-up judged') as LooseEvent[]),
      { kind: 'pedal judged', masterId: 'clutch-master', result: 'firm and high' },
    ]);
    expect(yard.gate(job).reasons).toEqual([
      { code: 'control not judged', control: 'clutch lever' },
    ]);
  });
});

// What only a bleed, a flush or new rubber clears is not for a look: facts of the trade, common practice, no source.
test.each<[OpenItem['kind'], boolean]>([
  ['marked', true],
  ['leak', true],
  ['control soft', true],
  ['done after close', true],
  ['air possible', false],
  ['bleeder left', false],
  ['seized', false],
  ['snapped', false],
  ['base bleed owed', false],
  ['tool cycle owed', false],
  ['stop verdict', false],
  ['wrong grade', false],
  ['wrong fluid', false],
  ['product not known', false],
])('with %s a look and a proof alone settle something: %s', (kind, may) => {
  expect(lookSettles([{ kind, weight: 'holds' }])).toBe(may);
  expect(lookSettles([{ kind, weight: 'owed' }])).toBe(false);
});

/** What the next plan is made for, of what was said and what is open there. */
const taken = (
  work: WorkDone,
  before: readonly (readonly [OpenItem['kind'], string | null])[],
  more: { readonly due?: boolean; readonly leaveOldFluid?: boolean } = {},
  layout = MOTORCYCLE,
) =>
  workTakenOver(layout, work, {
    before: before.map(([kind, where]) => ({ kind, where, weight: 'holds' }) as OpenItem),
    due: false,
    leaveOldFluid: false,
    ...more,
  });
const ids = (layout: Layout, of: (b: string) => boolean = () => true) =>
  layout.bleeders.map((b) => b.id).filter(of);
const FRONT = ids(MOTORCYCLE, (id) => id !== 'rear');
const [LEVER_BOWL] = MOTORCYCLE.reservoirs.map((r) => r.id) as [string];

describe('what is owed where', () => {
  const owed = (kind: OpenItem['kind'], where: string | null, layout = FERRY_VAN) =>
    owedWork(layout, [{ kind, where } as OpenItem]);
  test('air at its bleeder; where nobody can say, or of a bleeder that was there once, at all', () => {
    expect(owed('air possible', 'left-rear').airAt).toEqual(['left-rear']);
    expect(owed('air possible', null).airAt).toEqual(ids(FERRY_VAN));
    expect(owed('air possible', 'gone').airAt).toEqual(ids(FERRY_VAN));
  });
  test('a base bleed behind its modulator, a wrong grade at what its bowl feeds', () => {
    expect(owed('base bleed owed', 'modulator-rear').airAt.slice().sort()).toEqual([
      'left-rear',
      'right-rear',
    ]);
    expect(owed('wrong grade', LEVER_BOWL, MOTORCYCLE).oldAt).toEqual(FRONT);
    expect(owed('wrong grade', 'reservoir').oldAt.slice().sort()).toEqual(ids(FERRY_VAN).sort());
  });
  test('a tool cycle at its modulator, by name', () => {
    expect(owed('tool cycle owed', 'modulator-rear').modulatorIds).toEqual(['modulator-rear']);
    expect(owed('tool cycle owed', null).modulatorIds).toEqual([]);
    expect(owed('leak', 'modulator-rear').modulatorIds).toEqual([]);
  });
  test('rubber behind its bowl alone', () => {
    expect(owed('wrong fluid', 'rear', MOTORCYCLE).rubberAt).toHaveLength(1);
    expect(owed('wrong fluid', null, MOTORCYCLE).rubberAt).toHaveLength(2);
    expect(owed('leak', 'rear', MOTORCYCLE)).not.toHaveProperty('rubberAt');
  });
  test('a bleed is owed for air and for a tool cycle; not for a mark or for old fluid', () => {
    const owes = (kind: OpenItem['kind'], where: string) =>
      owesBleed(FERRY_VAN, [{ kind, where } as OpenItem]);
    expect(owes('air possible', 'left-rear')).toBe(true);
    expect(owes('tool cycle owed', 'modulator-rear')).toBe(true);
    expect(owes('old fluid', 'left-rear')).toBe(false);
    expect(owes('marked', 'left-rear')).toBe(false);
  });
  test('a look settles something only if none of what holds wants more than a look', () => {
    const held = (...kinds: OpenItem['kind'][]) =>
      lookSettles(kinds.map((kind) => ({ kind, weight: 'holds' as const })));
    expect(held('marked', 'leak')).toBe(true);
    expect(held('marked', 'air possible')).toBe(false);
    expect(held('air possible', 'marked')).toBe(false);
  });
});

describe('the work that a plan is made for', () => {
  test('what was said, where nothing is owed; what an older plan owed is not owed again', () => {
    const before = { airAt: ['rear'], oldAt: [], modulatorIds: [] };
    expect(taken({ ...flush(MOTORCYCLE), owed: before }, [])).toEqual(flush(MOTORCYCLE));
  });
  const part = { ...afterWork(MOTORCYCLE, {}), masterIds: ['rear-master'] };
  const soft: WorkDone = { ...flush(MOTORCYCLE, 'rear-master'), purpose: 'soft pedal' };
  test('fluid that is due goes with work that opens, at the controls in hand', () => {
    expect(taken(part, [], { due: true }).owed!.oldAt).toEqual(['rear']);
    expect(taken(soft, [], { due: true }).owed!.oldAt).toEqual(['rear']);
    // A look opens nothing, a flush renews anyway, and who leaves the fluid leaves it.
    for (const purpose of ['look and prove', 'routine flush', 'new or dry'] as const)
      expect(taken({ ...part, purpose }, [], { due: true })).not.toHaveProperty('owed');
    expect(taken(part, [], { due: true, leaveOldFluid: true })).not.toHaveProperty('owed');
    // It was asked for: done, whatever is decided about fluid that is only due.
    expect(taken({ ...part, also: ['renew'] }, [], { leaveOldFluid: true }).owed!.oldAt).toEqual([
      'rear',
    ]);
  });
  test('old fluid that was left is renewed now, once each, unless it is left again', () => {
    const old = [['old fluid', FRONT[0]!] as const, ['old fluid', 'rear'] as const];
    expect(taken(part, old, { due: true }).owed!.oldAt.slice().sort()).toEqual(
      [FRONT[0]!, 'rear'].sort(),
    );
    expect(taken(part, old, { leaveOldFluid: true })).not.toHaveProperty('owed');
  });
});

describe('what is stripped for new rubber comes together dry', () => {
  const stripped = (work: WorkDone) => taken(work, [['wrong fluid', LEVER_BOWL]]);
  test('behind its bowl alone, whatever was said of the work', () => {
    const work = stripped({ ...flush(MOTORCYCLE, 'rear-master'), purpose: 'look and prove' });
    expect(work).toMatchObject({ purpose: 'new or dry', masterIds: ['front-master'] });
    expect(work.owed).toMatchObject({ rubberAt: [LEVER_BOWL], airAt: [], oldAt: [] });
  });
  test('what is in hand besides is bled or renewed as was said', () => {
    const beside = (purpose: WorkDone['purpose']) => {
      const { airAt, oldAt } = stripped({ ...flush(MOTORCYCLE), purpose }).owed!;
      return { airAt, oldAt };
    };
    expect(beside('soft pedal')).toEqual({ airAt: ['rear'], oldAt: [] });
    expect(beside('new or dry')).toEqual({ airAt: ['rear'], oldAt: [] });
    expect(beside('routine flush')).toEqual({ airAt: [], oldAt: ['rear'] });
    expect(beside('look and prove')).toEqual({ airAt: [], oldAt: [] });
  });
  test('what is owed there from before stays owed, once', () => {
    const work = taken({ ...flush(MOTORCYCLE), purpose: 'soft pedal' }, [
      ['wrong fluid', LEVER_BOWL],
      ['air possible', 'rear'],
      ['old fluid', FRONT[0]!],
    ]);
    expect(work.owed!.airAt).toEqual(['rear']);
    expect(work.owed!.oldAt).toEqual([FRONT[0]!]);
  });
});
