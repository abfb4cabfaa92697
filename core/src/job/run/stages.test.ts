import {
  maySkip,
  stageTitle,
  stageWords,
  toolNext as nextWithTool,
  toolStepsOf,
} from '../../bleed/stages';
import { type Layout } from '../../vehicle/circuit';
import { layoutTemplates } from '../../vehicle/circuit/templates';
import { USUAL_MEANS } from '../../hydraulics/flow';
import { planBleed, planChanges, type Plan, type PlanRequest } from '../../bleed/plan';
import { routineFlush } from '../../bleed/scope';
import {
  carefulMaster,
  countingIds,
  eventFault,
  loggedEvent,
  layoutOf,
  planOf,
  runOf,
  type LooseEvent,
  newShares,
  EVERYTHING,
} from '../../testing';
import {
  currentOpening,
  foldEvent,
  followCalls,
  nextStep,
  planAgainstActual,
  RunFluid,
  skippedStages,
  stageLines,
  type RunState,
} from '.';
import { type Logged, type RunEvent } from '../events';

const planned = (layout: Layout, more: Partial<PlanRequest> = {}): Plan => {
  const result = planBleed({
    layout,
    fillGrade: 'DOT 4',
    newColour: 'straw',
    means: { ...USUAL_MEANS, vacuumPump: true, scanTool: true },
    ...more,
  });
  if (result.verdict === 'refused') throw new Error(JSON.stringify(result.reasons));
  return result.plan;
};
const all = (layout: Layout) => layout.masters.map((m) => m.id);
const dry = (layout: Layout) =>
  planned(layout, { work: { ...routineFlush(all(layout)), purpose: 'new or dry' } });
const log = (plan: Plan) =>
  followCalls(plan, { deviceId: 'phone', nextId: countingIds(), startMs: 0 });
const twin = layoutOf('motorcycle-twin-front-master-bleeder');
const hatchback = layoutOf('hatchback-diagonal');
const modulator = planned(hatchback, {
  work: { ...routineFlush(['master']), purpose: 'after work', modulatorOpened: true },
});
const base = { id: 'x', deviceId: 'phone', deviceSeq: 99, atMs: 0 };

test.each(layoutTemplates.filter((t) => t.id !== 'motorcycle-integral-abs').map((t) => t.id))(
  'a new or dry %s can be carried out from the bench to the last fill, each stage and each opening in turn',
  (id) => {
    const plan = dry(layoutOf(id));
    const events = log(plan);
    const state = runOf(plan, events);
    expect(nextStep(state).kind).toBe('finished');
    const shut = events.flatMap((e) => (e.kind === 'shut' ? [e.openingId] : []));
    expect(shut).toEqual(plan.openings.map((s) => s.id));
    expect(
      planAgainstActual(state)[0]!.rows.every((r) => r.strokes.value >= r.plannedStrokes.value),
    ).toBe(true);
    // Bench work comes before anything on the vehicle is filled.
    expect(events.findIndex((e) => e.kind === 'stage done')).toBeLessThan(
      events.findIndex((e) => e.kind === 'prepared' && e.step === 'fill reservoir'),
    );
    // The bottles stand where the plan says after each opening.
    let poured = runOf(plan, []);
    for (const event of events) {
      poured = foldEvent(poured, { ...event, person: 'Una' });
      if (event.kind === 'shut')
        expect(poured.pouredMl).toBeCloseTo(
          plan.openings.find((s) => s.id === event.openingId)!.outOfBottlesMl!.value,
          6,
        );
    }
    // What the plan says is poured is what such a run pours.
    expect(state.pouredMl).toBeCloseTo(plan.totals.pouredMl.value, 6);
  },
);

