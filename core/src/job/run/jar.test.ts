import fc from 'fast-check';
import { emptyOnWayMl, wayTo } from '../../fluid/inside';
import { layoutOf, planned, planOf, runOf, type LooseEvent, knownEvents } from '../../testing';
import { routineFlush } from '../../bleed/scope';
import {
  isBledMeasured,
  JAR_READ_TO_ML,
  jarFault,
  jarSays,
  missingAt,
  nextStep,
  pacesOf,
  planAgainstActual,
  RunFluid,
  type RunState,
} from '.';
import { happeningFault } from '../events';

const PLAN = planOf('veteran-single');
const [FIRST, SECOND] = PLAN.openings;
const [RESERVOIR] = PLAN.reservoirs;
const strokeMl = FIRST!.strokeMl.value;
const slackMl = FIRST!.mostStrokeMl.value - strokeMl;

const stroke = (made: number, opening = FIRST!): LooseEvent => ({
  kind: 'stroke',
  openingId: opening.id,
  made,
});
const strokes = (n: number, opening = FIRST!): LooseEvent[] =>
  Array.from({ length: Math.ceil(n / 10) }, (_, i) => stroke(Math.min(10, n - i * 10), opening));
const read = (jarMl: number, opening = FIRST!): LooseEvent => ({
  kind: 'jar read',
  openingId: opening.id,
  jarMl,
});
const set = (jarMl: number): LooseEvent => ({ kind: 'jar set', jarMl });
const shut = (opening = FIRST!): LooseEvent => ({
  kind: 'shut',
  openingId: opening.id,
  tightened: 'by feel',
});
const bubbles = (reading: 'none' | 'some'): LooseEvent => ({
  kind: 'bubbles',
  openingId: FIRST!.id,
  reading,
});
const at = (state: RunState, opening = FIRST!) =>
  state.bleeders.find((b) => b.openingId === opening.id)!;
const level = (state: RunState) => state.levelMl[RESERVOIR!.id]!;
const run = (...events: readonly LooseEvent[]) => runOf(PLAN, events);

