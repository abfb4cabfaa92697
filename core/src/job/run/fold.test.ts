import { followCalls } from './followCalls';
import { routineFlush } from '../../bleed/scope';
import {
  carefulMaster,
  countingIds,
  jobOf,
  loggedEvent,
  layoutOf,
  planned,
  planOf,
  runOf,
  type LooseEvent,
  newShares,
  knownEvents,
} from '../../testing';
import {
  type JobEvent,
  DECISIONS,
  DECISIONS_ON,
  HALT_REASONS,
  HALTS_AT_BLEEDER,
  MENDABLE,
  happeningFault,
  type HaltReason,
  type Logged,
  type RunEvent,
} from '../events';
import {
  currentOpening,
  decisionFault,
  emptyRun,
  foldEvent,
  foldRun,
  missingAt,
  nextStep,
  planAgainstActual,
  pourFigure,
  RunFluid,
} from '.';

const PLAN = planOf('motorcycle-front-disc');
const [OPENING] = PLAN.openings;
const openingId = OPENING!.id;
const [RESERVOIR] = PLAN.reservoirs;
const FRONT = PLAN.layout.nodes.find((n) => n.kind === 'caliper')!;
const ml = OPENING!.strokeMl.value;
const run = (...events: LooseEvent[]) => runOf(PLAN, events);
const stroke = (id?: string, more: Partial<LooseEvent> = {}): LooseEvent =>
  ({ kind: 'stroke', openingId, ...(id ? { id } : {}), ...more }) as LooseEvent;
const at = (state: ReturnType<typeof run>) =>
  state.bleeders.find((b) => b.openingId === openingId)!;

describe('strokes and levels', () => {
  test('a stroke is a stroke of the plan: out of the reservoir, into the jar, on its opening', () => {
    const state = run(stroke(), stroke());
    expect(at(state)).toMatchObject({ strokes: 2, bledMl: 2 * ml });
    expect(state.bledMl).toBeCloseTo(2 * ml, 9);
    expect(state.pouredMl).toBe(0);
    expect(state.levelMl[RESERVOIR!.id]).toBeCloseTo(RESERVOIR!.maxMl - 2 * ml, 9);
  });

  test('a top-up fills to MAX and counts; the last fill stops midway and is none', () => {
    const topped: LooseEvent = { kind: 'topped up', reservoirId: RESERVOIR!.id, containerId: null };
    const once = run(stroke(), stroke(), topped);
    expect(once).toMatchObject({ topUps: 1, levelMl: { [RESERVOIR!.id]: RESERVOIR!.maxMl } });
    expect(once.pouredMl).toBeCloseTo(2 * ml, 9);
    // All shut: midway between MIN and MAX leaves room for heat (common practice, no source).
    const drawn = Array.from({ length: 40 }, () => stroke());
    const last = run(...drawn, { kind: 'shut', openingId, tightened: 'by feel' }, topped);
    expect(last.topUps).toBe(0);
    expect(last.levelMl[RESERVOIR!.id]).toBeCloseTo(RESERVOIR!.finalLevelMl, 9);
    expect(RESERVOIR!.finalLevelMl).toBeCloseTo((RESERVOIR!.maxMl + RESERVOIR!.minMl) / 2, 9);
    // What stands higher already is not drawn down, and a reservoir that is none moves nothing.
    expect(run(topped).pouredMl).toBe(0);
    expect(run({ ...topped, reservoirId: 'elsewhere' } as LooseEvent)).toMatchObject({
      topUps: 0,
      pouredMl: 0,
    });
  });

  test('the reservoir is emptied to where air would be drawn, once, and filled to MAX', () => {
    const emptied: LooseEvent = { kind: 'prepared', step: 'empty reservoir' };
    const filled: LooseEvent = { kind: 'prepared', step: 'fill reservoir' };
    const low = run(emptied, emptied);
    expect(low.levelMl[RESERVOIR!.id]).toBe(RESERVOIR!.airDrawnMl);
    expect(low.removedMl).toBeCloseTo(RESERVOIR!.maxMl - RESERVOIR!.airDrawnMl, 9);
    const full = run(emptied, filled, filled);
    expect(full.levelMl[RESERVOIR!.id]).toBe(RESERVOIR!.maxMl);
    expect(full.pouredMl).toBeCloseTo(RESERVOIR!.maxMl - RESERVOIR!.airDrawnMl, 9);
    expect(full.prepared).toEqual(['empty reservoir', 'fill reservoir']);
  });

  test('run dry: the reservoir of the bleeder in hand stands at its outlets, all of them where nobody knows', () => {
    const outfit = planOf('sidecar-outfit');
    const [first] = outfit.openings;
    expect(new Set(outfit.reservoirs.map((b) => b.id)).size).toBeGreaterThan(1);
    const dry = (stop: string | null) => {
      const { levelMl } = runOf(outfit, [{ kind: 'halted', reason: 'ran dry', openingId: stop }]);
      return outfit.reservoirs.filter((b) => levelMl[b.id] === b.airDrawnMl).map((b) => b.id);
    };
    expect(dry(first!.id)).toEqual([first!.reservoirId]);
    expect(dry(null)).toEqual(outfit.reservoirs.map((b) => b.id));
    // Another halt draws nothing down.
    const leak = runOf(outfit, [{ kind: 'halted', reason: 'leak', openingId: first!.id }]);
    expect(leak.levelMl).toEqual(runOf(outfit, []).levelMl);
  });
});