// What goes up rises in the reservoir and is not in the jar; it is drawn off before MAX as a top-up comes before MIN: common practice, no source.
describe('from below', () => {
  const plan = planned(layoutOf('motorcycle-clutch-bends'), { method: 'reverse' });
  const below = plan.openings.find((s) => !s.fromReservoir)!;
  const reservoir = plan.reservoirs.find((b) => b.id === below.reservoirId)!;
  const half = (reservoir.maxMl + reservoir.minMl) / 2;
  const push: LooseEvent = { ...base, kind: 'stroke', openingId: below.id };

  test('what is pushed in comes out of the syringe and up into the reservoir, and nothing is bled', () => {
    const before = runOf(plan, []);
    const after = runOf(plan, [push]);
    expect(after.levelMl[reservoir.id]).toBeCloseTo(
      before.levelMl[reservoir.id]! + below.strokeMl.value,
      9,
    );
    expect(after.pouredMl).toBe(below.strokeMl.value);
    expect(after.bledMl).toBe(0);
  });

  test('it begins at half, is drawn off before it could rise above MAX, and the plan has said where', () => {
    const events = log(plan);
    // Filled up before the push, it is drawn down first.
    const push = events.findIndex((e) => e.kind === 'stroke' && e.openingId === below.id);
    const filled = runOf(plan, [
      ...(events.slice(0, push) as LooseEvent[]).filter((e) => e.kind !== 'drawn off'),
      { ...base, id: 'full', kind: 'topped up', reservoirId: reservoir.id, containerId: null },
    ]);
    expect(nextStep(filled)).toMatchObject({
      kind: 'draw off',
      first: true,
      drawMl: reservoir.maxMl - half,
    });
    const at = events.flatMap((e, i) =>
      e.kind === 'drawn off'
        ? [events.filter((x, n) => n < i && x.kind === 'stroke' && x.openingId === below.id).length]
        : [],
    );
    expect(at).toEqual(below.drawOffs!.map((d) => d.afterStrokes));
    expect(at.length).toBeGreaterThan(1);
    let state = runOf(plan, []);
    for (const e of events) {
      state = runOf(plan, [e as LooseEvent], state);
      expect(state.levelMl[reservoir.id]).toBeLessThanOrEqual(reservoir.maxMl + 1e-9);
      if (e.kind === 'drawn off') expect(state.levelMl[reservoir.id]).toBeCloseTo(half, 9);
    }
    expect(state.removedMl).toBeCloseTo(plan.totals.removedMl.value, 6);
    expect(state.pouredMl).toBeCloseTo(plan.totals.pouredMl.value, 6);
    expect(state.bledMl).toBeCloseTo(plan.totals.bledMl.value, 6);
  });

  // No air left in the tube, joined and tied before the bleeder is opened, at every filling: common practice, no source.
  test('before the first push, at every refill and after each shut the syringe is readied', () => {
    const events = log(plan) as LooseEvent[];
    const first = events.findIndex((e) => e.kind === 'stroke' && e.openingId === below.id);
    expect(events[first - 1]).toMatchObject({ kind: 'syringe readied', openingId: below.id });
    const step = (...said: LooseEvent[]) => nextStep(runOf(plan, said));
    const unready = events.slice(0, first - 1);
    expect(step(...unready)).toMatchObject({ kind: 'ready syringe', again: false });
    const ready = events.slice(0, first);
    expect(step(...ready).kind).toBe('stroke');
    const drawn: LooseEvent = {
      ...base,
      id: 'drawn',
      kind: 'drawn off',
      reservoirId: reservoir.id,
    };
    const empty: LooseEvent = { ...base, id: 'empty', kind: 'syringe empty', openingId: below.id };
    expect(step(...ready, empty)).toMatchObject({ kind: 'ready syringe', again: false });
    // Behind a push it is filled again, and shut before that.
    expect(step(...ready, { ...push, id: 'pushed' }, drawn, empty)).toMatchObject({
      kind: 'ready syringe',
      again: true,
    });
    const again: LooseEvent = {
      ...base,
      id: 'again',
      kind: 'syringe readied',
      openingId: below.id,
    };
    expect(step(...ready, empty, again).kind).toBe('stroke');
    const shut: LooseEvent = {
      ...base,
      id: 'shut',
      kind: 'shut',
      openingId: below.id,
      tightened: 'by feel',
    };
    expect(runOf(plan, [...ready, shut]).bleeders[0]!.syringeReady).toBe(false);
  });

  test('nothing is readied where fluid comes from the reservoir', () => {
    const events = log(planned(layoutOf('hatchback-diagonal')));
    expect(events.filter((e) => e.kind === 'syringe readied')).toEqual([]);
  });

  test('a dry system is filled by the push: the reservoir stays as it is, the way swallows first', () => {
    const layout = layoutOf('motorcycle-front-disc');
    const dry = planned(layout, {
      work: { ...routineFlush(layout.masters.map((m) => m.id)), purpose: 'new or dry' },
      method: 'reverse',
      primeInPlace: true,
    });
    const [prime] = dry.openings;
    expect(prime!.fromReservoir).toBe(false);
    expect(dry.preparation).not.toContain('fill reservoir');
    expect(prime!.fillMl.value).toBeGreaterThan(0);
    const events = log(dry);
    const pushed = events.filter(
      (e) => e.kind === 'stroke' && e.openingId === prime!.id,
    ) as LooseEvent[];
    const atFirst = runOf(dry, pushed.slice(0, 1));
    expect(atFirst.levelMl.reservoir).toBe(runOf(dry, []).levelMl.reservoir);
    const after = runOf(dry, pushed);
    expect(after.levelMl.reservoir! - runOf(dry, []).levelMl.reservoir!).toBeCloseTo(
      pushed.length * prime!.strokeMl.value - prime!.fillMl.value,
      6,
    );
    expect(nextStep(runOf(dry, events as LooseEvent[])).kind).toBe('finished');
  });
});

