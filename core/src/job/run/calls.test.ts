import fc from 'fast-check';
import { highestOutletMl } from '../../vehicle/circuit';
import { METHODS, type Method } from '../../hydraulics/flow';
import { halfMl } from '../../hydraulics/order';
import { emptyOnWayMl, pocketsOf, volumeMl, volumesMl, wayTo } from '../../fluid/inside';
import { planBleed, type Plan } from '../../bleed/plan';
import { routineFlush, type WorkDone } from '../../bleed/scope';
import {
  allMasters,
  arbitraryLayout,
  EVERYTHING,
  layoutOf,
  planned,
  requestOf,
  runOf,
} from '../../testing';
import { insideAfter, RunFluid, followCalls, usualAnswer, nextStep } from '.';
import { type Logged, type RunEvent, type RunHappening } from '../events';
import { leastCounts, mostCounts, type PlanOpening } from '../../bleed/stages';
import { emptyRun, type RunState } from './state';
import { foldEvent } from './fold';

/** Kinds of work with something empty, something unknown, and nothing of either. */
const KINDS = ['flush', 'dry', 'new part', 'old part back', 'ran dry'] as const;

const arbitraryPlan = fc
  .record({
    layout: arbitraryLayout,
    kind: fc.constantFrom(...KINDS),
    method: fc.constantFrom(...METHODS),
    pick: fc.nat(),
    primeInPlace: fc.boolean(),
    selfRefilling: fc.boolean(),
  })
  .map(({ layout, kind, method, pick, primeInPlace, selfRefilling }): Plan | null => {
    const ids = [...layout.stretches, ...layout.bleeders.map((b) => ({ id: b.at }))].map(
      (x) => x.id,
    );
    const partId = ids[pick % ids.length]!;
    const newPart = kind === 'new part';
    const work: WorkDone = {
      ...routineFlush(allMasters(layout)),
      purpose: kind === 'flush' ? 'routine flush' : kind === 'dry' ? 'new or dry' : 'after work',
      parts:
        kind === 'new part' || kind === 'old part back'
          ? [{ partId, cappedAtOnce: true, keptFull: true, newPart }]
          : [],
      lowest:
        kind === 'ran dry' ? [{ reservoirId: layout.reservoirs[0]!.id, belowMaxMm: 300 }] : [],
    };
    const result = planBleed(
      requestOf(layout, { work, method, primeInPlace, means: { ...EVERYTHING, selfRefilling } }),
    );
    return result.verdict === 'planned' ? result.plan : null;
  })
  .filter((plan): plan is Plan => plan !== null);

let made = 0;
const event = (said: RunHappening, planId: string): Logged<RunEvent> => ({
  id: `made-${++made}`,
  deviceId: 'phone',
  deviceSeq: made,
  atMs: 0,
  planId,
  person: 'Una',
  ...said,
});

/**
 * Carry a plan out on a vehicle whose reservoirs do what this person does to them:
 * strokes of some share of the full one, a flow of some share of the upper
 * corner. @returns the lowest that each reservoir ever stood above its highest outlet, mL
 */
