import fc from 'fast-check';
import { PROOF_ITEMS } from '../gate';
import { sayingTouches } from '../stages';
import { followCalls, type CountWay } from '../run';
import { countingIds, jobOf, kept, logFrom, planOf, type Said } from '../testing';
import {
  addToJob,
  driveEffectOf,
  driveEffectOfAdditions,
  foldJob,
  followProof,
  isSuperfluous,
  jobEventFault,
  marksOf,
  proofOf,
  stageOf,
  undoneIds,
  vehicleDrive,
  type DriveEffect,
  type JobEvent,
} from '.';

const PLAN = planOf('motorcycle-front-disc');
const RUN = followCalls(PLAN, { deviceId: 'phone', nextId: countingIds(), startMs: 0 });
const PROOF = followProof(PLAN, { deviceId: 'phone', nextId: countingIds('p'), startMs: 9_000 });
const STOP = PLAN.stops[0]!.id;
const stroke = (id: string, more: Partial<Said> = {}): Said =>
  ({ id, kind: 'stroke', stopId: STOP, ...more }) as Said;
const undo = (id: string, eventId: string, more: Partial<Said> = {}): Said =>
  ({ id, kind: 'undone', eventId, ...more }) as Said;
const strokesOf = (said: readonly Said[]) => jobOf(PLAN, said).run!.bleeders[0]!.strokes;

describe('undo', () => {
  const log = (...ids: [string, string | null][]) =>
    ids.map(([id, eventId]) =>
      eventId === null ? { id, kind: 'stroke' } : { id, kind: 'undone' as const, eventId },
    );

  test.each<[string, ReturnType<typeof log>, string[]]>([
    ['nothing taken back', log(['a', null], ['b', null]), []],
    ['one taken back', log(['a', null], ['u', 'a']), ['a']],
    ['an undo taken back: it holds again', log(['a', null], ['u', 'a'], ['v', 'u']), ['u']],
    [
      'an undo of an undo of an undo',
      log(['a', null], ['u', 'a'], ['v', 'u'], ['w', 'v']),
      ['v', 'a'],
    ],
    ['two that name the same', log(['a', null], ['u', 'a'], ['v', 'a']), ['a']],
  ])('%s', (_, events, undone) => {
    expect([...undoneIds(events)].sort()).toEqual([...undone].sort());
  });

  test('an undo of one of two takes nothing else back', () => {
    expect(strokesOf([stroke('a'), stroke('b'), undo('u', 'a')])).toBe(1);
    expect(strokesOf([stroke('a'), stroke('b'), undo('u', 'a'), undo('v', 'u')])).toBe(2);
  });

  test('one that comes a second time is superfluous, the first is not', () => {
    const job = jobOf(PLAN, [stroke('a')]);
    const again = kept(undo('v', 'a')) as JobEvent;
    expect(isSuperfluous(job, again)).toBe(false);
    expect(isSuperfluous(addToJob(job, kept(undo('u', 'a'))), again)).toBe(true);
  });
});

describe('who counts', () => {
  const other = { deviceId: 'other', person: 'Ode' };

  test('one source at a time: a stroke of another phone is kept and asked about, not counted', () => {
    const { run } = jobOf(PLAN, [stroke('a'), stroke('b', other), stroke('c')]);
    expect(run!.bleeders[0]!.strokes).toBe(2);
    expect(run!.counting).toEqual({ deviceId: 'phone', way: 'tap' });
    expect(run!.asked).toMatchObject([{ eventId: 'b', person: 'Ode', deviceId: 'other' }]);
  });

  test('whether a stroke counts is asked; that the brakes were worked is known at once', () => {
    const taken = { id: 'c', kind: 'counting', way: 'tap', atMs: 4 } as Said;
    expect(driveEffectOf(jobOf(PLAN, [taken]))).toBeNull();
    const asked = jobOf(PLAN, [taken, stroke('b', { ...other, atMs: 5 })]);
    expect(asked.run!.asked).toHaveLength(1);
    expect(driveEffectOf(asked)).toMatchObject({ state: 'do not drive', sinceMs: 5 });
  });

  test.each([
    [true, 3],
    [false, 2],
  ])('judged as strokes of their own: %s', (count, strokes) => {
    const judged: Said = { id: 'j', kind: 'strokes judged', eventIds: ['b'], count };
    const { run } = jobOf(PLAN, [stroke('a'), stroke('b', other), stroke('c'), judged]);
    expect(run!.bleeders[0]!.strokes).toBe(strokes);
    expect(run!.asked).toEqual([]);
    // What was judged is not judged again.
    const twice = jobOf(PLAN, [
      stroke('a'),
      stroke('b', other),
      stroke('c'),
      judged,
      { ...judged, id: 'k' },
    ]);
    expect(twice.run!.bleeders[0]!.strokes).toBe(strokes);
  });

  test.each<CountWay>(['tap', 'tempo', 'jar', 'helper'])(
    'whoever takes over says so, by %s; then the one before is asked about',
    (way) => {
      const { run } = jobOf(PLAN, [
        stroke('a'),
        { id: 'over', kind: 'counting', way, ...other },
        stroke('b', other),
        stroke('c'),
      ]);
      expect(run!.counting).toEqual({ deviceId: 'other', way });
      expect(run!.bleeders[0]!.strokes).toBe(2);
      expect(run!.asked.map((a) => a.eventId)).toEqual(['c']);
    },
  );
});