test('what comes is looked at at every opening, clear must be the last alone, colour only where the fluid is renewed', () => {
  const events = log(planned(layoutOf('veteran-single'), { method: 'vacuum' }));
  const at = (kind: RunEvent['kind']) =>
    events.flatMap((e) => (e.kind === kind && 'openingId' in e ? [e.openingId] : []));
  expect(at('colour').every((id) => !id!.includes('#'))).toBe(true);
  const plan = planned(layoutOf('veteran-single'), { method: 'vacuum' });
  const first = plan.openings[0]!;
  expect(at('bubbles')).toEqual(expect.arrayContaining(plan.openings.map((s) => s.id)));
  // A first pass need not be clear, and what was shut without a look is not opened for it.
  const before = events.slice(
    0,
    events.findIndex((e) => e.kind === 'bubbles'),
  ) as LooseEvent[];
  const after = (...said: LooseEvent[]) => nextStep(runOf(plan, [...before, ...said]));
  expect(first.id.endsWith('#2')).toBe(false);
  expect(after()).toMatchObject({ kind: 'read', opening: { id: first.id } });
  expect(after({ kind: 'bubbles', openingId: first.id, reading: 'many' })).toMatchObject({
    kind: 'shut',
    opening: { id: first.id },
  });
  const shut = after({ kind: 'shut', openingId: first.id, tightened: 'by feel' });
  expect(shut.kind).not.toBe('shut early');
  expect(shut).not.toMatchObject({ opening: { id: first.id } });
});

test('a tool cycle waits for the base bleed, and is left out only with a reason that stays', () => {
  const tool = modulator.stages.find((s) => s.kind === 'tool cycle')!;
  const events = log(modulator);
  const before = events.slice(
    0,
    events.findIndex((e) => e.kind === 'tool checked'),
  );
  const state = runOf(modulator, before);
  expect(nextStep(state)).toMatchObject({ kind: 'stage', stage: { id: tool.id } });
  expect(currentOpening(state)).toBeNull();
  const skipped: LooseEvent = {
    ...base,
    kind: 'stage skipped',
    stageId: tool.id,
    reason: 'Tool is out on the ferry',
  };
  expect(eventFault(state, skipped)).toBeNull();
  const after = runOf(modulator, [skipped], state);
  expect(skippedStages(after)).toEqual([
    { title: stageTitle(hatchback, tool), reason: 'Tool is out on the ferry', danger: true },
  ]);
  expect(nextStep(after)).toMatchObject({ kind: 'stroke' });
});