describe('what is seen and done at a bleeder', () => {
  test('readings carry the stroke at which they were taken', () => {
    const state = run(
      stroke(),
      { kind: 'bubbles', openingId, reading: 'some' },
      stroke(),
      { kind: 'bubbles', openingId, reading: 'none' },
      { kind: 'colour', openingId, colour: 'amber' },
    );
    expect(at(state)).toMatchObject({
      bubbles: { reading: 'none', atStroke: 2 },
      lastBubblesAtStroke: 1,
      colour: { seen: 'amber', atStroke: 2 },
    });
  });

  test('how far it was opened and how tight it was made stand on its opening', () => {
    const torque = { torqueNm: 8 };
    const state = run(
      { kind: 'bleeder opened', openingId, turns: 0.5 },
      { kind: 'shut', openingId, tightened: torque },
    );
    expect(at(state)).toMatchObject({ openedTurns: 0.5, shut: true, tightened: torque });
  });

  test.each<[string, LooseEvent, boolean]>([
    ['a stroke', stroke(), true],
    ['a bleeder that was opened', { kind: 'bleeder opened', openingId, turns: 0.5 }, true],
    ['a part that came off', { kind: 'taken off', elementId: 'lower-hose' }, true],
    ['bubbles that were seen', { kind: 'bubbles', openingId, reading: 'none' }, false],
    ['a note', { kind: 'note', text: 'cap was loose' }, false],
    [
      'a size',
      { kind: 'size found', elementId: 'lower-hose', size: 'lengthMm', value: 460 },
      false,
    ],
    ['a mend', { kind: 'mended', haltId: null, where: 'hose', how: 'new washer' }, false],
    ['who counts', { kind: 'counting', way: 'tap' }, false],
    ['a halt', { kind: 'halted', reason: 'leak', openingId: null }, false],
    ['a reservoir that was drawn off', { kind: 'prepared', step: 'empty reservoir' }, true],
    ['a cap that was read', { kind: 'prepared', step: 'read cap' }, false],
  ])('%s opens the brakes: %#', (_, said, opens) => {
    const state = run({ ...said, atMs: 500 } as LooseEvent);
    expect(state.openedAtMs).toBe(opens ? 500 : null);
    // It stays the moment of the first.
    if (opens)
      expect(run({ ...said, atMs: 500 } as LooseEvent, stroke('b', { atMs: 900 })).openedAtMs).toBe(
        500,
      );
    expect(state.log).toHaveLength(1);
  });
});

describe('who counts', () => {
  const other = { deviceId: 'other', person: 'Brek' };

  test('the first that taps counts, until another takes over', () => {
    const state = run(stroke('a'), stroke('b', other));
    expect(state.counting).toEqual({ deviceId: 'phone', way: 'tap' });
    expect(at(state).strokes).toBe(1);
    expect(state.asked).toMatchObject([
      { eventId: 'b', openingId, deviceId: 'other', person: 'Brek' },
    ]);
    const taken = run(
      stroke('a'),
      { kind: 'counting', way: 'jar', ...other } as LooseEvent,
      stroke('c', other),
    );
    expect(taken.counting).toEqual({ deviceId: 'other', way: 'jar' });
    expect(at(taken).strokes).toBe(2);
    expect(taken.asked).toEqual([]);
  });

  test.each([
    [true, 3],
    [false, 1],
  ])('strokes of another, judged to count: %p', (count, strokes) => {
    const judged: LooseEvent = { kind: 'strokes judged', eventIds: ['b', 'c'], count };
    const state = run(stroke('a'), stroke('b', other), stroke('c', other), judged);
    expect(at(state).strokes).toBe(strokes);
    expect(state.asked).toEqual([]);
  });

  test('those that nobody judged stay asked, and what was not asked is not counted twice', () => {
    const judged: LooseEvent = { kind: 'strokes judged', eventIds: ['b', 'a'], count: true };
    const state = run(stroke('a'), stroke('b', other), stroke('c', other), judged);
    expect(at(state).strokes).toBe(2);
    expect(state.asked.map((x) => x.eventId)).toEqual(['c']);
  });
});