describe('the jar is read', () => {
  test('nothing counted: count, level and bled follow, in whole strokes', () => {
    const state = run(set(30), read(30 + 4.5 * strokeMl));
    expect(at(state)).toMatchObject({ strokes: 4, byJar: true });
    expect(at(state).bledMl).toBeCloseTo(4.5 * strokeMl, 9);
    expect(state.bledMl).toBeCloseTo(4.5 * strokeMl, 9);
    expect(level(state)).toBeCloseTo(RESERVOIR!.maxMl - 4.5 * strokeMl, 9);
    expect(at(run(read(5 * strokeMl))).strokes).toBe(5);
    expect(at(run(read(5 * strokeMl - 0.01))).strokes).toBe(4);
  });

  test('more than was counted lowers the reservoir and brings the call to top up nearer; less the other way', () => {
    const counted = run(...strokes(4));
    const more = run(...strokes(4), read(6 * strokeMl));
    const less = run(...strokes(4), read(3 * strokeMl));
    expect(at(more).strokes - at(counted).strokes).toBe(2);
    expect(at(less).strokes - at(counted).strokes).toBe(-1);
    expect(level(more) - level(counted)).toBeCloseTo(-2 * strokeMl, 9);
    expect(level(less) - level(counted)).toBeCloseTo(strokeMl, 9);
    const until = (s: RunState) => {
      const step = nextStep({ ...s, prepared: PLAN.preparation });
      return step.kind === 'stroke' ? step.strokesUntilTopUp : null;
    };
    expect(until(less)!).toBeGreaterThan(until(more)!);
  });

  test('a measurement outweighs the guess of full strokes, to what a jar can be read', () => {
    const counted = run(...strokes(6));
    expect(counted.leastMl[RESERVOIR!.id]).toBeCloseTo(level(counted) - 6 * slackMl, 9);
    // Full strokes would have given more than the jar can hide.
    expect(6 * slackMl).toBeGreaterThan(JAR_READ_TO_ML);
    const same = run(...strokes(6), read(6 * strokeMl));
    expect(same.leastMl[RESERVOIR!.id]).toBeCloseTo(level(same) - JAR_READ_TO_ML, 9);
    // One stroke: its slack is less than the jar's, and stays the bound.
    const one = run(...strokes(1), read(strokeMl));
    expect(one.leastMl[RESERVOIR!.id]).toBeCloseTo(
      level(one) - Math.min(slackMl, JAR_READ_TO_ML),
      9,
    );
    // More than even full strokes could have given was counted by nobody.
    const uncounted = run(...strokes(1), read(strokeMl + slackMl + 1));
    expect(uncounted.leastMl[RESERVOIR!.id]).toBeCloseTo(level(uncounted) - JAR_READ_TO_ML, 9);
  });

  test('less is taken off every opening since the last look: one that is shut lacks it and is asked for', () => {
    const { value: enough } = FIRST!.strokes;
    const done = [...strokes(enough), bubbles('none'), shut()];
    const counted = run(...done, ...strokes(10, SECOND!));
    const half = run(
      ...done,
      ...strokes(10, SECOND!),
      read(((enough + 10) * strokeMl) / 2, SECOND!),
    );
    expect(missingAt(PLAN, FIRST!, at(counted))).not.toContain('strokes');
    expect(missingAt(PLAN, FIRST!, at(half))).toContain('strokes');
    expect(at(half).strokes).toBe(Math.floor(enough / 2));
    expect(at(half, SECOND!).strokes).toBe(5);
  });

  test('more is first laid to the full strokes of the opening before: none is credited with another’s', () => {
    const before = [...strokes(5), shut()];
    const within = run(...before, read(5 * strokeMl + 5 * slackMl, SECOND!));
    expect(at(within, SECOND!).bledMl).toBeCloseTo(0, 9);
    const beyond = run(...before, read(5 * strokeMl + 5 * slackMl + 3 * strokeMl, SECOND!));
    expect(at(beyond, SECOND!).strokes).toBe(3);
    // A look in between says what the first one gave.
    const looked = run(
      ...before.slice(0, -1),
      read(5 * strokeMl),
      shut(),
      read(8 * strokeMl, SECOND!),
    );
    expect(at(looked, SECOND!).strokes).toBe(3);
  });

  test('what was poured meanwhile is less where the count was too high, and the reservoir stands where it was filled to', () => {
    const topped: LooseEvent = {
      kind: 'topped up',
      reservoirId: RESERVOIR!.id,
      containerId: 'tin',
    };
    const counted = run(...strokes(8), topped);
    const less = run(...strokes(8), topped, read(6 * strokeMl));
    expect(level(less)).toBeCloseTo(RESERVOIR!.maxMl, 9);
    expect(counted.pouredMl).toBeCloseTo(8 * strokeMl, 9);
    expect(less.pouredMl).toBeCloseTo(6 * strokeMl, 9);
    expect(less.pouredFromMl.tin).toBeCloseTo(6 * strokeMl, 9);
    // Two before it and two after it: each error where it belongs.
    const both = run(...strokes(2), topped, ...strokes(2), read(2 * strokeMl));
    expect(both.pouredMl).toBeCloseTo(strokeMl, 9);
    expect(level(both)).toBeCloseTo(RESERVOIR!.maxMl - strokeMl, 9);
  });

  test('what was seen keeps its distance; what came after the look is looked at again', () => {
    const n = FIRST!.strokes.value;
    // Bubbles two strokes before the end stay two strokes before it, however many the jar says there were.
    for (const jarMl of [n - 3, n + 3]) {
      const state = run(...strokes(n - 2), bubbles('some'), ...strokes(2), read(jarMl * strokeMl));
      expect(at(state).strokes - at(state).lastBubblesAtStroke).toBe(2);
      expect(missingAt(PLAN, FIRST!, at(state))).toContain('bubbles in the last three');
    }
    // Nothing counted since: five strokes came after them.
    const since = run(...strokes(n), bubbles('some'), read((n + 5) * strokeMl));
    expect(missingAt(PLAN, FIRST!, at(since))).toContain('bubbles not read');
    // A clear look at the end holds where there were fewer, and must be taken again where there were more.
    const clear = [...strokes(n + 2), bubbles('none')];
    expect(missingAt(PLAN, FIRST!, at(run(...clear, read(n * strokeMl))))).not.toContain(
      'bubbles not read',
    );
    expect(missingAt(PLAN, FIRST!, at(run(...clear, read((n + 4) * strokeMl))))).toContain(
      'bubbles not read',
    );
  });

  test('fluid in the jar says that the way is full: the reservoir gave that as well', () => {
    const dry = planned(layoutOf('estate-front-rear'), {
      method: 'two people',
      work: { ...routineFlush(['master']), purpose: 'new or dry' },
    });
    const opening = dry.openings[0]!;
    const swallowed = opening.fillMl.value;
    expect(swallowed).toBeGreaterThan(0);
    const state = runOf(dry, [{ kind: 'jar read', openingId: opening.id, jarMl: 10 }]);
    const b = state.bleeders[0]!;
    expect(emptyOnWayMl(state.empties, wayTo(dry.layout, opening.bleeder.id))).toBe(0);
    expect(b.bledMl).toBeCloseTo(10, 9);
    expect(b.swallowedMl).toBeCloseTo(swallowed, 9);
    expect(b.strokes).toBe(Math.floor((10 + swallowed) / opening.strokeMl.value));
    const before = runOf(dry, []);
    expect(before.levelMl[opening.reservoirId]! - state.levelMl[opening.reservoirId]!).toBeCloseTo(
      10 + swallowed,
      9,
    );
    // A look into the reservoir counts the strokes that were swallowed: until fluid comes nothing else can.
    const looked = runOf(dry, [
      {
        kind: 'level seen',
        openingId: opening.id,
        levelMl: before.levelMl[opening.reservoirId]! - 3 * opening.strokeMl.value,
        fluidComes: false,
      },
    ]);
    expect(looked.bleeders[0]!.strokes).toBe(3);
  });

  test('where it is fed the bottle gave it and the reservoir stands; marks count by the jar alone', () => {
    const fed = planned(layoutOf('hatchback-diagonal'), { method: 'pressure' });
    const [pot] = fed.openings;
    expect(pot!.selfFed).toBe(true);
    const fedRun = (...said: LooseEvent[]) =>
      runOf(fed, [{ kind: 'prepared', step: 'fill reservoir' }, ...said]);
    const more = fedRun(read(50, pot!));
    expect(more.pouredMl - fedRun().pouredMl).toBeCloseTo(50, 9);
    expect(more.levelMl[pot!.reservoirId]).toBe(fedRun().levelMl[pot!.reservoirId]);
    const dry = planned(layoutOf('hatchback-diagonal'), {
      method: 'vacuum',
      work: { ...routineFlush(['master']), purpose: 'new or dry' },
    });
    const prime = dry.openings[0]!;
    const marks = runOf(dry, [read(3.5 * prime.strokeMl.value, prime)]).bleeders[0]!;
    expect(marks.swallowedMl).toBeGreaterThan(prime.strokeMl.value);
    expect(marks.strokes).toBe(3);
  });

  test('a look into the reservoir is no fill: what was poured stays as it was', () => {
    const looked: LooseEvent = {
      kind: 'level seen',
      openingId: FIRST!.id,
      levelMl: RESERVOIR!.maxMl - 4 * strokeMl,
      fluidComes: true,
    };
    const less = run(...strokes(4), looked, read(2 * strokeMl));
    expect(less.pouredMl).toBe(0);
    expect(level(less)).toBeCloseTo(RESERVOIR!.maxMl - 4 * strokeMl, 9);
  });

  test('the bound of full strokes stays where it is the nearer one, and falls where a fill lies between', () => {
    const bike = planOf('motorcycle-front-disc');
    const [opening] = bike.openings;
    const ml = opening!.strokeMl.value;
    const slack = opening!.mostStrokeMl.value - ml;
    expect(3 * slack).toBeLessThan(JAR_READ_TO_ML);
    const at = (...said: LooseEvent[]) => {
      const state = runOf(bike, said);
      return state.levelMl[opening!.reservoirId]! - state.leastMl[opening!.reservoirId]!;
    };
    expect(at(stroke(3, opening!), read(3 * ml, opening!))).toBeCloseTo(3 * slack, 9);
    const topped: LooseEvent = {
      kind: 'topped up',
      reservoirId: opening!.reservoirId,
      containerId: null,
    };
    // What is more may all have come behind the fill: its full strokes cannot explain it.
    expect(
      at(stroke(3, opening!), topped, stroke(1, opening!), read(4 * ml + 2 * slack, opening!)),
    ).toBeCloseTo(JAR_READ_TO_ML, 9);
  });

  test('what cannot be is said in a sentence: less than at the last look, and nothing out of a way that began empty', () => {
    const seen = run(set(20), ...strokes(2));
    expect(jarFault(seen, FIRST!, 20)).toBeNull();
    expect(jarFault(seen, FIRST!, 19.9)).toContain('It stood at 20 mL at the last look');
    const dry = planned(layoutOf('estate-front-rear'), {
      method: 'two people',
      work: { ...routineFlush(['master']), purpose: 'new or dry' },
    });
    const opening = dry.openings[0]!;
    expect(jarFault(runOf(dry, []), opening, 0)).toContain('only a look into the reservoir');
    expect(jarFault(runOf(dry, []), opening, 1)).toBeNull();
    // Swallowed by the count, and still nothing to be seen.
    const counted = runOf(dry, [stroke(10, opening)]);
    expect(counted.bleeders[0]!.swallowedMl).toBeGreaterThan(0);
    expect(jarFault(counted, opening, 0)).toContain('only a look into the reservoir');
  });

  test('what a look would say carries its sign, and asks where the reservoir cannot have given so much', () => {
    const before = run(...strokes(4));
    const says = (jarMl: number) => jarSays(before, run(...strokes(4), read(jarMl)), FIRST!);
    expect(says(6 * strokeMl)).toMatchObject({ strokes: 6, moreStrokes: 2, belowOutlet: false });
    expect(says(6 * strokeMl).moreMl).toBeCloseTo(2 * strokeMl, 9);
    expect(says(3 * strokeMl)).toMatchObject({ strokes: 3, moreStrokes: -1 });
    expect(says(3 * strokeMl).moreMl).toBeCloseTo(-strokeMl, 9);
    const toOutlet = RESERVOIR!.maxMl - RESERVOIR!.airDrawnMl;
    expect(says(toOutlet - 1).belowOutlet).toBe(false);
    expect(says(toOutlet + 1).belowOutlet).toBe(true);
  });

  test('from below nothing goes into the jar', () => {
    const plan = planned(layoutOf('motorcycle-clutch-bends'), { method: 'reverse' });
    const opening = plan.openings.find((x) => !x.fromReservoir)!;
    const event = { kind: 'jar read', openingId: opening.id, jarMl: 20 } as const;
    const known = { plans: [plan], ...knownEvents({}) };
    const base = { id: 'a', deviceId: 'p', deviceSeq: 1, atMs: 0, planId: plan.id };
    expect(happeningFault(known, { ...base, ...event })).toContain('not in the jar');
    expect(
      happeningFault({ ...known, plans: [PLAN] }, {
        ...base,
        planId: PLAN.id,
        ...read(5),
      } as never),
    ).toBeNull();
  });

  test('what was bled is measured once all of it was read, and not where the jar was emptied unread', () => {
    expect(isBledMeasured(run(...strokes(3)))).toBe(false);
    expect(isBledMeasured(run(set(0)))).toBe(false);
    const all = [...strokes(3), read(20)];
    expect(isBledMeasured(run(...all))).toBe(true);
    expect(isBledMeasured(run(...all, ...strokes(1)))).toBe(false);
    expect(isBledMeasured(run(...all, set(0), read(10)))).toBe(true);
    expect(isBledMeasured(run(...strokes(3), set(0), read(10)))).toBe(false);
  });

  test('plan against done and what the run teaches say that it was read', () => {
    const rows = planAgainstActual(run(read(5 * strokeMl), shut()))[0]!.rows;
    expect(rows[0]!.bledMl.rule).toContain('read off the jar');
    expect(rows[1]!.bledMl.rule).toContain('not measured in a jar');
    expect(pacesOf(run(read(5 * strokeMl), shut()))[0]).toMatchObject({
      strokes: 5,
      secondsPerStroke: null,
    });
  });

  test('counts and looks in any order: openings add up to the jar, the picture shows the same reservoirs, and an undo takes it all back', () => {
    const step = fc.oneof(
      fc.record({
        kind: fc.constant('stroke' as const),
        stop: fc.nat(1),
        n: fc.integer({ min: 1, max: 6 }),
      }),
      fc.record({
        kind: fc.constant('read' as const),
        stop: fc.nat(1),
        n: fc.integer({ min: -30, max: 30 }),
      }),
      fc.record({ kind: fc.constant('fill' as const), stop: fc.nat(1), n: fc.constant(0) }),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 14 }), (steps) => {
        const said: LooseEvent[] = [];
        const fluid = new RunFluid(PLAN);
        let state = run();
        for (const { kind, stop, n } of steps) {
          const of = PLAN.openings[stop]!;
          // What was in it at the last look is still in it.
          const lookedMl = state.jar.standsMl - state.jar.since.reduce((ml, s) => ml + s.ml, 0);
          const next: LooseEvent =
            kind === 'stroke'
              ? { ...stroke(n, of), id: `s${said.length}` }
              : kind === 'read'
                ? { ...read(Math.max(lookedMl, state.jar.standsMl + n), of), id: `r${said.length}` }
                : {
                    kind: 'topped up',
                    reservoirId: RESERVOIR!.id,
                    containerId: null,
                    id: `t${said.length}`,
                  };
          const after = run(...said, next);
          // What a reservoir cannot give was filled up unsaid: that is another case.
          if (after.leastMl[RESERVOIR!.id]! < RESERVOIR!.airDrawnMl) continue;
          said.push(next);
          state = after;
          const sum = state.bleeders.reduce((ml, b) => ml + b.bledMl, 0);
          expect(sum).toBeCloseTo(state.bledMl, 6);
          expect(state.jar.standsMl).toBeCloseTo(state.bledMl, 6);
          expect(state.pouredMl - state.bledMl).toBeCloseTo(level(state) - RESERVOIR!.maxMl, 6);
          expect(state.leastMl[RESERVOIR!.id]!).toBeLessThanOrEqual(level(state) + 1e-9);
          expect(state.bleeders.every((b) => b.bledMl > -1e-9 && b.strokes >= 0)).toBe(true);
          expect(fluid.after(state.log).levelMl(RESERVOIR!.id)).toBeCloseTo(level(state), 6);
        }
        const looks = said.filter((e) => e.kind === 'jar read');
        const undone = looks.map((e): LooseEvent => ({ kind: 'undone', eventId: e.id! }));
        const without = run(...said.filter((e) => e.kind !== 'jar read'));
        expect(run(...said, ...undone).bledMl).toBeCloseTo(without.bledMl, 9);
      }),
      { numRuns: 60 },
    );
  });
});