describe('a new part in the run', () => {
  const plan = planned(hatchback, {
    work: {
      ...routineFlush(['master']),
      purpose: 'after work',
      parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true }],
    },
  });
  const events = log(plan);
  const at = events.findIndex((e) => e.kind === 'part compared');
  const fits = events[at] as Extract<RunEvent, { kind: 'part compared' }> | undefined;
  const state = runOf(plan, events.slice(0, at));
  const { stage } = nextStep(state) as { stage: { id: string; kind: string; partId: string } };

  test('comes before anything is drawn or filled, and is through only when it fits', () => {
    expect(stage).toMatchObject({ kind: 'right part', partId: 'left-front-caliper' });
    expect(events.slice(0, at).every((e) => e.kind === 'prepared')).toBe(true);
    expect(nextStep(runOf(plan, [fits!], state))).toMatchObject({
      kind: 'prepare',
      step: 'fill reservoir',
    });
    expect(eventFault(state, { ...base, kind: 'stage done', stageId: stage.id })).toContain(
      'compared',
    );
    expect(eventFault(state, { ...fits!, stageId: 'stage-9' })).toContain('no stage');
  });

  test.each<[string, object]>([
    [
      'a bore that differs',
      { found: { ...fits!.found, piston: { newPart: 57.2, oldPart: 54, maker: null } } },
    ],
    [
      'a washer left over',
      { pieces: fits!.pieces.map((p, i) => (i === 0 ? { ...p, state: 'left over' } : p)) },
    ],
    ['something nobody compared', { found: {} }],
  ])('%s halts the run; decided, it is compared again', (_, wrong) => {
    const halted = runOf(plan, [{ ...fits!, ...wrong } as LooseEvent], state);
    expect(nextStep(halted)).toMatchObject({ kind: 'decide', halt: { reason: 'wrong part' } });
    const again = runOf(
      plan,
      [{ ...base, id: 'd', kind: 'decided', haltId: fits!.id, decision: 'go on' }],
      halted,
    );
    expect(nextStep(again)).toMatchObject({ kind: 'stage', stage: { id: stage.id } });
    expect(nextStep(runOf(plan, [{ ...fits!, id: 'second' }], again)).kind).toBe('prepare');
  });

  test('the record says what was found', () => {
    expect(stageLines(runOf(plan, [fits!]))).toEqual([
      expect.stringMatching(/fits, \d+ pieces counted/),
    ]);
    expect(
      stageLines(runOf(plan, [{ ...fits!, found: { ...fits!.found, piston: 57.2 } }])),
    ).toEqual([expect.stringContaining('57.2 was found')]);
  });

  test('is not compared again when the rest is planned anew', () => {
    const events = log(plan);
    const atBleeder = runOf(
      plan,
      events.slice(0, events.findIndex((e) => e.kind === 'stroke') + 2),
    );
    const dry = runOf(
      plan,
      [
        { ...base, id: 'h', kind: 'halted', reason: 'ran dry', openingId: 'left-front' },
        { ...base, id: 'd', kind: 'decided', haltId: 'h', decision: 'plan anew' },
      ],
      atBleeder,
    );
    expect(dry.plan.stages.map((s) => s.kind)).not.toContain('right part');
  });
});

test('joining the lines opens the system: from then on it must not be driven', () => {
  const plan = planned(hatchback, {
    work: {
      ...routineFlush(['master']),
      purpose: 'after work',
      master: carefulMaster(),
    },
  });
  const events = log(plan);
  const joined = events.findIndex(
    (e) =>
      e.kind === 'stage done' &&
      plan.stages.some((s) => s.id === e.stageId && s.kind === 'join lines'),
  );
  expect(joined).toBeGreaterThan(-1);
  // What opened it before is left out: the joint alone does it.
  const opening = (e: RunEvent) =>
    e.kind === 'prepared' && (e.step === 'crack bleeders' || e.step === 'empty reservoir');
  const upTo = (n: number) =>
    runOf(
      plan,
      events.slice(0, n).filter((e) => !opening(e)),
    );
  expect(upTo(joined).openedAtMs).toBeNull();
  expect(upTo(joined + 1).openedAtMs).toBe(events[joined]!.atMs);
  expect(nextStep(runOf(plan, events)).kind).toBe('finished');
});