function carriedOut(plan: Plan, shareOf: () => number): number {
  let state: RunState = emptyRun(plan);
  const real = new Map(Object.entries(state.levelMl));
  const outlet = new Map(plan.reservoirs.map((b) => [b.id, highestOutletMl(plan.layout, b.id)]));
  const swallowed = new Map<string, number>();
  let lowest = Infinity;
  const drawn = ({ reservoirId, selfFed }: PlanOpening, ml: number): void => {
    // What feeds it by itself gives as much as is drawn.
    if (selfFed)
      return void real.set(reservoirId, plan.reservoirs.find((b) => b.id === reservoirId)!.maxMl);
    real.set(reservoirId, real.get(reservoirId)! - ml);
    lowest = Math.min(lowest, real.get(reservoirId)! - outlet.get(reservoirId)!);
  };
  const say = (said: RunHappening): void => {
    state = foldEvent(state, event(said, plan.id));
  };
  for (let n = 0; n < 4_000; n++) {
    const step = nextStep(state);
    if (step.kind === 'finished' || step.kind === 'decide') return lowest;
    if (step.kind === 'fill way') {
      const { opening, reservoir, lookAfterS } = step;
      const ml = shareOf() * opening.mostMlS!.value * lookAfterS;
      drawn(opening, ml);
      swallowed.set(opening.id, (swallowed.get(opening.id) ?? 0) + ml);
      // A level that is kept up tells nothing of what went in before.
      const wentIn = opening.selfFed ? swallowed.get(opening.id)! : ml;
      const fluidComes = step.leftMl <= wentIn + 1e-9;
      say({
        kind: 'level seen',
        openingId: opening.id,
        levelMl: Math.max(0, real.get(reservoir.id)!),
        fluidComes,
      });
      continue;
    }
    if (step.kind === 'stroke' || step.kind === 'more strokes') {
      const { opening } = step;
      // A mark is read off the jar; a stroke is as long as somebody pushes.
      if (opening.fromReservoir)
        drawn(
          opening,
          opening.mostMlS ? opening.strokeMl.value : shareOf() * opening.mostStrokeMl.value,
        );
      const before = state.levelMl[opening.reservoirId]!;
      say({ kind: 'stroke', openingId: opening.id });
      // From below what is not swallowed comes up, by the marks of the syringe.
      if (!opening.fromReservoir)
        real.set(
          opening.reservoirId,
          real.get(opening.reservoirId)! + state.levelMl[opening.reservoirId]! - before,
        );
      continue;
    }
    const usual = usualAnswer(state);
    if (!usual) return lowest;
    if (usual.kind === 'prepared' && usual.step === 'empty reservoir')
      for (const b of plan.reservoirs) real.set(b.id, Math.min(real.get(b.id)!, outlet.get(b.id)!));
    if (usual.kind === 'prepared' && usual.step === 'fill reservoir')
      for (const b of plan.reservoirs) real.set(b.id, b.maxMl);
    if (usual.kind === 'drawn off') {
      const reservoir = plan.reservoirs.find((b) => b.id === usual.reservoirId)!;
      real.set(reservoir.id, Math.min(real.get(reservoir.id)!, halfMl(reservoir)));
    }
    if (usual.kind === 'topped up')
      real.set(usual.reservoirId, plan.reservoirs.find((b) => b.id === usual.reservoirId)!.maxMl);
    say(usual);
  }
  throw new Error('this run never ends');
}

describe('the reservoir and the jar', () => {
  test('following every call never uncovers an outlet, with any stroke up to the full one and any flow up to the upper corner', () => {
    fc.assert(
      fc.property(
        arbitraryPlan,
        fc.array(fc.double({ min: 0.05, max: 1, noNaN: true }), { minLength: 1, maxLength: 7 }),
        (plan, shares) => {
          let n = 0;
          expect(carriedOut(plan, () => shares[n++ % shares.length]!)).toBeGreaterThanOrEqual(
            -1e-9,
          );
          expect(carriedOut(plan, () => 1)).toBeGreaterThanOrEqual(-1e-9);
        },
      ),
      { numRuns: 15 },
    );
  });

  test('poured, bled, removed and inside agree at every moment, and the picture shows what the run reckons with', () => {
    fc.assert(
      fc.property(arbitraryPlan, (plan) => {
        const events = followCalls(plan, {
          deviceId: 'phone',
          nextId: () => `made-${++made}`,
          startMs: 0,
        });
        const sum = (of: Readonly<Record<string, number>>) =>
          Object.values(of).reduce((all, ml) => all + ml, 0);
        const first = emptyRun(plan);
        const fluid = new RunFluid(plan);
        let state = first;
        for (const [i, e] of events.entries()) {
          state = foldEvent(state, { ...e, person: 'Una' });
          const inside =
            sum(state.levelMl) - sum(first.levelMl) + sum(first.empties) - sum(state.empties);
          expect(state.pouredMl - state.removedMl - state.bledMl).toBeCloseTo(inside, 6);
          expect(state.bledMl).toBeGreaterThanOrEqual(-1e-9);
          if (i % 17 !== 0 && i !== events.length - 1) continue;
          const now = fluid.after(state.log);
          for (const b of plan.layout.bleeders)
            expect(now.emptyOnWayMl(b.id)).toBeCloseTo(
              emptyOnWayMl(state.empties, wayTo(plan.layout, b.id)),
              6,
            );
          for (const b of plan.reservoirs) {
            expect(now.levelMl(b.id)).toBeCloseTo(state.levelMl[b.id]!, 6);
            // A plan of the rest calls from here: full strokes count there too.
            expect(now.leastLevelMl(b.id)).toBeCloseTo(state.leastMl[b.id]!, 6);
          }
        }
        expect(nextStep(state).kind).toBe('finished');
        // What the plan said is what such a run moves.
        expect(state.pouredMl).toBeCloseTo(plan.totals.pouredMl.value, 6);
        expect(state.bledMl).toBeCloseTo(plan.totals.bledMl.value, 6);
        expect(sum(first.empties) - sum(state.empties)).toBeCloseTo(plan.totals.filledMl.value, 6);
      }),
      { numRuns: 20 },
    );
  });
});