describe('halts and decisions', () => {
  const halted = (reason: HaltReason): LooseEvent => ({
    id: 'h',
    kind: 'halted',
    reason,
    openingId,
  });
  const decided = (decision: (typeof DECISIONS)[number], id = 'd'): LooseEvent =>
    ({ id, kind: 'decided', haltId: 'h', decision }) as LooseEvent;

  test('ended: the halt is the reason', () => {
    expect(run(halted('leak'), decided('end job'))).toMatchObject({
      ended: 'leak',
      halts: [{ eventId: 'h', reason: 'leak', openingId, decision: 'end job' }],
    });
  });

  test('the first decision counts, another one is kept and changes nothing', () => {
    const state = run(halted('seized'), decided('go on'), decided('end job', 'late'));
    expect(state.ended).toBeNull();
    expect(state.halts[0]!.decision).toBe('go on');
    expect(state.log.map((e) => e.id)).toEqual(['h', 'd', 'late']);
    expect(run(decided('end job')).ended).toBeNull();
  });

  test.each(HALT_REASONS)('after "%s" only what is offered may be decided', (reason) => {
    const state = run(halted(reason));
    for (const decision of DECISIONS) {
      const fault = decisionFault(state, loggedEvent(decided(decision)) as never);
      if (!DECISIONS_ON[reason].includes(decision))
        expect(fault).toContain(`"${decision}" is not open`);
      else if (decision === 'end job' || decision === 'go on') expect(fault).toBeNull();
    }
  });

  // From the head of the domain's table of halts: common practice, no source.
  test('another product ends the job, so does a leak that cannot be mended; a snapped bleeder is renewed with its part; nothing dry goes on as it was', () => {
    for (const reason of ['other product', 'leak'] as const)
      expect(DECISIONS_ON[reason]).toEqual(['end job']);
    expect(DECISIONS_ON.snapped).toEqual(['plan anew', 'end job']);
    expect(MENDABLE).toEqual(['leak']);
    expect(DECISIONS_ON['ran dry']).not.toContain('go on');
    for (const reason of HALT_REASONS) expect(DECISIONS_ON[reason]).toContain('end job');
  });

  test('left shut, its bleeder is waited for no more and says why', () => {
    const van = planOf('hatchback-diagonal');
    const [first] = van.openings;
    const state = runOf(van, [
      { id: 'h', kind: 'halted', reason: 'grease', openingId: first!.id },
      decided('leave shut'),
    ]);
    expect([...state.leftShut]).toEqual([[first!.bleeder.id, 'grease']]);
    expect(state.past).toHaveLength(1);
    expect(state.plan.openings.map((s) => s.bleeder.id)).not.toContain(first!.bleeder.id);
    expect(state.past[0]).toMatchObject({ plan: van, because: 'grease' });
  });

  test('a stored plan of the rest is taken up as it is, and one that stayed leaves the run', () => {
    const rest = planOf('motorcycle-twin-front');
    const stored = run(halted('seized'), { ...decided('do it last'), plan: rest } as LooseEvent);
    expect(stored.plan).toBe(rest);
    // A reservoir that comes first in the later plan begins at MAX; one that was there stands as it was.
    for (const b of rest.reservoirs)
      expect(stored.levelMl[b.id]).toBe(b.id === RESERVOIR!.id ? RESERVOIR!.maxMl : b.maxMl);
    const stayed = run(halted('seized'), { ...decided('do it last'), plan: null } as LooseEvent);
    expect(stayed.plan).toBe(PLAN);
    expect(stayed.halts[0]!.decision).toBe('do it last');
  });

  test('what arrives late for an opening of the plan before is booked there', () => {
    const rest = planOf('motorcycle-twin-front');
    const late = run(
      halted('seized'),
      {
        ...decided('do it last'),
        plan: { ...rest, openings: rest.openings.map((s) => ({ ...s, id: `${s.id}@d` })) },
      } as LooseEvent,
      stroke('late'),
      { kind: 'shut', openingId, tightened: 'by feel' },
    );
    expect(late.past[0]!.bleeders[0]).toMatchObject({ openingId, strokes: 1, shut: true });
    expect(late.bleeders.every((b) => b.strokes === 0 && !b.shut)).toBe(true);
    expect(late.bledMl).toBeCloseTo(ml, 9);
  });

  test('an opening that no plan knows moves nothing', () => {
    expect(run(stroke('x', { openingId: 'nowhere' } as Partial<LooseEvent>))).toMatchObject({
      bledMl: 0,
      openedAtMs: null,
    });
  });
});