describe('a clutch that is proved', () => {
  const plan = planned(layoutOf('clutch-external'), {
    work: { ...routineFlush(all(layoutOf('clutch-external'))), purpose: 'soft pedal' },
  });
  const events = log(plan);
  const tested = events.find((e) => e.kind === 'slave tested') as Extract<
    RunEvent,
    { kind: 'slave tested' }
  >;
  const before = runOf(plan, events.slice(0, events.indexOf(tested)));

  test('by the reading and by nothing else', () => {
    expect(nextStep(before)).toMatchObject({ kind: 'stage', stage: { kind: 'slave test' } });
    expect(eventFault(before, { ...base, kind: 'stage done', stageId: tested.stageId })).toContain(
      'what is measured',
    );
    expect(eventFault(before, { ...tested, id: 'x', stageId: 'stage-99' })).toContain('no stage');
    expect(nextStep(runOf(plan, events)).kind).toBe('finished');
    expect(stageLines(runOf(plan, events))).toEqual([
      expect.stringMatching(/Prove the clutch.* mm.*, passes\.$/),
    ]);
  });

  test('a reading that does not pass halts the run, and the rest is planned anew', () => {
    const bad = { ...tested, mm: tested.mm === 1.6 ? 9 : 0.5 };
    const halted = runOf(plan, [bad], before);
    expect(nextStep(halted)).toMatchObject({ kind: 'decide', halt: { reason: 'pedal not right' } });
    const anew = runOf(
      plan,
      [{ ...base, id: 'd', kind: 'decided', haltId: bad.id, decision: 'plan anew' }],
      halted,
    );
    expect(anew.plan.stages.at(-1)!.kind).toBe('slave test');
    expect(stageLines(anew)).toEqual([expect.stringContaining('does not pass')]);
  });
});

test('a hold point at which the pedal is not right leads back to the bleed, before the second part is opened', () => {
  const estate = layoutOf('estate-front-rear');
  const old = (partId: string) => ({ partId, cappedAtOnce: true, keptFull: true, newPart: false });
  const plan = planned(estate, {
    work: {
      ...routineFlush(all(estate)),
      purpose: 'after work',
      parts: [old('left-front-caliper'), old('right-front-hose')],
    },
  });
  const held = runOf(
    plan,
    followCalls(plan, {
      deviceId: 'phone',
      nextId: countingIds(),
      startMs: 0,
      until: 'hold point',
    }),
  );
  expect(nextStep(held)).toMatchObject({ kind: 'stage', stage: { kind: 'hold point' } });
  const soft: LooseEvent = {
    ...base,
    id: 'soft',
    kind: 'halted',
    reason: 'pedal not right',
    openingId: null,
  };
  expect(eventFault(held, soft)).toBeNull();
  const anew = runOf(
    plan,
    [soft, { ...base, id: 'd', kind: 'decided', haltId: 'soft', decision: 'plan anew' }],
    held,
  );
  // Nobody knows where the air is: every bleeder, and no second author beside it.
  expect(new Set(anew.plan.openings.map((s) => s.bleeder.id)).size).toBe(estate.bleeders.length);
  expect(nextStep(anew).kind).not.toBe('finished');
});

