import {
  afterWork,
  carefulMaster,
  layoutOf,
  planOf,
  planned,
  runOf,
  type LooseEvent,
} from '../../testing';
import { paths } from '../../vehicle/circuit';
import { isStageThrough, type OwnStage, type PartCompared } from '../../bleed/stages';
import {
  followCalls,
  foldEvent,
  foldRun,
  nextStep,
  planOnward,
  RunFluid,
  whatFollows,
  type RunState,
} from '.';

const PLAN = planOf('hatchback-diagonal');
const CHAMBER = PLAN.layout.masters[0]!.chambers.find((c) => c.id === PLAN.openings[0]!.chamberId)!;
const bore = (value: number): LooseEvent => ({
  id: 'bore',
  kind: 'size found',
  elementId: CHAMBER.id,
  size: 'boreMm',
  value,
});
const ids = () => {
  let n = 0;
  return () => `e${++n}`;
};
const until = (strokes: number): LooseEvent[] =>
  followCalls(PLAN, { deviceId: 'phone', nextId: ids(), startMs: 0, strokes }) as LooseEvent[];
const anew = (state: RunState, id = 'd'): LooseEvent => {
  const halt = state.halts.find((h) => h.reason === 'other size' && h.decision === null)!;
  const result = planOnward(state, halt, 'plan anew', id);
  if (result.verdict === 'refused') throw new Error('refused');
  return { id, kind: 'decided', haltId: halt.eventId, decision: 'plan anew', plan: result.plan };
};

