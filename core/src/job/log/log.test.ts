import fc from 'fast-check';
import { PROOF_ITEMS } from '../items';
import { sayingTouches } from '../../bleed/stages';
import { followCalls } from '../run';
import { type CountWay, MOST_MEDIA_NOTES, type JobEvent } from '../events';
import { countingIds, jobOf, loggedEvent, logFrom, planOf, type LooseEvent } from '../../testing';
import {
  addToJob,
  addUnfolded,
  foldJob,
  followProof,
  isSuperfluous,
  jobEventFault,
  proofOf,
  stageOf,
  undoneIds,
  type ProofState,
  unseenStrokes,
} from '.';
import type { ProofItem } from '../items';

const PLAN = planOf('motorcycle-front-disc');
const RUN = followCalls(PLAN, { deviceId: 'phone', nextId: countingIds(), startMs: 0 });
const [LEVER] = PLAN.layout.masters.map((m) => m.id);
const PROOF = followProof(PLAN, {
  deviceId: 'phone',
  nextId: countingIds('p'),
  startMs: 9_000,
  masterIds: [LEVER!],
});
const OF_VEHICLE: ProofItem[] = PROOF_ITEMS.motorcycle.map((item) => ({ masterId: null, item }));
const ALL: ProofItem[] = [
  { masterId: LEVER!, item: 'result' },
  { masterId: LEVER!, item: 'wheels held and free' },
  ...OF_VEHICLE,
];
const sorted = (items: readonly ProofItem[]) => items.map((i) => `${i.masterId} ${i.item}`).sort();
const holdsStill = ({ answers }: ProofState, item: string) => answers.some((a) => a.item === item);
const OPENING = PLAN.openings[0]!.id;
const stroke = (id: string, more: Partial<LooseEvent> = {}): LooseEvent =>
  ({ id, kind: 'stroke', openingId: OPENING, ...more }) as LooseEvent;
const undo = (id: string, eventId: string, more: Partial<LooseEvent> = {}): LooseEvent =>
  ({ id, kind: 'undone', eventId, ...more }) as LooseEvent;