describe('a tool cycle in the run', () => {
  const tool = modulator.stages.find((s) => s.kind === 'tool cycle')!;
  const events = log(modulator);
  const from = events.findIndex((e) => e.kind === 'tool checked');
  const atTool = runOf(modulator, events.slice(0, from));
  const checked = (id: string, more: object = {}): LooseEvent => ({
    ...base,
    id,
    kind: 'tool checked',
    stageId: tool.id,
    by: 'by hand',
    check: { batteryV: 12.5, ignition: 'on', codes: [], ...more },
  });
  const step = (
    id: string,
    stepId: string,
    done: boolean,
    by: 'by hand' | 'practice' = 'by hand',
  ): LooseEvent => ({
    ...base,
    id,
    kind: 'tool step',
    stageId: tool.id,
    stepId,
    by,
    done,
    why: done ? null : 'Let go',
  });
  const first = toolStepsOf(modulator, tool.id)[0]!;
  const toolNext = (state: RunState) =>
    nextWithTool(
      modulator,
      tool,
      (state.stages[tool.id]?.said ?? []).flatMap((e) =>
        e.kind === 'tool checked' || e.kind === 'tool step' ? [e] : [],
      ),
    );

  test('goes wheel by wheel in the order of the bleed that follows, and ends with the codes', () => {
    const said = events
      .slice(from)
      .flatMap((e) =>
        e.kind === 'tool step' ? [e.stepId] : e.kind === 'tool checked' ? ['check'] : [],
      );
    const after = modulator.openings
      .filter((s) => s.stageId === modulator.stages[modulator.stages.indexOf(tool) + 1]!.id)
      .map((s) => s.bleeder.id);
    expect(said).toEqual([
      'check',
      ...after.flatMap((id) => [`${id}:valves`, `${id}:pump`]),
      'check',
    ]);
  });

  test('a precondition that is not met halts the run; decided, the check comes again', () => {
    const halted = runOf(modulator, [checked('c', { batteryV: 11.4 })], atTool);
    expect(nextStep(halted)).toMatchObject({ kind: 'decide', halt: { reason: 'tool stopped' } });
    const decided = runOf(
      modulator,
      [{ ...base, id: 'd', kind: 'decided', haltId: 'c', decision: 'go on' }],
      halted,
    );
    expect(nextStep(decided)).toMatchObject({ kind: 'stage', stage: { id: tool.id } });
    expect(toolNext(decided)).toEqual({ kind: 'check', when: 'before' });
  });

  test('a step that was aborted halts it too, and undoing it takes the halt back', () => {
    const aborted = runOf(modulator, [checked('c'), step('s', first.id, false)], atTool);
    expect(nextStep(aborted)).toMatchObject({ kind: 'decide', halt: { reason: 'tool stopped' } });
    const undone = runOf(modulator, [{ ...base, id: 'u', kind: 'undone', eventId: 's' }], aborted);
    expect(toolNext(undone)).toMatchObject({ kind: 'step', step: first });
    expect(nextStep(undone).kind).toBe('stage');
  });

  test('the record says how it went, in one line', () => {
    const log2 = [
      checked('c1'),
      step('s1', first.id, false),
      { ...base, id: 'd', kind: 'decided', haltId: 's1', decision: 'go on' } as LooseEvent,
      checked('c2'),
      step('s2', first.id, true),
    ];
    const count = toolStepsOf(modulator, tool.id).length;
    expect(stageLines(runOf(modulator, log2, atTool))).toEqual([
      `Tool cycle, read off by hand: 1 of ${count} steps done, stopped once; battery 12.5 V; codes at the last reading: none.`,
    ]);
    expect(stageLines(atTool)).toEqual([]);
  });

  test('what was only practised counts as left out: it shows at the gate', () => {
    const practised = runOf(
      modulator,
      events
        .slice(from)
        .map((e) =>
          e.kind === 'tool step' || e.kind === 'tool checked'
            ? { ...e, by: 'practice' as const }
            : e,
        ),
      atTool,
    );
    expect(nextStep(practised).kind).toBe('finished');
    expect(skippedStages(practised)).toEqual([
      {
        title: stageTitle(hatchback, tool),
        reason: expect.stringContaining('Only practised'),
        danger: true,
      },
    ]);
    expect(skippedStages(runOf(modulator, events))).toEqual([]);
  });

  test('it is not simply called done, and a step or stage of another plan is refused', () => {
    expect(eventFault(atTool, { ...base, kind: 'stage done', stageId: tool.id })).toContain(
      'each of its steps',
    );
    expect(eventFault(atTool, step('x', 'nowhere:pump', true))).toContain(first.id);
    expect(eventFault(atTool, { ...checked('x'), stageId: 'stage-1' } as RunEvent)).toContain(
      'no stage',
    );
    // Handed over to somebody who has a tool: then it is done when it comes back.
    const away = planned(hatchback, {
      means: USUAL_MEANS,
      work: { ...routineFlush(['master']), purpose: 'after work', modulatorOpened: true },
    });
    expect(
      eventFault(runOf(away, []), {
        ...base,
        kind: 'stage done',
        stageId: away.stages.find((s) => s.kind === 'tool cycle')!.id,
      }),
    ).toBeNull();
  });
});