// The volume of a stroke is bore area × travel; 22.2 mm against 20.6 moves (22.2/20.6)² as much: arithmetic.
describe('a bore that is found while the car is bled', () => {
  const AREA = (22.2 / 20.6) ** 2;
  const before = runOf(PLAN, until(15));
  const after = runOf(PLAN, [...until(15), bore(22.2)]);
  const strokesOf = (s: RunState) => s.bleeders.map((b) => b.strokes);

  test('values the strokes that were made before it, in the jar, at the bleeder and in the reservoir', () => {
    expect(strokesOf(after)).toEqual(strokesOf(before));
    expect(after.bledMl).toBeCloseTo(before.bledMl * AREA, 6);
    expect(after.bleeders[0]!.bledMl).toBeCloseTo(before.bleeders[0]!.bledMl * AREA, 6);
    expect(after.leastMl.reservoir!).toBeLessThan(before.leastMl.reservoir!);
    const out = (s: RunState) => new RunFluid(s.past[0]?.plan ?? s.plan).after(s.log);
    const left = out(after).levelMl('reservoir');
    expect(left).toBeLessThan(out(before).levelMl('reservoir'));
    expect(left).toBeCloseTo(after.levelMl.reservoir!, 6);
  });

  test('halts until the rest is worked out anew, and shows what is another size and what it takes', () => {
    expect(nextStep(after)).toMatchObject({ kind: 'decide', halt: { reason: 'other size' } });
    const follows = whatFollows(after, after.halts[0]!, 'plan anew');
    if ('refusals' in follows) throw new Error(follows.refusals.join());
    expect(follows.changes[0]).toBe(
      'Master, Primary chamber: bore 22.2 mm, before 20.6 mm.'.replace(
        'Primary chamber',
        CHAMBER.name,
      ),
    );
    const first = (p: typeof PLAN) => p.openings[0]!;
    expect(first(follows.plan).strokeMl.value / first(follows.before!).strokeMl.value).toBeCloseTo(
      AREA,
      9,
    );
    // What is asked for is the same fluid, in fewer strokes.
    expect(follows.plan.totals.strokes.value).toBeLessThan(follows.before!.totals.strokes.value);
  });

  test('keeps the work, the method, what was prepared and what is behind', () => {
    const on = runOf(PLAN, [...until(15), bore(22.2), anew(after)]);
    expect(on.plan.work).toEqual(PLAN.work);
    expect(on.plan.method).toBe(PLAN.method);
    expect(on.plan.preparation).toEqual([]);
    expect(nextStep(on)).toMatchObject({
      opening: { bleeder: { id: PLAN.openings[0]!.bleeder.id } },
    });
    expect(on.plan.layout.masters[0]!.chambers.find((c) => c.id === CHAMBER.id)!.boreMm).toBe(22.2);
    expect(on.bledMl).toBeCloseTo(before.bledMl * AREA, 6);
    const whole = runOf(PLAN, [
      ...until(15),
      bore(22.2),
      anew(after),
      ...(followCalls(
        on.plan,
        { deviceId: 'phone', nextId: ids2(), startMs: 1e6 },
        on,
      ) as LooseEvent[]),
    ]);
    expect(nextStep(whole).kind).toBe('finished');
  });

  test('a bleeder that was shut by too small strokes is not done any more', () => {
    const first = PLAN.openings[0]!;
    const shut = until(1000);
    const at = shut.findIndex((e) => e.kind === 'shut' && e.openingId === first.id);
    const done = shut.slice(0, at + 1);
    const small = runOf(PLAN, [...done, bore(17.5)]);
    const next =
      anew(small).kind === 'decided' ? (anew(small) as { plan: typeof PLAN }).plan : null;
    expect(next!.openings.map((s) => s.bleeder.id)).toContain(first.bleeder.id);
    const same = runOf(PLAN, [...done, bore(22.2)]);
    const rest = (anew(same) as { plan: typeof PLAN }).plan;
    expect(rest.openings.map((s) => s.bleeder.id)).not.toContain(first.bleeder.id);
  });

  test('is the same run folded at once, event by event, and out of order with an undo', () => {
    const said = [...until(15), bore(22.2)];
    const log = runOf(PLAN, said).log;
    const stepwise = log.reduce((s, e) => foldEvent(s, e), runOf(PLAN, []));
    expect(stepwise).toEqual(after);
    // Taken back it was never so.
    expect(
      foldRun(
        PLAN,
        log.filter((e) => e.id !== 'bore'),
      ),
    ).toEqual(before);
  });

  test('the same bore as guessed asks nothing, a wrench asks nothing and is laid down', () => {
    for (const said of [
      bore(20.6),
      {
        id: 'w',
        kind: 'size found',
        elementId: 'left-front',
        size: 'wrenchMm',
        value: 9,
      } as LooseEvent,
    ]) {
      const state = runOf(PLAN, [...until(15), said]);
      expect(state.halts).toEqual([]);
      expect(state.bledMl).toBe(before.bledMl);
    }
    const state = runOf(PLAN, [
      {
        id: 'w',
        kind: 'size found',
        elementId: 'left-front',
        size: 'wrenchMm',
        value: 9,
      } as LooseEvent,
    ]);
    const bleeder = state.plan.openings.find((s) => s.bleeder.id === 'left-front')!.bleeder;
    expect(bleeder.fitting.found!.wrenchMm).toBe(9);
    expect(state.plan.layout.bleeders.find((b) => b.id === 'left-front')).toBe(bleeder);
  });

  test('two sizes found before anybody decided ask once', () => {
    const both = runOf(PLAN, [
      ...until(10),
      bore(22.2),
      { ...bore(22.2), id: 'other', elementId: 'secondary' } as LooseEvent,
    ]);
    expect(both.halts).toHaveLength(1);
    const decided = runOf(PLAN, [
      ...until(10),
      bore(22.2),
      anew(runOf(PLAN, [...until(10), bore(22.2)])),
      { ...bore(23.8), id: 'again' } as LooseEvent,
    ]);
    expect(decided.halts).toHaveLength(2);
    expect(decided.plan.openings[0]!.strokeMl.value).toBeCloseTo(
      PLAN.openings[0]!.strokeMl.value * (23.8 / 20.6) ** 2,
      9,
    );
  });

  test('what could not be decided before it is not decided by reading the run again', () => {
    const only = planned(PLAN.layout, {
      means: {
        helper: true,
        bottle: false,
        vacuumPump: false,
        pressurePot: false,
        syringe: false,
        selfRefilling: false,
        scanTool: false,
      },
    });
    const said: LooseEvent[] = [
      { id: 'h', kind: 'halted', reason: 'nothing comes', openingId: only.openings[0]!.id },
      { id: 'd', kind: 'decided', haltId: 'h', decision: 'another method' },
    ];
    const methods = only.methods.map((m) =>
      m.method === only.method ? m : { ...m, verdict: 'hopeless' as const },
    );
    const plan = { ...only, methods };
    const before = runOf(plan, said);
    const decisions = (s: RunState) => s.halts.map((h) => h.decision);
    expect(decisions(before)).toEqual([null]);
    // One more event on top of what was folded, as on a phone: it is read again from its log.
    expect(decisions(runOf(plan, [bore(22.2)], before))).toEqual([null, null]);
  });

  test('a longer line holds more of what stood in it', () => {
    const hose = paths(PLAN.layout).find((p) => p.bleeder.id === PLAN.openings[0]!.bleeder.id)!
      .stretches[0]!;
    const found: LooseEvent = {
      id: 'l',
      kind: 'size found',
      elementId: hose.id,
      size: 'lengthMm',
      value: hose.lengthMm * 2,
    };
    const state = runOf(PLAN, [found]);
    const old = (p: typeof PLAN) => p.inside[hose.id]!.old.reduce((sum, o) => sum + o.ml, 0);
    expect(old(state.plan)).toBeCloseTo(2 * old(PLAN), 6);
    expect(state.halts[0]!.reason).toBe('other size');
  });
});