describe('a way that is empty', () => {
  const dry = (method: Method) =>
    planned(layoutOf('hatchback-diagonal'), {
      method,
      work: { ...routineFlush(['master']), purpose: 'new or dry' },
    });
  const started = (plan: Plan): RunState =>
    runOf(
      plan,
      followCalls(plan, {
        deviceId: 'phone',
        nextId: () => `made-${++made}`,
        startMs: 0,
        strokes: 0,
      }).filter((e) => e.kind !== 'level seen' && e.kind !== 'topped up'),
    );

  test('under vacuum the run asks for a look into the reservoir by time until fluid comes; the jar stays dry', () => {
    const plan = dry('vacuum');
    const state = started(plan);
    const step = nextStep(state);
    if (step.kind !== 'fill way') throw new Error(step.kind);
    const { opening, reservoir } = step;
    expect(step.leftMl).toBeCloseTo(opening.fillMl.value, 6);
    // From MAX 220 mL down to the call, at the upper corner of the flow.
    const givesMl = 220 - reservoir.topUpLevelMl.value;
    expect(step.lookAfterS).toBe(Math.floor(givesMl / opening.mostMlS!.value));
    const looked = runOf(
      plan,
      [{ kind: 'level seen', openingId: opening.id, levelMl: 200, fluidComes: false }],
      state,
    );
    expect(looked.levelMl.reservoir).toBe(200);
    expect(looked.bledMl).toBe(0);
    expect(nextStep(looked)).toMatchObject({ kind: 'fill way' });
    // The eye wins over a guessed size: fluid comes, so nothing on this way is empty.
    const comes = runOf(
      plan,
      [{ kind: 'level seen', openingId: opening.id, levelMl: 190, fluidComes: true }],
      looked,
    );
    expect(nextStep(comes)).toMatchObject({ kind: 'stroke', opening: { id: opening.id } });
    expect(comes.bledMl).toBe(0);
    // Near the call it is topped up instead of looked at again in a moment.
    const low = runOf(
      plan,
      [
        {
          kind: 'level seen',
          openingId: opening.id,
          levelMl: Math.ceil(reservoir.topUpLevelMl.value),
          fluidComes: false,
        },
      ],
      looked,
    );
    expect(nextStep(low)).toMatchObject({ kind: 'top up', reservoir: { id: 'reservoir' } });
  });

  test('what the reservoir fell by beyond what was empty is in the jar', () => {
    const plan = planned(layoutOf('hatchback-diagonal'), {
      method: 'vacuum',
      work: {
        ...routineFlush(['master']),
        purpose: 'after work',
        parts: [{ partId: 'left-front-hose', cappedAtOnce: true, keptFull: true, newPart: true }],
      },
    });
    const state = started(plan);
    const step = nextStep(state);
    if (step.kind !== 'fill way') throw new Error(step.kind);
    const seen = runOf(
      plan,
      [{ kind: 'level seen', openingId: step.opening.id, levelMl: 200, fluidComes: true }],
      state,
    );
    expect(seen.bledMl).toBeCloseTo(20 - step.opening.fillMl.value, 9);
    expect(seen.bleeders[0]!.bledMl).toBe(seen.bledMl);
    expect(seen.bleeders[0]!.strokes).toBe(0);
    // A mark in the jar without any look says as much: the way is full.
    const mark = runOf(plan, [{ kind: 'stroke', openingId: step.opening.id }], state);
    expect(mark.bledMl).toBe(step.opening.strokeMl.value);
    expect(220 - mark.levelMl.reservoir!).toBeCloseTo(
      step.opening.strokeMl.value + step.opening.fillMl.value,
      9,
    );
  });

  test('strokes count from the first, and the jar from when the way is full', () => {
    const plan = planned(layoutOf('hatchback-diagonal'), {
      work: {
        ...routineFlush(['master']),
        purpose: 'after work',
        parts: [
          { partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true, newPart: true },
        ],
      },
    });
    const [opening] = plan.openings;
    const strokes = followCalls(plan, {
      deviceId: 'phone',
      nextId: () => `made-${++made}`,
      startMs: 0,
      strokes: 3,
    });
    const state = runOf(plan, strokes);
    expect(state.bleeders[0]!.strokes).toBe(3);
    expect(state.bledMl).toBe(0);
    expect(opening!.fillMl.value).toBeGreaterThan(3 * opening!.strokeMl.value);
    expect(opening!.neededMl.value).toBeCloseTo(
      opening!.fillMl.value + 3 * opening!.pathVolumeMl.value,
      9,
    );
    expect(opening!.bledMl.value).toBeCloseTo(
      opening!.strokes.value * opening!.strokeMl.value - opening!.fillMl.value,
      9,
    );
  });

  test('the call comes where full strokes would ask for it, not bleeding strokes', () => {
    const plan = planned(layoutOf('motorcycle-front-disc'));
    const state = started(plan);
    const step = nextStep(state);
    if (step.kind !== 'stroke') throw new Error(step.kind);
    const { opening } = step;
    expect(opening.mostStrokeMl.value).toBeGreaterThan(opening.strokeMl.value);
    const reservoir = plan.reservoirs[0]!;
    expect(step.strokesUntilTopUp).toBe(
      Math.floor((reservoir.maxMl - reservoir.topUpLevelMl.value) / opening.mostStrokeMl.value),
    );
    // A fill makes the level known again.
    const filled = runOf(
      plan,
      [
        { kind: 'stroke', openingId: opening.id },
        { kind: 'topped up', reservoirId: 'reservoir', containerId: null },
      ],
      state,
    );
    expect(filled.leastMl.reservoir).toBe(reservoir.maxMl);
  });
});