describe('a proof counts for what was there when it was made', () => {
  const proved = [...RUN, ...PROOF] as Said[];

  test('all answered: the stage is the proof, every item holds, nothing is void', () => {
    const job = jobOf(PLAN, proved);
    expect(stageOf(job)).toBe('proof');
    expect(proofOf(job)).toEqual({
      pedal: 'firm and high',
      checks: Object.fromEntries(PROOF_ITEMS.motorcycle.map((i) => [i, true])),
      fluidPutDown: false,
    });
    expect(job.proof.voided).toEqual([]);
  });

  // Common practice, no source: what only reads leaves the vehicle as it was proved.
  test.each([
    ['part compared', true],
    ['slave tested', true],
    ['tool step', true],
    ['tool checked', false],
  ] as const)('"%s" in a stage touches the vehicle: %s', (kind, touched) => {
    expect(sayingTouches(kind)).toBe(touched);
  });

  // Whose it was and when is said: a stroke made before the proof may arrive after it.
  test.each<[string, Said, string[]]>([
    ['a stroke', stroke('late', { atMs: 1, person: 'Ode' }), ['pedal', ...PROOF_ITEMS.motorcycle]],
    [
      'a bleeder shut',
      { id: 'late', kind: 'shut', stopId: STOP, tightened: 'by feel', atMs: 1, person: 'Ode' },
      ['pedal', ...PROOF_ITEMS.motorcycle],
    ],
    [
      'a part taken off',
      { id: 'late', kind: 'taken off', elementId: 'front-caliper', atMs: 1, person: 'Ode' },
      ['pedal', ...PROOF_ITEMS.motorcycle],
    ],
    [
      'a stroke taken back',
      undo('late', RUN.find((e) => e.kind === 'stroke')!.id, { atMs: 1, person: 'Ode' }),
      ['pedal', ...PROOF_ITEMS.motorcycle],
    ],
    [
      'fluid poured',
      {
        id: 'late',
        kind: 'topped up',
        bowlId: 'bowl',
        containerId: null,
        atMs: 1,
        person: 'Ode',
      },
      ['level', 'reservoir cap'],
    ],
  ])('%s behind it makes it void, by its position and not by its time', (_, late, items) => {
    const { proof } = jobOf(PLAN, [...proved, late]);
    expect(proof.voided).toHaveLength(1);
    expect([...proof.voided[0]!.items].sort()).toEqual([...items].sort());
    expect(proof.voided[0]!.because).toMatchObject({ eventId: 'late', person: 'Ode', atMs: 1 });
    expect(proof.pedal === null).toBe(items.includes('pedal'));
    expect(proof.checks.level).toBeUndefined();
    expect(proof.checks['joints dry'] === undefined).toBe(items.includes('joints dry'));
  });

  test.each<[string, Said]>([
    ['a note', { id: 'n', kind: 'note', text: 'Boot is torn, look again' }],
    ['a colour', { id: 'n', kind: 'colour', stopId: STOP, colour: 'clear' }],
    [
      'a size found',
      { id: 'n', kind: 'size found', elementId: 'front-caliper', size: 'pistonMm', value: 30 },
    ],
    ['an answer taken back', undo('n', PROOF.at(-1)!.id)],
  ])('%s does not', (_, said) => {
    expect(jobOf(PLAN, [...proved, said]).proof.voided).toEqual([]);
  });

  test('answered again, an item is asked no more, and the others still are', () => {
    const again: Said = { id: 'r', kind: 'checked', item: 'level', passes: true };
    const { proof } = jobOf(PLAN, [...proved, stroke('late'), again]);
    expect(proof.checks.level).toMatchObject({ passes: true, eventId: 'r' });
    expect(proof.voided[0]!.items).not.toContain('level');
    expect(proof.voided[0]!.items).toContain('pedal');
  });

  test('what goes on makes void what was recorded of the fluid; a note does not', () => {
    const used: Said = {
      id: 'f',
      kind: 'fluid used',
      used: {
        containers: [],
        bledMl: 1,
        bledBy: 'strokes',
        removedMl: 0,
        spilledMl: 0,
        caught: true,
      },
    };
    expect(jobOf(PLAN, [...proved, used]).fluidUsed).not.toBeNull();
    expect(jobOf(PLAN, [...proved, used, stroke('late')]).fluidUsed).toBeNull();
    expect(
      jobOf(PLAN, [...proved, used, undo('u', RUN.find((e) => e.kind === 'stroke')!.id)]).fluidUsed,
    ).toBeNull();
    expect(
      jobOf(PLAN, [...proved, used, { id: 'n', kind: 'note', text: 'x' }]).fluidUsed,
    ).not.toBeNull();
  });

  test('a test drive that was set holds no longer when something was done since', () => {
    const set: Said = { id: 'd', kind: 'drive set' };
    expect(stageOf(jobOf(PLAN, [...proved, set]))).toBe('test drive');
    const touched = jobOf(PLAN, [...proved, set, stroke('late')]);
    expect(stageOf(touched)).toBe('proof');
    expect(driveEffectOf(touched)).toMatchObject({ state: 'do not drive' });
    expect(driveEffectOf(jobOf(PLAN, [...proved, set]))).toMatchObject({
      state: 'test drive only',
    });
  });

  test('a failed drive makes everything void; a good one nothing', () => {
    const drive = (result: 'good' | 'bad'): Said[] => [
      { id: 'd', kind: 'drive set' },
      { id: 'e', kind: 'drive ended', result, atMs: 77 },
    ];
    expect(proofOf(jobOf(PLAN, [...proved, ...drive('bad')])).pedal).toBeNull();
    expect(stageOf(jobOf(PLAN, [...proved, ...drive('bad')]))).toBe('proof');
    expect(driveEffectOf(jobOf(PLAN, [...proved, ...drive('bad')]))).toEqual({
      state: 'do not drive',
      sinceMs: 77,
      reason: 'The test drive failed.',
    });
    expect(proofOf(jobOf(PLAN, [...proved, ...drive('good')])).pedal).toBe('firm and high');
  });
});