const ids2 = () => {
  let n = 0;
  return () => `f${++n}`;
};

// Walk: the part on the counter has another bore than the template says and the same as the old one.
describe('a new master of another bore than was guessed', () => {
  const layout = layoutOf('hatchback-diagonal');
  const plan = planned(layout, {
    work: afterWork(layout, { master: carefulMaster() }),
  });
  const stage = plan.stages.find((s) => s.kind === 'right part')!;
  const calls = followCalls(plan, { deviceId: 'phone', nextId: ids(), startMs: 0 }) as LooseEvent[];
  const at = calls.findIndex((e) => e.kind === 'part compared');
  const fits = calls[at] as LooseEvent & PartCompared;
  const measured = (mm: number, old = mm): LooseEvent => ({
    ...fits,
    id: 'compared',
    found: {
      ...fits.found,
      'primary:bore': { newPart: mm, oldPart: old, maker: null },
      'secondary:bore': { newPart: mm, oldPart: old, maker: null },
    },
  });
  const run = (said: LooseEvent) => runOf(plan, [...calls.slice(0, at), said]);

  test('it fits, for the old one is the measure; the rest is worked out by it', () => {
    const state = run(measured(22.2));
    expect(isStageThrough(state.plan, stage as OwnStage, state.stages[stage.id])).toBe(true);
    expect(state.halts.map((h) => h.reason)).toEqual(['other size']);
    const chambers = state.plan.layout.masters[0]!.chambers;
    expect(chambers.map((c) => c.boreMm)).toEqual([22.2, 22.2]);
    const on = runOf(plan, [...calls.slice(0, at), measured(22.2), anew(state)]);
    expect(on.plan.stages.map((s) => s.kind)).not.toContain('right part');
    expect(on.plan.work).toEqual(plan.work);
  });

  test('as guessed, it asks for nothing', () => {
    expect(run(measured(20.6)).halts).toEqual([]);
    // Within what callipers read the size stands; it is no guess any more, and nothing is planned anew.
    const { plan: after } = run(measured(20.7));
    expect(after.openings.map((s) => s.strokes.value)).toEqual(
      plan.openings.map((s) => s.strokes.value),
    );
    const bores = after.layout.masters.flatMap((m) => m.chambers);
    expect(bores.map((c) => [c.boreMm, c.known])).toEqual(
      bores.map(() => [20.6, { boreMm: 'measured' }]),
    );
  });

  test('one that does not fit brings no size', () => {
    const state = run(measured(22.2, 20.6));
    expect(state.halts.map((h) => h.reason)).toEqual(['wrong part']);
    expect(state.plan).toBe(plan);
  });
});