describe('parts that come off on the way', () => {
  const ids = (() => {
    let n = 0;
    return () => `id-${++n}`;
  })();
  const follow = (plan: Plan, more = {}) =>
    followCalls(plan, { deviceId: 'phone', nextId: ids, startMs: 0, ...more });
  const part = (partId: string) => ({ partId, cappedAtOnce: true, keptFull: true, newPart: true });

  test('behind a hold point the second part is on until the first was proved, and empty from then on', () => {
    const clutch = layoutOf('clutch-external');
    const [slave, hose] = ['slave', 'slave-hose'].map((id) =>
      [...clutch.nodes, ...clutch.stretches].find((x) => x.id.includes(id) || x.id === id),
    );
    const parts = [part(slave!.id), part((hose ?? clutch.stretches.at(-1)!).id)];
    const plan = planned(clutch, {
      work: { ...routineFlush(allMasters(clutch)), purpose: 'after work', parts },
    });
    const hold = plan.stages.find((s) => s.kind === 'hold point')!;
    expect(plan.inside[parts[0]!.partId]!.emptyMl).toBeGreaterThan(0);
    expect(plan.inside[parts[1]!.partId]!.emptyMl).toBe(0);
    const before = runOf(plan, follow(plan, { until: 'hold point' }));
    expect(before.empties).toEqual({});
    const after = runOf(plan, [{ kind: 'stage done', stageId: hold.id }], before);
    const secondMl = volumesMl(clutch).get(parts[1]!.partId)!;
    expect(after.empties).toEqual({ [parts[1]!.partId]: secondMl });
    const held = new RunFluid(plan).after(after.log).inside()[parts[1]!.partId]!;
    expect(held.emptyMl).toBeCloseTo(secondMl, 9);
    // The plan reckoned with it at the second bleed, not at the first.
    const fills = plan.openings.map((s) => s.fillMl.value);
    expect(fills[0]).toBeCloseTo(volumesMl(clutch).get(parts[0]!.partId)!, 9);
    expect(fills.reduce((a, b) => a + b, 0)).toBeCloseTo(fills[0]! + secondMl, 9);
  });

  test('a snapped bleeder: its part is renewed, and the rest reckons with it empty', () => {
    const plan = planned(layoutOf('hatchback-diagonal'));
    const first = plan.openings[0]!;
    const begun = follow(plan, { strokes: 2 });
    const state = runOf(plan, [
      ...begun,
      { id: 'h', kind: 'halted', reason: 'snapped', openingId: first.id },
      { id: 'd', kind: 'decided', haltId: 'h', decision: 'plan anew' },
    ]);
    const at = first.bleeder.at;
    const volumeMl = volumesMl(plan.layout).get(at)!;
    expect(state.plan.inside[at]!.emptyMl).toBeCloseTo(volumeMl, 9);
    expect(state.empties[at]).toBeCloseTo(volumeMl, 9);
    expect(
      state.plan.openings.find((s) => s.bleeder.id === first.bleeder.id)!.fillMl.value,
    ).toBeCloseTo(volumeMl, 9);
    expect(new RunFluid(plan).after(state.log).inside()[at]!.emptyMl).toBeCloseTo(volumeMl, 9);
  });

  test('a run leaves its fill with its date; what was bled clear holds no air, what was not may', () => {
    const layout = layoutOf('hatchback-diagonal');
    const plan = planned(layout, {
      work: { ...routineFlush(['master']), purpose: 'soft pedal' },
    });
    const whole = runOf(plan, follow(plan));
    const left = insideAfter(whole, 77, 'DOT 4');
    expect(Object.values(left).every((c) => c.newMl === 0)).toBe(true);
    expect(left.reservoir!.old.some((p) => p.lot.filledAtMs === 77)).toBe(true);
    for (const b of layout.bleeders) expect(left[b.at]!.mayHoldAir).toBe(false);
    const some = runOf(plan, follow(plan, { strokes: 5 }));
    const last = plan.openings.at(-1)!.bleeder.at;
    expect(insideAfter(some, 77, 'DOT 4')[last]!.mayHoldAir).toBe(true);
  });

  test('the closed pockets keep their fluid whatever is bled, and hold what the modulator holds once the tool cycled', () => {
    const layout = layoutOf('hatchback-diagonal');
    const unit = layout.nodes.find((n) => n.kind === 'modulator')!;
    const flush = planned(layout);
    const bled = insideAfter(runOf(flush, follow(flush)), 77, 'DOT 4');
    expect(bled[pocketsOf(unit.id)]!.old.map((p) => p.lot.filledAtMs)).toEqual([null]);
    const renewed = planned(layout, {
      work: { ...routineFlush(['master']), renewPockets: true },
    });
    expect(renewed.stages.some((s) => s.kind === 'tool cycle')).toBe(true);
    const cycled = insideAfter(runOf(renewed, follow(renewed)), 77, 'DOT 4');
    const [most] = cycled[pocketsOf(unit.id)]!.old;
    expect(most!.lot.filledAtMs).toBe(77);
    expect(volumeMl(cycled[pocketsOf(unit.id)]!)).toBeCloseTo(
      volumeMl(bled[pocketsOf(unit.id)]!),
      9,
    );
    // Left out by a decision, nothing was exchanged.
    const tool = renewed.stages.find((s) => s.kind === 'tool cycle')!;
    const before = runOf(renewed, follow(renewed, { until: 'tool cycle' }));
    const skipped = runOf(
      renewed,
      [{ kind: 'stage skipped', stageId: tool.id, reason: 'No tool today.' }],
      before,
    );
    expect(
      insideAfter(skipped, 77, 'DOT 4')[pocketsOf(unit.id)]!.old[0]!.lot.filledAtMs,
    ).toBeNull();
  });
});