describe('what arrives under the plan before', () => {
  const joinPlan = planned(layoutOf('hatchback-diagonal'), {
    work: {
      ...routineFlush(['master']),
      purpose: 'after work',
      master: carefulMaster(),
    },
  });
  const join = joinPlan.stages.find((s) => s.kind === 'join lines')!;
  const onward: LooseEvent[] = [
    { kind: 'halted', id: 'h', reason: 'seized', openingId: null },
    { kind: 'decided', haltId: 'h', decision: 'do it last', plan: { ...PLAN, id: 'rest' } },
  ];
  const late = (stageId: string): LooseEvent => ({
    kind: 'stage done',
    stageId,
    planId: joinPlan.id,
    atMs: 77,
  });

  test('a stage is booked there, and opens the vehicle all the same', () => {
    const before = runOf(joinPlan, onward);
    expect(before.openedAtMs).toBeNull();
    const state = runOf(joinPlan, [...onward, late(join.id)]);
    expect(state.past[0]!.stages[join.id]).toBeDefined();
    expect(state.past[0]!.plan).toBe(joinPlan);
    expect(state.stages).toEqual({});
    expect(state.openedAtMs).toBe(77);
  });

  test('two plans before: the stage stands at its own alone', () => {
    const again: LooseEvent[] = [
      { kind: 'halted', id: 'h2', reason: 'seized', openingId: null },
      { kind: 'decided', haltId: 'h2', decision: 'do it last', plan: { ...PLAN, id: 'rest 2' } },
    ];
    const state = runOf(joinPlan, [...onward, ...again, late(join.id)]);
    expect(state.past.map((leg) => Object.keys(leg.stages))).toEqual([[join.id], []]);
  });

  test('a stage of no plan, and one that opens bleeders, move nothing', () => {
    const bleed = PLAN.stages.find((s) => s.kind === 'bleed')!;
    for (const stageId of ['stage-99', bleed.id]) {
      const state = run({ kind: 'stage done', stageId });
      expect(state.stages).toEqual({});
      expect(state.openedAtMs).toBeNull();
    }
  });

  test('what was prepared under the plan before says nothing of the present one; what is of the present one does', () => {
    const step = PLAN.preparation.at(-1)!;
    const state = (planId: string) =>
      runOf(joinPlan, [...onward, { kind: 'prepared', step, planId }]);
    expect(state(joinPlan.id).prepared).not.toContain(step);
    expect(state('rest').prepared).toContain(step);
  });
});

test('what can be met at a bleeder: not the pedal, nor what is recorded by tool or part', () => {
  expect(HALTS_AT_BLEEDER).toEqual([
    'ran dry',
    'seized',
    'snapped',
    'nothing comes',
    'air never ends',
    'grease',
    'other product',
    'leak',
  ]);
});

describe('somebody who follows the calls', () => {
  test('numbers their events on and takes as long for each', () => {
    const events = followCalls(PLAN, {
      deviceId: 'phone',
      nextId: countingIds(),
      startMs: 1000,
      lastSeq: 7,
    });
    expect(events.slice(0, 3).map((e) => e.deviceSeq)).toEqual([8, 9, 10]);
    expect(events.slice(0, 3).map((e) => e.atMs)).toEqual([1000, 7000, 13_000]);
    const fresh = followCalls(PLAN, { deviceId: 'phone', nextId: countingIds(), startMs: 0 });
    expect(fresh[0]!.deviceSeq).toBe(1);
  });

  test('where the calls turn in a circle it is said', () => {
    const endless = {
      ...PLAN,
      openings: [{ ...OPENING!, strokes: { ...OPENING!.strokes, value: 1e9 } }],
    };
    expect(() =>
      followCalls(endless, { deviceId: 'phone', nextId: countingIds(), startMs: 0 }),
    ).toThrow('never come to an end');
  });
});