test('what must not be left out, and what is no stage, is refused', () => {
  const plan = dry(twin);
  const bench = plan.stages.find((s) => s.kind === 'bench')!;
  const state = runOf(plan, []);
  expect(maySkip(bench)).toBe(false);
  expect(
    eventFault(state, { ...base, kind: 'stage skipped', stageId: bench.id, reason: 'In a hurry' }),
  ).toContain('cannot be left out');
  for (const stageId of ['nowhere', plan.stages.find((s) => s.kind === 'bleed')!.id])
    expect(eventFault(state, { ...base, kind: 'stage done', stageId })).toContain('no stage');
});

test('every stage that opens no bleeder says what to do and why', () => {
  const estate = layoutOf('estate-front-rear');
  const lost = planned(estate, { work: { ...routineFlush(all(estate)), endLost: 'rear' } });
  for (const plan of [dry(twin), modulator, lost]) {
    for (const stage of plan.stages) {
      if (stage.kind === 'bleed') continue;
      const words = stageWords(plan, stage);
      expect(words.steps.length).toBeGreaterThan(1);
      for (const s of [...words.steps, words.why]) expect(s).toMatch(/\.$/);
    }
  }
  // The valve's piston lies towards the end that lost pressure; the other end still flows: common practice, no source.
  expect(
    stageWords(lost, lost.stages[0] as Parameters<typeof stageWords>[1]).steps.join(' '),
  ).toMatch(/towards the rear end.*bleeder at the front/);
});

test('a dry system begins with nothing above its outlets, in the levels and in the picture', () => {
  const plan = dry(layoutOf('motorcycle-front-disc'));
  expect(runOf(plan, []).levelMl).toEqual({ reservoir: 0 });
  const fill: LooseEvent = { ...base, kind: 'prepared', step: 'fill reservoir' };
  expect(
    newShares(new RunFluid(plan).after([loggedEvent(fill) as Logged<RunEvent>])).get('reservoir'),
  ).toBe(1);
});

describe('what changed between two plans', () => {
  test('nothing, when nothing did', () =>
    expect(planChanges(planOf(hatchback), planOf(hatchback))).toEqual([]));

  test('bleeders, method, order, stages and amounts, each in a sentence', () => {
    const corner = planned(hatchback, {
      work: {
        ...routineFlush(['master']),
        purpose: 'after work',
        parts: [
          { partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true, newPart: false },
        ],
      },
      method: 'vacuum',
    });
    const said = planChanges(planned(hatchback), corner).join(' ');
    for (const part of [
      'May stay shut now:',
      'Method: Vacuum at the bleeder, before Two people',
      'New stages: Finish with strokes',
      `To bleed: ${corner.totals.bledMl.value.toFixed(0)} mL, before`,
      'Hands on:',
    ])
      expect(said).toContain(part);
    expect(planChanges(corner, planned(hatchback)).join(' ')).toContain('Now opened too:');
    expect(
      planChanges(planned(hatchback), planned(hatchback, { order: 'nearest first' })).join(' '),
    ).toContain('Order: Nearest first, before Farthest first.');
  });
});