describe('a reservoir that is kept full', () => {
  const means = { ...EVERYTHING, selfRefilling: true };
  const CAR = layoutOf('hatchback-diagonal');

  // A pot that holds the job's fluid, or a bottle that refills by itself, takes no top-up: common practice, no source.
  test.each([
    ['pressure', EVERYTHING, true],
    ['vacuum', EVERYTHING, false],
    ['vacuum', means, true],
    ['gravity', means, true],
    ['two people', means, true],
    ['two people', EVERYTHING, false],
    ['reverse', means, false],
  ] as const)('%s with %o: %s', (method, at, selfFed) => {
    const plan = planned(CAR, { method, means: at });
    const fed = plan.openings.filter((s) => s.method === method);
    expect(fed.map((s) => s.selfFed === true)).toEqual(fed.map(() => selfFed));
    if (!selfFed) return;
    expect(plan.totals.topUps.value).toBe(0);
    const events = followCalls(plan, { deviceId: 'p', nextId: () => `m${++made}`, startMs: 0 });
    expect(events.some((e) => e.kind === 'topped up')).toBe(false);
    const state = runOf(plan, events as never);
    expect(nextStep(state).kind).toBe('finished');
    expect(state.levelMl.reservoir).toBe(plan.reservoirs[0]!.maxMl);
    // What was bled came out of it, with the first fill and the rinse.
    expect(state.pouredMl).toBeCloseTo(state.removedMl + state.bledMl, 6);
  });

  test('what drips by gravity is waiting, what a hand moves is not', () => {
    const slow = planned(CAR, { method: 'gravity', means });
    const [stage] = slow.stages.filter((s) => s.kind === 'bleed');
    expect(stage!.minutes.value).toBeCloseTo(4 * slow.preferences.minutesPerBleeder, 9);
    const seconds = slow.openings.reduce((sum, s) => sum + s.strokes.value * s.secondsPerStroke, 0);
    expect(slow.totals.waitingMinutes.value).toBeCloseTo(seconds / 60, 9);
    expect(planned(CAR, { method: 'two people' }).totals.waitingMinutes.value).toBe(0);
  });
});