describe('the bleeder in hand', () => {
  const calls = followCalls(PLAN, { deviceId: 'phone', nextId: countingIds(), startMs: 0 });
  const upTo = (kind: RunEvent['kind']) =>
    runOf(
      PLAN,
      calls.slice(
        0,
        calls.findIndex((e) => e.kind === kind),
      ),
    );

  test('is the one that the step names, and the one that waits while something else is done', () => {
    expect(currentOpening(upTo('stroke'))).toBe(OPENING);
    expect(nextStep(upTo('topped up')).kind).toBe('top up');
    expect(currentOpening(upTo('topped up'))).toBe(OPENING);
    expect(currentOpening(runOf(PLAN, calls))).toBeNull();
  });

  test('is none while a stage that opens none is at hand', () => {
    const parts = [{ partId: FRONT.id, cappedAtOnce: true, keptFull: true, newPart: true }];
    const layout = layoutOf('motorcycle-front-disc');
    const plan = planned(layout, {
      work: { ...routineFlush(['master']), purpose: 'after work', parts },
    });
    const calls = followCalls(plan, { deviceId: 'p', nextId: countingIds(), startMs: 0 });
    const at = calls.findIndex((e) => e.kind === 'part compared');
    const state = runOf(plan, calls.slice(0, at) as LooseEvent[]);
    expect(nextStep(state).kind).toBe('stage');
    expect(currentOpening(state)).toBeNull();
  });

  test('of several the one that is neither shut nor left', () => {
    const car = planOf('hatchback-diagonal');
    const [first, second] = car.openings;
    const shut: LooseEvent = { kind: 'shut', openingId: first!.id, tightened: 'by feel' };
    const halt: LooseEvent = { kind: 'halted', id: 'h', reason: 'grease', openingId: second!.id };
    expect(currentOpening(runOf(car, [shut, halt]))).toBe(second);
  });
});

describe('the fluid of a run with two who count', () => {
  const other = { deviceId: 'other', person: 'Brek' };
  const shares = (...events: LooseEvent[]) => [
    ...newShares(new RunFluid(PLAN).after(run(...events).log)),
  ];
  const filled: LooseEvent[] = [
    { kind: 'prepared', step: 'empty reservoir' },
    { kind: 'prepared', step: 'fill reservoir' },
  ];
  const judged = (count: boolean, id = 'j'): LooseEvent => ({
    kind: 'strokes judged',
    id,
    eventIds: ['b'],
    count,
  });

  test('what was judged to count moves as much as if it had counted, once; what was not moves nothing', () => {
    const asked = [...filled, stroke('a'), stroke('b', other)];
    const one = shares(...filled, stroke('a'));
    const two = shares(...filled, stroke('a'), stroke('b'));
    expect(two).not.toEqual(one);
    expect(shares(...asked)).toEqual(one);
    expect(shares(...asked, judged(false))).toEqual(one);
    expect(shares(...asked, judged(true))).toEqual(two);
    expect(shares(...asked, judged(true), judged(true, 'k'))).toEqual(two);
    expect(shares(...asked, judged(false), judged(true, 'k'))).toEqual(one);
    expect(
      shares(...filled, { kind: 'counting', way: 'tap', ...other } as LooseEvent, stroke('a')),
    ).toEqual(shares(...filled));
  });

  test('a log that goes another way from some event on is followed from its start', () => {
    const fluid = new RunFluid(PLAN);
    const short = run(...filled, stroke('a'), stroke('b'), stroke('c')).log;
    const long = run(...filled, stroke('a'), stroke('x'), stroke('y'), stroke('z')).log;
    fluid.after(short);
    expect([...newShares(fluid.after(long))]).toEqual([
      ...newShares(new RunFluid(PLAN).after(long)),
    ]);
  });

  test('strokes at an opening of the plan that a decision brought are drawn as well', () => {
    const rest = {
      ...PLAN,
      id: 'rest',
      openings: PLAN.openings.map((s) => ({ ...s, id: `${s.id}@d` })),
    };
    const onward: LooseEvent[] = [
      ...filled,
      { kind: 'halted', id: 'h', reason: 'seized', openingId },
      { kind: 'decided', haltId: 'h', decision: 'do it last', plan: rest },
      stroke('late', { openingId: `${openingId}@d` } as Partial<LooseEvent>),
    ];
    expect(shares(...onward)).toEqual(shares(...filled, stroke('a')));
  });
});