describe('the way', () => {
  test.each<[string, Said[], string]>([
    ['a plan accepted', [], 'run'],
    ['the run through', RUN as Said[], 'proof'],
    ['released', [...(RUN as Said[]), { kind: 'released' }], 'released'],
    ['ended', [{ kind: 'ended', reason: 'Bay needed', stop: false }], 'ended'],
  ])('%s', (_, said, stage) => expect(stageOf(jobOf(PLAN, said))).toBe(stage));

  test('a job with nothing on it waits for the fluid', () =>
    expect(stageOf(foldJob([]))).toBe('fluid'));
});

describe('what a vehicle may do', () => {
  const HOLDS: DriveEffect = { state: 'do not drive', sinceMs: 10, reason: 'open' };
  const FREED: DriveEffect = { state: 'free', sinceMs: null, reason: null };
  const jobs = (...effects: (DriveEffect | null)[]) =>
    effects.map((effect, i) => ({
      openedAtMs: (i + 1) * 100,
      released: effect?.state === 'free',
      effect,
    }));

  test('nothing said: free', () => expect(vehicleDrive({ jobs: [], marks: [] })).toEqual(FREED));

  test('the moment stays that of the first job that opened it', () => {
    const later = { ...HOLDS, sinceMs: 99 };
    expect(vehicleDrive({ jobs: jobs(HOLDS, null, later), marks: [] })).toEqual(HOLDS);
    expect(vehicleDrive({ jobs: jobs(HOLDS, FREED, later), marks: [] })).toEqual(later);
  });

  test('a mark holds until a job that was taken in after it releases the vehicle', () => {
    const mark = { atMs: 150, reason: 'Towed in, no pedal' };
    expect(vehicleDrive({ jobs: jobs(FREED), marks: [mark] })).toMatchObject({
      state: 'do not drive',
      reason: mark.reason,
    });
    expect(vehicleDrive({ jobs: jobs(FREED, null), marks: [mark] }).state).toBe('do not drive');
    expect(vehicleDrive({ jobs: jobs(FREED, FREED), marks: [mark] })).toEqual(FREED);
    // At the same moment: whoever took it in has seen it.
    expect(vehicleDrive({ jobs: jobs(FREED), marks: [{ ...mark, atMs: 100 }] })).toEqual(FREED);
    expect(vehicleDrive({ jobs: jobs(FREED), marks: [{ ...mark, atMs: 101 }] }).state).toBe(
      'do not drive',
    );
  });

  // A phone without reception: what it kept of a closed job is known after the next one was released.
  test('what was done after a job was closed holds until a job taken in after it releases', () => {
    const late = (sinceMs: number): DriveEffect => ({ ...HOLDS, sinceMs, afterClose: true });
    const closed = (effect: DriveEffect, released: boolean, ...later: (DriveEffect | null)[]) => {
      const [, ...others] = jobs(FREED, ...later);
      return vehicleDrive({ jobs: [{ openedAtMs: 100, released, effect }, ...others], marks: [] });
    };
    for (const released of [true, false]) {
      expect(closed(late(150), released)).toEqual(late(150));
      // The next job, taken in at 200, was released: what was done before it counts as looked at.
      expect(closed(late(150), released, FREED)).toEqual(FREED);
      expect(closed(late(200), released, FREED)).toEqual(FREED);
      expect(closed(late(201), released, FREED)).toEqual(late(201));
      expect(closed(late(201), released, null, FREED)).toEqual(FREED);
      // A phone whose clock is slow: its own job's release does not count for it.
      expect(closed(late(50), released)).toEqual(late(50));
    }
    expect(closed(late(201), true, { ...HOLDS, sinceMs: 250 })).toMatchObject({ sinceMs: 250 });
  });

  test('a mark that was taken back marks nothing', () => {
    const base = { deviceId: 'p', deviceSeq: 1, atMs: 1, planId: null, person: 'Una' };
    const marked = { ...base, id: 'm', kind: 'marked' as const, reason: 'Leaks' };
    expect(marksOf([marked])).toHaveLength(1);
    expect(marksOf([marked, { ...base, id: 'u', kind: 'undone', eventId: 'm' }])).toEqual([]);
  });

  test('a job that drew nothing and opened nothing says nothing; one that ended on a stop holds it', () => {
    const end = (stop: boolean) => jobOf(PLAN, [{ kind: 'ended', reason: 'Oil', stop, atMs: 5 }]);
    expect(driveEffectOf(end(false))).toBeNull();
    expect(driveEffectOf(end(true))).toEqual({ state: 'do not drive', sinceMs: 5, reason: 'Oil' });
    const opened = jobOf(PLAN, [
      stroke('a', { atMs: 3 }),
      { kind: 'ended', reason: 'x', stop: false },
    ]);
    expect(driveEffectOf(opened)).toMatchObject({ state: 'do not drive', sinceMs: 3 });
  });

  // Hoses off and compared, the job ended before anything was drawn: it must not count as free.
  test('a part that came off opens it', () => {
    const off = jobOf(PLAN, [{ kind: 'taken off', elementId: 'hose', atMs: 4 }]);
    expect(driveEffectOf(off)).toMatchObject({ state: 'do not drive', sinceMs: 4 });
  });

  test.each<[string, Said[], number | null]>([
    ['a note', [{ id: 'n', kind: 'note', text: 'Boot torn', atMs: 1 }], null],
    [
      'a stroke behind a note',
      [{ id: 'n', kind: 'note', text: 'Boot torn', atMs: 1 }, stroke('s', { atMs: 2 })],
      2,
    ],
    ['a stroke that was taken back', [stroke('s', { atMs: 2 }), undo('u', 's', { atMs: 3 })], null],
    ['a stroke of the record taken back', [undo('u', 'before', { atMs: 3 })], 3],
    [
      'fluid poured',
      [{ id: 't', kind: 'topped up', bowlId: 'bowl', containerId: null, atMs: 4 }],
      4,
    ],
    [
      'a tool at work',
      [
        {
          id: 't',
          kind: 'tool step',
          stageId: 'x',
          stepId: 'y',
          by: 'by hand',
          done: true,
          why: null,
          atMs: 5,
        },
      ],
      5,
    ],
  ])('%s that arrives after the release holds the vehicle since: %#', (_, additions, sinceMs) => {
    const effect = driveEffectOfAdditions(additions.map(kept), [kept(stroke('before'))]);
    if (sinceMs === null) expect(effect).toBeNull();
    else expect(effect).toMatchObject({ state: 'do not drive', sinceMs });
  });
});