// Pumped into a can instead of back into the reservoir, that fluid is in the plan: common practice, no source; ten full strokes are ours.
test('a bench run into a can takes its fluid along: in the plan, in the run, in both sums', () => {
  const layout = layoutOf('hatchback-diagonal');
  const work = { ...routineFlush(layout.masters.map((m) => m.id)), purpose: 'new or dry' as const };
  const [back, can] = (['back into the reservoir', 'into a can'] as const).map((benchFill) =>
    planned(layout, { work, preferences: { benchFill } }),
  );
  const stage = can!.stages.find((s) => s.kind === 'bench')!;
  if (stage.kind !== 'bench') throw new Error('no bench');
  const byHand = layout.masters[0]!.chambers.reduce(
    (sum, c) => sum + 10 * ((Math.PI * c.boreMm ** 2) / 4 / 1000) * c.fullStrokeMm,
    0,
  );
  expect(stage.canMl!.value).toBeCloseTo(byHand, 9);
  expect(can!.totals.pouredMl.value).toBeCloseTo(back!.totals.pouredMl.value + byHand, 9);
  expect(can!.totals.removedMl.value).toBeCloseTo(back!.totals.removedMl.value + byHand, 9);
  let n = 0;
  const events = followCalls(can!, { deviceId: 'p', nextId: () => `c${++n}`, startMs: 0 });
  const state = runOf(can!, events as LooseEvent[]);
  expect(state.pouredMl).toBeCloseTo(can!.totals.pouredMl.value, 6);
  expect(state.removedMl).toBeCloseTo(can!.totals.removedMl.value, 6);
  // Said twice it went in once.
  const done = events.find((e) => e.kind === 'bench ended' && e.stageId === stage.id)!;
  expect(done).toBeDefined();
  const twice = runOf(can!, [...events, { ...done, id: 'again' }] as LooseEvent[]);
  expect(twice.pouredMl).toBeCloseTo(state.pouredMl, 9);
});

// A pot is let off before its cap is touched: common practice, no source.
describe('a pot under pressure', () => {
  const everything = { means: EVERYTHING };
  const plan = planned(layoutOf('hatchback-diagonal'), { ...everything, method: 'pressure' });
  const events = log(plan) as LooseEvent[];
  const set = events.flatMap((e, i) => (e.kind === 'pressure set' ? [{ i, on: e.on }] : []));
  const [opening] = plan.openings;

  test('is put on before the first mark, stays on from bleeder to bleeder, and is off before anything else', () => {
    expect(opening!.method).toBe('pressure');
    expect(set.map((s) => s.on)).toEqual([true, false]);
    const marks = events.flatMap((e, i) =>
      e.kind === 'stroke' && plan.openings.find((s) => s.id === e.openingId)!.method === 'pressure'
        ? [i]
        : [],
    );
    expect(set[0]!.i).toBe(marks[0]! - 1);
    expect(set[1]!.i).toBeGreaterThan(marks.at(-1)!);
    // The run is through only behind it.
    expect(nextStep(runOf(plan, events.slice(0, set[1]!.i)))).toEqual({
      kind: 'pressure',
      on: false,
    });
    expect(nextStep(runOf(plan, events)).kind).toBe('finished');
    const before = events.slice(set[0]!.i, set[1]!.i);
    expect(before.some((e) => e.kind === 'topped up')).toBe(false);
  });

  test('whatever goes wrong, it is let off before that is decided on', () => {
    const at = events.slice(0, set[0]!.i + 3);
    const halted: LooseEvent = {
      ...base,
      id: 'h',
      kind: 'halted',
      reason: 'nothing comes',
      openingId: opening!.id,
    };
    expect(nextStep(runOf(plan, [...at, halted]))).toEqual({ kind: 'pressure', on: false });
    const off: LooseEvent = { ...base, id: 'off', kind: 'pressure set', on: false };
    expect(nextStep(runOf(plan, [...at, halted, off]))).toMatchObject({ kind: 'decide' });
    // Off in the middle of a bleeder: it is put on again before the next mark.
    expect(nextStep(runOf(plan, [...at, off]))).toEqual({ kind: 'pressure', on: true });
  });

  test('nobody is asked for pressure where there is none', () => {
    for (const method of ['two people', 'vacuum', 'gravity'] as const)
      expect(
        log(planned(layoutOf('hatchback-diagonal'), { ...everything, method })).filter(
          (e) => e.kind === 'pressure set',
        ),
      ).toEqual([]);
  });
});