test('one event on top gives what the whole log gives, and leaves the state under it as it was', () => {
  const events = followCalls(PLAN, { deviceId: 'phone', nextId: countingIds(), startMs: 0 }).map(
    (e) => loggedEvent(e) as Logged<RunEvent>,
  );
  const before = foldRun(PLAN, events.slice(0, -1));
  const length = before.log.length;
  expect(foldEvent(before, events.at(-1)!)).toEqual(foldRun(PLAN, events));
  expect(before.log).toHaveLength(length);
});

test('a dry system begins with empty reservoirs, any other at MAX', () => {
  const layout = layoutOf('motorcycle-front-disc');
  const dry = planned(layout, { work: { ...routineFlush(['master']), purpose: 'new or dry' } });
  expect(Object.values(emptyRun(dry).levelMl)).toEqual(dry.reservoirs.map(() => 0));
  expect(Object.values(emptyRun(PLAN).levelMl)).toEqual(PLAN.reservoirs.map((b) => b.maxMl));
});

describe('events that name what was never there', () => {
  const known = {
    plans: [PLAN],
    ...knownEvents({ h: 'halted', s: 'stroke' }),
  };
  const fault = (said: object) =>
    happeningFault(known, {
      ...(loggedEvent({ kind: 'note', text: 'x' }) as JobEvent),
      ...said,
    } as RunEvent);

  test('what any of the plans knows is known', () => {
    const car = planOf('hatchback-diagonal');
    const both = { ...known, plans: [PLAN, { ...car, id: 'car' }] };
    const event = loggedEvent({ kind: 'note', text: 'x' }) as JobEvent;
    const said = (more: object) => happeningFault(both, { ...event, ...more } as RunEvent);
    expect(said({ planId: PLAN.id })).toBeNull();
    expect(said({ planId: 'car' })).toBeNull();
    expect(said({ kind: 'taken off', elementId: 'left-rear-caliper' })).toBeNull();
    expect(said({ kind: 'taken off', elementId: FRONT.id })).toBeNull();
    expect(said({ kind: 'taken off', elementId: 'nowhere' })).toContain('no element');
  });

  test('a decision on what is decided, or on no halt, is kept; one that is not offered is refused', () => {
    const decision = (haltId: string, what: string) =>
      ({ ...loggedEvent({ kind: 'decided', haltId, decision: what } as LooseEvent) }) as Parameters<
        typeof decisionFault
      >[1];
    const open = run({ kind: 'halted', id: 'h', reason: 'leak', openingId });
    expect(decisionFault(open, decision('h', 'go on'))).toContain('"go on" is not open');
    expect(decisionFault(open, decision('h', 'end job'))).toBeNull();
    expect(decisionFault(open, decision('gone', 'go on'))).toBeNull();
    const closed = run(
      { kind: 'halted', id: 'h', reason: 'leak', openingId },
      { kind: 'decided', haltId: 'h', decision: 'end job' },
    );
    expect(decisionFault(closed, decision('h', 'go on'))).toBeNull();
  });

  test.each<[object, RegExp | null]>([
    [{ kind: 'note' }, null],
    [{ kind: 'note', planId: PLAN.id }, null],
    [{ kind: 'counting', way: 'tap' }, null],
    [{ kind: 'stroke', openingId }, null],
    [{ kind: 'stroke', openingId: 'nowhere' }, /no bleeder "nowhere".*front/],
    [{ kind: 'bubbles', openingId: 'nowhere' }, /no bleeder/],
    [{ kind: 'colour', openingId: 'nowhere' }, /no bleeder/],
    [{ kind: 'bleeder opened', openingId: 'nowhere' }, /no bleeder/],
    [{ kind: 'shut', openingId: 'nowhere' }, /no bleeder/],
    [{ kind: 'halted', openingId: null }, null],
    [{ kind: 'halted', openingId: 'nowhere' }, /no bleeder/],
    [{ kind: 'prepared', step: PLAN.preparation[0] }, null],
    [{ kind: 'prepared', step: 'empty servo' }, /not a step of this plan/],
    [{ kind: 'topped up', reservoirId: RESERVOIR!.id }, null],
    [{ kind: 'topped up', reservoirId: 'nowhere' }, /no reservoir chamber "nowhere"/],
    [{ kind: 'decided', haltId: 'h' }, null],
    [{ kind: 'decided', haltId: 'nowhere' }, /no halt "nowhere" to decide/],
    [{ kind: 'mended', haltId: null }, null],
    [{ kind: 'mended', haltId: 'h' }, null],
    [{ kind: 'mended', haltId: 'nowhere' }, /no halt "nowhere"/],
    [{ kind: 'strokes judged', eventIds: ['s'] }, null],
    [{ kind: 'strokes judged', eventIds: ['s', 'nowhere'] }, /no stroke "nowhere"/],
    [{ kind: 'stage done', stageId: 'nowhere' }, /no stage "nowhere"/],
    ...['reservoirs', 'masters', 'nodes', 'stretches', 'bleeders'].flatMap(
      (group): [object, null][] => {
        const [first] = PLAN.layout[group as 'nodes'];
        return [[{ kind: 'taken off', elementId: first!.id }, null]];
      },
    ),
    [{ kind: 'taken off', elementId: 'nowhere' }, /no element "nowhere"/],
    [{ kind: 'size found', elementId: 'lower-hose', size: 'lengthMm', value: 460 }, null],
    [{ kind: 'size found', elementId: 'nowhere', size: 'boreMm', value: 14 }, /nothing "nowhere"/],
  ])('%j', (said, sentence) => {
    if (sentence === null) expect(fault(said)).toBeNull();
    else expect(fault(said)).toMatch(sentence);
  });
});