describe('what is refused', () => {
  const DAY = 86_400_000;
  const times = { openedAtMs: 10 * DAY, nowMs: 12 * DAY };
  const job = jobOf(PLAN, [stroke('a')]);
  const fault = (said: Said) => jobEventFault(job, kept({ atMs: 11 * DAY, ...said }), times);

  test.each([
    [9 * DAY, null],
    [9 * DAY - 1, 'time'],
    [13 * DAY, null],
    [13 * DAY + 1, 'time'],
  ])('a time of %d ms', (atMs, refused) => {
    if (refused) expect(fault(stroke('x', { atMs }))).toContain(refused);
    else expect(fault(stroke('x', { atMs }))).toBeNull();
  });

  test('what was decided at the desk is not taken back by undo, what was tapped is', () => {
    expect(fault(undo('x', 'accepted'))).toContain('desk');
    expect(fault(undo('x', 'a'))).toBeNull();
    expect(fault(undo('x', 'nobody'))).toContain('no event');
  });

  test('a plan that the job never had', () => {
    expect(fault(stroke('x', { planId: 'other' }))).toContain('no plan "other"');
    expect(fault(stroke('x', { planId: PLAN.id }))).toBeNull();
  });

  test('strokes that nobody made, masters and elements that are not there', () => {
    expect(fault({ kind: 'strokes judged', eventIds: ['a'], count: true })).toBeNull();
    expect(fault({ kind: 'strokes judged', eventIds: ['a', 'b'], count: true })).toContain('"b"');
    expect(fault({ kind: 'pedal judged', masterId: 'nowhere', result: 'sinks' })).toContain(
      'nowhere',
    );
    expect(fault({ kind: 'taken off', elementId: 'nowhere' })).toContain('nowhere');
    expect(fault({ kind: 'mended', haltId: 'nowhere', where: 'hose', how: 'renewed' })).toContain(
      'nowhere',
    );
  });

  test('before a plan was accepted there is nothing to add to', () => {
    expect(jobEventFault(foldJob([]), kept(stroke('x', { atMs: 11 * DAY })), times)).toContain(
      'Accept',
    );
  });
});

test('however strokes, takings-over and undos of two phones fall, every stroke is counted, asked about or taken back', () => {
  const step = fc.oneof(
    fc.constantFrom('one', 'two').map((deviceId) => ({ kind: 'stroke' as const, deviceId })),
    fc.constantFrom('one', 'two').map((deviceId) => ({ kind: 'counting' as const, deviceId })),
    fc.nat(30).map((n) => ({ kind: 'undone' as const, n })),
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
      const said = steps.map((s, i): Said => {
        const id = `e${i}`;
        if (s.kind === 'undone') return undo(id, `e${s.n % (i + 1)}`);
        return s.kind === 'stroke'
          ? stroke(id, { deviceId: s.deviceId })
          : { id, kind: 'counting', way: 'tap', deviceId: s.deviceId };
      });
      const log = logFrom(PLAN, said);
      const undone = undoneIds(log);
      const made = log.filter((e) => e.kind === 'stroke' && !undone.has(e.id)).length;
      const { run } = foldJob(log);
      expect(run!.bleeders[0]!.strokes + run!.asked.length).toBe(made);
    }),
  );
});