const strokesOf = (said: readonly LooseEvent[]) => jobOf(PLAN, said).run!.bleeders[0]!.strokes;

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
    const again = loggedEvent(undo('v', 'a')) as JobEvent;
    expect(isSuperfluous(job, again)).toBe(false);
    expect(isSuperfluous(addToJob(job, loggedEvent(undo('u', 'a'))), again)).toBe(true);
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
    const taken = { id: 'c', kind: 'counting', way: 'tap', atMs: 4 } as LooseEvent;
    expect(jobOf(PLAN, [taken]).run!.openedAtMs).toBeNull();
    const asked = jobOf(PLAN, [taken, stroke('b', { ...other, atMs: 5 })]);
    expect(asked.run!.asked).toHaveLength(1);
    expect(asked.run!.openedAtMs).toBe(5);
  });

  test.each([
    [true, 3],
    [false, 2],
  ])('judged as strokes of their own: %s', (count, strokes) => {
    const judged: LooseEvent = { id: 'j', kind: 'strokes judged', eventIds: ['b'], count };
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
  const proved = [...RUN, ...PROOF] as LooseEvent[];

  test('all answered: the stage is the proof, every item holds, nothing is void', () => {
    const job = jobOf(PLAN, proved);
    expect(stageOf(job)).toBe('proof');
    expect(proofOf(job)).toEqual({
      again: [],
      controls: {
        [LEVER!]: {
          pedal: 'firm and high',
          byFeel: 'firm and high',
          measured: null,
          takeUpByFeel: null,
          takeUp: null,
          checks: { 'wheels held and free': true },
        },
      },
      checks: Object.fromEntries(PROOF_ITEMS.motorcycle.map((i) => [i, true])),
      photos: new Set(),
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
  test.each<[string, LooseEvent, ProofItem[]]>([
    ['a stroke', stroke('late', { atMs: 1, person: 'Ode' }), ALL],
    [
      'a bleeder shut',
      {
        id: 'late',
        kind: 'shut',
        openingId: OPENING,
        tightened: 'by feel',
        atMs: 1,
        person: 'Ode',
      },
      ALL,
    ],
    [
      'a part taken off',
      { id: 'late', kind: 'taken off', elementId: 'front-caliper', atMs: 1, person: 'Ode' },
      ALL,
    ],
    [
      'a part fitted',
      {
        id: 'late',
        kind: 'part fitted',
        partId: 'front-caliper',
        cappedAtOnce: true,
        keptFull: true,
        atMs: 1,
        person: 'Ode',
      },
      ALL,
    ],
    [
      'a master joined',
      {
        id: 'late',
        kind: 'master fitted',
        masterId: 'master',
        linesStayedFull: true,
        nothingElseOpened: true,
        modulatorLostNothing: true,
        heldDown: true,
        bench: 'clean',
        atMs: 1,
        person: 'Ode',
      },
      ALL,
    ],
    [
      'a stroke taken back',
      undo('late', RUN.find((e) => e.kind === 'stroke')!.id, { atMs: 1, person: 'Ode' }),
      ALL,
    ],
    [
      'fluid poured',
      {
        id: 'late',
        kind: 'topped up',
        reservoirId: 'reservoir',
        containerId: null,
        atMs: 1,
        person: 'Ode',
      },
      [
        { masterId: null, item: 'level' },
        { masterId: null, item: 'reservoir cap' },
      ],
    ],
  ])('%s behind it makes it void, by its position and not by its time', (_, late, items) => {
    const { proof } = jobOf(PLAN, [...proved, late]);
    expect(proof.voided).toHaveLength(1);
    expect(sorted(proof.voided[0]!.items)).toEqual(sorted(items));
    expect(proof.voided[0]!.because).toMatchObject({ eventId: 'late', person: 'Ode', atMs: 1 });
    expect(holdsStill(proof, 'result')).toBe(items.length < ALL.length);
    expect(holdsStill(proof, 'level')).toBe(false);
    expect(holdsStill(proof, 'joints dry')).toBe(items.length < ALL.length);
  });

  test.each<[string, LooseEvent]>([
    ['a note', { id: 'n', kind: 'note', text: 'Boot is torn, look again' }],
    ['a photo', { id: 'n', kind: 'media note', medium: 'photo', elementId: null }],
    ['a colour', { id: 'n', kind: 'colour', openingId: OPENING, colour: 'clear' }],
    [
      'a size found',
      { id: 'n', kind: 'size found', elementId: 'front-caliper', size: 'pistonMm', value: 30 },
    ],
    ['an answer taken back', undo('n', PROOF.at(-1)!.id)],
  ])('%s does not', (_, said) => {
    expect(jobOf(PLAN, [...proved, said]).proof.voided).toEqual([]);
  });

  test('answered again, an item is asked no more, and the others still are', () => {
    const again: LooseEvent = { id: 'r', kind: 'checked', item: 'level', passes: true };
    const { proof } = jobOf(PLAN, [...proved, stroke('late'), again]);
    expect(proof.answers).toMatchObject([{ item: 'level', value: true, eventId: 'r' }]);
    expect(sorted(proof.voided[0]!.items)).toEqual(sorted(ALL.filter((i) => i.item !== 'level')));
  });

  test('a photo of an item shows it as long as nothing was done to it since', () => {
    const photo = (id: string, item: 'level' | 'joints dry'): LooseEvent => ({
      id,
      kind: 'media note',
      medium: 'photo',
      elementId: null,
      proof: { masterId: null, item },
    });
    const both = [...proved, photo('photo 1', 'level'), photo('photo 2', 'joints dry')];
    const shown = (...said: LooseEvent[]) => {
      const { photos } = proofOf(jobOf(PLAN, [...both, ...said]));
      return [...photos].sort();
    };
    expect(shown()).toEqual(['joints dry', 'level']);
    expect(shown(undo('u', 'photo 1'))).toEqual(['joints dry']);
    expect(shown({ id: 't', kind: 'prepared', step: 'fill reservoir' })).toEqual(['joints dry']);
    expect(shown(stroke('late'))).toEqual([]);
    expect(shown(stroke('late'), photo('photo 3', 'level'))).toEqual(['level']);
    // A voice note shows nothing.
    const voice = { ...photo('photo 4', 'level'), medium: 'voice' } as LooseEvent;
    expect(shown(undo('u', 'photo 1'), voice)).toEqual(['joints dry']);
  });

  test('what goes on makes void what was recorded of the fluid; a note does not', () => {
    const used: LooseEvent = {
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
    const set: LooseEvent = { id: 'd', kind: 'drive set' };
    expect(stageOf(jobOf(PLAN, [...proved, set]))).toBe('test drive');
    const touched = jobOf(PLAN, [...proved, set, stroke('late')]);
    // What was seen at the last stroke was seen before this one: the bleeder is asked about again.
    expect(stageOf(touched)).toBe('run');
  });

  test('a failed drive makes everything void; a good one nothing', () => {
    const drive = (result: 'good' | 'bad'): LooseEvent[] => [
      { id: 'd', kind: 'drive set' },
      { id: 'e', kind: 'drive ended', result, atMs: 77 },
    ];
    expect(proofOf(jobOf(PLAN, [...proved, ...drive('bad')])).controls).toEqual({});
    expect(stageOf(jobOf(PLAN, [...proved, ...drive('bad')]))).toBe('proof');
    expect(jobOf(PLAN, [...proved, ...drive('good')]).proof.answers).toHaveLength(ALL.length);
  });
});

describe('the way', () => {
  test.each<[string, LooseEvent[], string]>([
    ['a plan accepted', [], 'run'],
    ['the run through', RUN as LooseEvent[], 'proof'],
    ['released', [...(RUN as LooseEvent[]), { kind: 'released' }], 'released'],
    ['ended', [{ kind: 'ended', reason: 'Bay needed', stop: false }], 'ended'],
  ])('%s', (_, said, stage) => expect(stageOf(jobOf(PLAN, said))).toBe(stage));

  test('a job with nothing on it waits for the fluid', () =>
    expect(stageOf(foldJob([]))).toBe('fluid'));
});

describe('what is refused', () => {
  const DAY = 86_400_000;
  const times = { openedAtMs: 10 * DAY, nowMs: 12 * DAY };
  const job = jobOf(PLAN, [stroke('a')]);
  const fault = (said: LooseEvent) =>
    jobEventFault(job, loggedEvent({ atMs: 11 * DAY, ...said }), times);

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
    expect(
      jobEventFault(foldJob([]), loggedEvent(stroke('x', { atMs: 11 * DAY })), times),
    ).toContain('Accept');
  });
});

describe('a photo or voice note', () => {
  const times = { openedAtMs: 0, nowMs: 1 };
  const photo = (id: string, elementId: string | null = null): LooseEvent => ({
    id,
    kind: 'media note',
    medium: 'photo',
    elementId,
  });
  const fault = (log: Parameters<typeof foldJob>[0], said: LooseEvent) =>
    jobEventFault(foldJob(log), loggedEvent(said), times);

  test('may be taken before there is a plan, and moves nothing: neither stage nor run', () => {
    expect(fault([], photo('a'))).toBeNull();
    expect(stageOf(foldJob([loggedEvent(photo('a'))]))).toBe(stageOf(foldJob([])));
    const before = jobOf(PLAN, RUN.slice(0, 9));
    const after = addToJob(before, loggedEvent(photo('a')));
    expect(after.run).toBe(before.run);
    expect(after.log).toHaveLength(before.log.length + 1);
  });

  test('names an element that the plan knows, whichever kind it is, or none', () => {
    const { log } = jobOf(PLAN, []);
    const { layout } = PLAN;
    const known = [
      layout.reservoirs,
      layout.masters,
      layout.nodes,
      layout.stretches,
      layout.bleeders,
    ];
    for (const [first] of known) expect(fault(log, photo('a', first!.id))).toBeNull();
    expect(fault(log, photo('a', 'nowhere'))).toBe(
      'There is no element "nowhere" in the layout of this plan.',
    );
    expect(fault([], photo('a', layout.reservoirs[0]!.id))).toMatch(/There is no element/);
  });

  test('a job keeps so many of them and no more', () => {
    const notes = Array.from({ length: MOST_MEDIA_NOTES }, (_, i) => loggedEvent(photo(`n${i}`)));
    expect(fault(notes.slice(1), photo('a'))).toBeNull();
    expect(fault(notes, photo('a'))).toBe(
      'A job keeps 200 photos and voice notes; this one has as many.',
    );
  });
});

describe('a phone that was without reception', () => {
  const dead = { deviceId: 'dead', person: 'Una' };
  const other = { deviceId: 'other', person: 'Ode' };
  // The plan was accepted at the first place, the helper's stroke "a" stands at the second, "b" at the third, "c" at the fourth.
  const [A, B, C] = [2, 3, 4];
  const taking = (id: string, heard: number, more: object): LooseEvent =>
    ({ id, kind: 'counting', way: 'tap', heard, ...more }) as LooseEvent;
  const before = [stroke('a', { deviceId: 'helper' })];

  test('takes nothing from the one that went on: what it counted arrives and is asked about', () => {
    const { run } = jobOf(PLAN, [
      ...before,
      taking('b', A, other),
      stroke('c', other),
      // Made before, arrived behind.
      taking('d', A, dead),
      stroke('e', dead),
      stroke('f', other),
    ]);
    expect(run!.counting).toEqual({ deviceId: 'other', way: 'tap' });
    expect(run!.bleeders[0]!.strokes).toBe(3);
    expect(run!.asked.map((s) => s.eventId)).toEqual(['e']);
  });

  test.each<[string, number, string]>([
    ['heard of the other by then', B, 'dead'],
    ['heard of a stroke of the other by then', C, 'dead'],
    ['had heard of nothing', 0, 'other'],
    ['had heard of what came before', A, 'other'],
  ])('%s', (_, heard, counts) => {
    const log = [...before, taking('b', A, other), stroke('c', other), taking('d', heard, dead)];
    expect(jobOf(PLAN, log).run!.counting!.deviceId).toBe(counts);
    // Taken over once more, now with all that was known.
    const again = jobOf(PLAN, [...log, taking('e', C + 1, dead)]);
    expect(again.run!.counting!.deviceId).toBe('dead');
    // The other's taking-over taken back: nobody went on.
    const back = jobOf(PLAN, [...log, undo('u', 'b')]);
    expect(back.run!.counting!.deviceId).toBe('dead');
  });

  test('takes over from itself whatever it had heard of', () => {
    const log = [...before, taking('b', A, other), stroke('c', other)];
    const jar = { ...taking('d', 0, other), way: 'jar' } as LooseEvent;
    expect(jobOf(PLAN, [...log, jar]).run!.counting).toEqual({ deviceId: 'other', way: 'jar' });
  });

  test('what a phone says of itself it had heard of, whoever numbers what: never beyond its own place', () => {
    const log = [taking('b', A, other), taking('d', 10_000, dead), taking('e', 0, other)];
    expect(jobOf(PLAN, [...before, ...log]).run!.counting!.deviceId).toBe('dead');
  });

  test('is not asked about what it had not seen: the other is asked about what it counted', () => {
    const log = [...before, taking('b', A, other), stroke('c', other), taking('d', A, dead)];
    expect(unseenStrokes(jobOf(PLAN, log), 'dead')).toEqual([]);
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
      const said = steps.map((s, i): LooseEvent => {
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

test('what is folded later is folded the same: many undos in a row, of presses and of undos too', () => {
  const step = fc.record({
    undoes: fc.option(fc.nat(30)),
    group: fc.option(fc.constantFrom('g', 'h'), { nil: undefined }),
    later: fc.boolean(),
  });
  fc.assert(
    fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
      let state = jobOf(PLAN, []);
      steps.forEach(({ undoes, group, later }, i) => {
        const id = `e${i}`;
        const said = undoes === null ? stroke(id, { group }) : undo(id, `e${undoes % (i + 1)}`);
        const event = loggedEvent(said);
        // Once something waits for its fold, all behind it does.
        state = later ? addUnfolded(state, event) : addToJob(foldJob(state.log), event);
        expect(state.undone).toEqual(undoneIds(state.log));
      });
    }),
  );
});

/** Nothing of it can be changed any more, however deep. */
function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value);
    for (const inner of Object.values(value)) frozen(inner);
  }
  return value;
}

test('a state is a value: what is added makes a new one and leaves the old as it was, so that it may be kept and shared', () => {
  const log = logFrom(PLAN, [
    ...RUN,
    ...PROOF,
    { id: 'back', kind: 'undone', eventId: PROOF.at(-1)!.id },
  ]);
  let state = frozen(foldJob([]));
  for (const event of frozen(log)) state = frozen(addToJob(state, event));
  expect(state).toEqual(foldJob(log));
});