// Three strokes free of bubbles, a colour no darker than the new fluid: common practice, no source.
describe('what an opening lacks', () => {
  const enough = OPENING!.strokes.value;
  const lacks = (more: Partial<ReturnType<typeof at>>) =>
    missingAt(PLAN, OPENING!, {
      ...at(run()),
      strokes: enough,
      bubbles: { reading: 'none', atStroke: enough },
      colour: { seen: PLAN.newColour, atStroke: enough },
      ...more,
    });

  test.each<[string, Partial<ReturnType<typeof at>>, string[]]>([
    ['nothing', {}, []],
    [
      'one stroke',
      {
        strokes: enough - 1,
        bubbles: { reading: 'none', atStroke: enough - 1 },
        colour: { seen: PLAN.newColour, atStroke: enough - 1 },
      },
      ['strokes'],
    ],
    ['a reading of bubbles', { bubbles: null }, ['bubbles not read']],
    [
      'one at the last stroke',
      { bubbles: { reading: 'none', atStroke: enough - 1 } },
      ['bubbles not read'],
    ],
    ['bubbles two strokes ago', { lastBubblesAtStroke: enough - 2 }, ['bubbles in the last three']],
    ['bubbles three strokes ago', { lastBubblesAtStroke: enough - 3 }, []],
    ['a colour', { colour: null }, ['colour not read']],
    ['a colour two strokes old', { colour: { seen: PLAN.newColour, atStroke: enough - 2 } }, []],
    [
      'a colour three strokes old',
      { colour: { seen: PLAN.newColour, atStroke: enough - 3 } },
      ['colour not read'],
    ],
    [
      'a darker colour, just seen',
      { colour: { seen: 'brown', atStroke: enough } },
      ['colour not new'],
    ],
    [
      'a darker colour, strokes ago',
      { colour: { seen: 'brown', atStroke: enough - 1 } },
      ['colour not read'],
    ],
    ['a lighter colour', { colour: { seen: 'clear', atStroke: enough } }, []],
  ])('%s', (_, more, missing) => expect(lacks(more)).toEqual(missing));

  test('colour only where the fluid is renewed, bubbles only at the last opening of a bleeder', () => {
    const state = {
      ...at(run()),
      strokes: enough,
      bubbles: { reading: 'none' as const, atStroke: enough },
    };
    expect(missingAt(PLAN, { ...OPENING!, until: 'clear' }, state)).toEqual([]);
    const twice = { ...PLAN, openings: [OPENING!, { ...OPENING!, id: 'again' }] };
    expect(missingAt(twice, OPENING!, { ...state, bubbles: null })).toEqual(['colour not read']);
  });
});