// One volume of the path is the least, three are usual, five not rare: common practice, no source.
describe('a sweep after a part ends by its bubbles, within its band', () => {
  const layout = layoutOf('hatchback-diagonal');
  const plan = planned(layout, {
    work: {
      ...routineFlush(allMasters(layout)),
      purpose: 'after work',
      parts: [{ partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true, newPart: true }],
    },
  });
  const opening = plan.openings[0]!;
  const [least, most] = [leastCounts(opening), mostCounts(opening)];
  /** Some strokes at it, read as somebody sees them, topped up where it is called for. */
  const after = (strokes: number, reading: 'none' | 'some'): RunState => {
    let n = 0;
    const begin = followCalls(plan, {
      deviceId: 'phone',
      nextId: () => `b${++n}`,
      startMs: 0,
      strokes: 0,
    });
    let state = runOf(plan, begin as never);
    for (let made = 0; made < strokes; ) {
      const step = nextStep(state);
      if (step.kind === 'top up')
        state = foldEvent(
          state,
          event({ kind: 'topped up', reservoirId: step.reservoir.id, containerId: null }, plan.id),
        );
      else {
        state = foldEvent(state, event({ kind: 'stroke', openingId: opening.id }, plan.id));
        if (++made < strokes) state = read(state, reading);
      }
    }
    return state;
  };
  const read = (state: RunState, reading: 'none' | 'some') =>
    foldEvent(state, event({ kind: 'bubbles', openingId: opening.id, reading }, plan.id));

  test('it is planned with fill and three volumes, between fill and one and fill and five', () => {
    const [fill, path] = [opening.fillMl.value, opening.pathVolumeMl.value];
    expect(fill).toBeGreaterThan(0);
    expect(opening.neededMl.value).toBeCloseTo(fill + 3 * path, 9);
    expect(least).toBe(Math.ceil((fill + path) / opening.strokeMl.value));
    expect(most).toBe(Math.ceil((fill + 5 * path) / opening.strokeMl.value));
    expect(least).toBeLessThan(opening.strokes.value);
    expect(most).toBeGreaterThan(opening.strokes.value);
  });

  test('clear, it may be shut from its least on, and not before', () => {
    expect(nextStep(read(after(least - 1, 'none'), 'none'))).toMatchObject({
      kind: 'stroke',
      strokesLeft: 1,
    });
    expect(nextStep(after(least, 'none')).kind).toBe('read');
    expect(nextStep(read(after(least, 'none'), 'none')).kind).toBe('shut');
  });

  test('not clear it goes on, and past its most somebody is asked what is wrong', () => {
    const still = read(after(most - 1, 'some'), 'some');
    expect(still.halts).toEqual([]);
    expect(['more strokes', 'top up']).toContain(nextStep(still).kind);
    const over = after(most, 'some');
    expect(over.halts).toMatchObject([{ reason: 'air never ends', decision: null }]);
    expect(nextStep(over).kind).toBe('decide');
    // Clear at last, nothing is asked.
    expect(read(after(most - 1, 'some'), 'none').halts).toEqual([]);
    expect(after(most, 'none').halts).toEqual([]);
  });

  test('what only primes, or goes round again, ends by its count', () => {
    const dry = planned(layout, {
      work: { ...routineFlush(allMasters(layout)), purpose: 'new or dry' },
    });
    const banded = (purpose: string) =>
      dry.stages.flatMap((s) =>
        s.kind === 'bleed' && s.purpose === purpose
          ? s.openingIds.map((id) => dry.openings.find((x) => x.id === id)!.band !== undefined)
          : [],
      );
    expect(new Set(banded('prime'))).toEqual(new Set([false]));
    expect(new Set(banded('bleed'))).toEqual(new Set([true]));
    expect(new Set(banded('in turn until clear'))).toEqual(new Set([false]));
    const flush = planned(layout).openings[0]!;
    expect([leastCounts(flush), mostCounts(flush)]).toEqual([flush.strokes.value, Infinity]);
  });
});