test('before the third stroke bubbles were not read, rather than seen', () => {
  const short = { ...OPENING!, strokes: { ...OPENING!.strokes, value: 3 } };
  const plan = { ...PLAN, openings: [short] };
  const lacks = (strokes: number, lastBubblesAtStroke: number) =>
    missingAt(plan, short, { ...at(run()), strokes, lastBubblesAtStroke }).filter((m) =>
      m.startsWith('bubbles'),
    );
  expect(lacks(2, 0)).toEqual(['bubbles not read']);
  expect(lacks(2, 1)).toEqual(['bubbles in the last three']);
  expect(
    missingAt(plan, short, {
      ...at(run()),
      strokes: 2,
      bubbles: { reading: 'none', atStroke: 2 },
    }),
  ).toContain('bubbles not read');
});

test('each bleeder of several is read at its own last opening', () => {
  const car = planOf('hatchback-diagonal');
  for (const opening of car.openings)
    expect(
      missingAt(car, opening, {
        ...at(run()),
        openingId: opening.id,
        strokes: opening.strokes.value,
      }),
    ).toEqual(['bubbles not read', 'colour not read']);
});

test('what bubbles or a dark colour ask for is strokes, and the reservoir is filled before they would empty it', () => {
  const enough = OPENING!.strokes.value;
  const calls = followCalls(PLAN, { deviceId: 'phone', nextId: countingIds(), startMs: 0 });
  const lastStroke = calls.map((e) => e.kind).lastIndexOf('stroke');
  const through = runOf(PLAN, calls.slice(0, lastStroke + 1));
  const full: LooseEvent = { kind: 'topped up', reservoirId: RESERVOIR!.id, containerId: null };
  const low = (state: typeof through) => ({
    ...state,
    levelMl: { [RESERVOIR!.id]: RESERVOIR!.topUpLevelMl.value },
    leastMl: { [RESERVOIR!.id]: RESERVOIR!.topUpLevelMl.value },
  });
  for (const said of [
    [{ kind: 'bubbles', openingId, reading: 'many' }],
    [
      { kind: 'bubbles', openingId, reading: 'none' },
      { kind: 'colour', openingId, colour: 'black' },
    ],
  ] as LooseEvent[][]) {
    const state = runOf(PLAN, said, through);
    expect(state.bleeders[0]!.strokes).toBe(enough);
    expect(nextStep(low(state)).kind).toBe('top up');
    expect(nextStep(runOf(PLAN, [full], state)).kind).toBe('more strokes');
  }
});

test('what is to be poured names the level wanted', () => {
  const max = pourFigure(RESERVOIR!, 50, RESERVOIR!.maxMl);
  expect(max.value).toBe(RESERVOIR!.maxMl - 50);
  expect(max.from[0]!.rule).toContain('MAX mark');
  expect(pourFigure(RESERVOIR!, 50, RESERVOIR!.finalLevelMl).from[0]!.rule).toContain(
    'room for heat',
  );
});

test('plan against done: one leg for each plan, each opening with what was planned and made', () => {
  const legs = planAgainstActual(
    jobOf(PLAN, [stroke(), { kind: 'shut', openingId, tightened: 'by feel' }]).run!,
  );
  expect(legs).toHaveLength(1);
  expect(legs[0]!.rows).toMatchObject([
    {
      openingId,
      shut: true,
      tightened: 'by feel',
      strokes: { value: 1 },
      plannedStrokes: { value: OPENING!.strokes.value },
      bledMl: { value: ml },
      plannedMl: { value: OPENING!.bledMl.value },
    },
  ]);
});

test('what is poured stands by the container that it came out of, where somebody said so', () => {
  const calls = followCalls(PLAN, { deviceId: 'p', nextId: countingIds(), startMs: 0 });
  const said = calls.map((e): LooseEvent => {
    if (e.kind === 'prepared' && ['clean reservoir', 'fill reservoir'].includes(e.step))
      return { ...e, containerId: 'one' };
    return e.kind === 'topped up' ? { ...e, containerId: 'two' } : (e as LooseEvent);
  });
  const run = runOf(PLAN, said);
  const { one, two } = run.pouredFromMl;
  const rinsed = PLAN.treatment!.rinses.reduce((sum, r) => sum + r.ml * r.times, 0);
  expect(rinsed).toBeGreaterThan(0);
  expect(one).toBeCloseTo(RESERVOIR!.maxMl - RESERVOIR!.airDrawnMl + rinsed);
  expect(one! + two!).toBeCloseTo(run.pouredMl);
  expect(runOf(PLAN, calls as LooseEvent[]).pouredFromMl).toEqual({});
});
