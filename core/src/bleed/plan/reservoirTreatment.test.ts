import { type Layout } from '../../vehicle/circuit';
import { layoutTemplates } from '../../vehicle/circuit/templates';
import { rinsesOf } from '../../hydraulics/order';
import {
  afterWork,
  allMasters,
  carefulMaster,
  layoutOf,
  planned,
  runOf,
  type LooseEvent,
} from '../../testing';
import { followCalls, RunFluid } from '../../job/run';
import { routineFlush } from '../scope';
import { CircuitFluid } from '../../hydraulics/washout';
import {
  RESERVOIR_WAY_WORDS,
  reservoirWayPrices,
  preparationWords,
  rinseWords,
  type Plan,
} from '.';

const CAR = layoutOf('hatchback-diagonal');
const PLAN = planned(CAR);
const fluidOut = (plan: Plan) => plan.totals.pouredMl.value;
const calls = (plan: Plan) => {
  let n = 0;
  return followCalls(plan, { deviceId: 'p', nextId: () => `e${++n}`, startMs: 0 }) as LooseEvent[];
};

// m mL leave rest²/(rest + m) of the old, by mixing: of a rest of 25 mL two rinses of 25 leave 6.25, one of 50 leaves 8.33. Arithmetic.
test.each([
  [[25, 25], 6.25],
  [[50], 8.333],
  [[25], 12.5],
])('rinsed with %j mL, 25 mL of old fluid leave %f', (rinses, leftMl) => {
  const layout: Layout = {
    ...CAR,
    masters: CAR.masters.map((m) => ({
      ...m,
      chambers: m.chambers.map((c) => ({ ...c, outlet: { ...c.outlet, airDrawnMl: 25 } })),
    })),
  };
  const fluid = new CircuitFluid(layout);
  fluid.emptyReservoir('reservoir');
  for (const ml of rinses) fluid.rinseReservoir('reservoir', ml);
  expect(fluid.levelMl('reservoir')).toBe(25);
  expect(25 - fluid.newFluidMl().reservoirs).toBeCloseTo(leftMl, 3);
});

test('a small rinse is as much as the rest, to a mark of the syringe, and fits in the reservoir', () => {
  const reservoir = { id: 'b', maxMl: 200 } as Parameters<typeof rinsesOf>[1][number];
  const ml = (airDrawnMl: number, maxMl = 200) =>
    rinsesOf('two rinses', [{ ...reservoir, airDrawnMl, maxMl }])[0]!;
  expect(ml(20)).toEqual({ reservoirId: 'b', times: 2, ml: 20 });
  expect(ml(21).ml).toBe(25);
  expect(ml(0).ml).toBe(5);
  expect(ml(20, 30).ml).toBe(10);
  expect(rinsesOf('second fill', [{ ...reservoir, airDrawnMl: 20 }])).toEqual([
    { reservoirId: 'b', times: 1, ml: 180 },
  ]);
  expect(rinsesOf('wipe', [reservoir])).toEqual([]);
});

describe('the way that a plan takes', () => {
  const templates = layoutTemplates
    .map((t) => t.id)
    .filter((id) => layoutOf(id).abs !== 'high pressure');
  test.each(templates)('%s: no way is quicker at no more fluid', (id) => {
    const plan = planned(layoutOf(id));
    const { treatment } = plan;
    if (!treatment) return expect(plan.preparation).not.toContain('clean reservoir');
    const rows = reservoirWayPrices(plan);
    const plain = rows.find((r) => r.way === 'nothing')!;
    const taken = rows.find((r) => r.way === treatment.way)!;
    expect(treatment.price).toEqual(taken);
    expect(treatment.plain).toEqual(plain);
    expect(taken.fluidMl).toBeLessThanOrEqual(plain.fluidMl + 1e-6);
    for (const r of rows)
      if (r.fluidMl <= plain.fluidMl)
        expect(r.minutes).toBeGreaterThanOrEqual(taken.minutes - 1e-6);
    expect(taken.minutes - taken.reservoirMinutes).toBeCloseTo(
      plan.stages.reduce((sum, s) => sum + s.minutes.value, 0),
      6,
    );
  });

  // The first wheel pumps until the whole reservoir is clean: often twice its own strokes. Common practice, no source.
  test('the first wheel of a hatchback takes a third less strokes, and the job less fluid', () => {
    const plain = planned(CAR, { preferences: { reservoirWay: 'nothing' } });
    expect(plain.treatment).toMatchObject({ way: 'nothing', by: 'house rule' });
    expect(plain.preparation).not.toContain('clean reservoir');
    expect(PLAN.treatment!.by).toBe('cheapest');
    expect(PLAN.preparation).toContain('clean reservoir');
    expect(PLAN.openings[0]!.strokes.value).toBeLessThan(
      (2 / 3) * plain.openings[0]!.strokes.value,
    );
    expect(fluidOut(PLAN)).toBeLessThan(fluidOut(plain));
    expect(PLAN.totals.minutes.value).toBeLessThan(plain.totals.minutes.value);
  });

  test('a fixed way is kept, whatever it costs', () => {
    for (const reservoirWay of ['two rinses', 'second fill', 'wipe'] as const) {
      const plan = planned(CAR, { preferences: { reservoirWay } });
      expect(plan.treatment).toMatchObject({ way: reservoirWay, by: 'house rule' });
      expect(plan.preparation).toContain('clean reservoir');
      expect(preparationWords(plan, 'clean reservoir')).toBe(RESERVOIR_WAY_WORDS[reservoirWay]);
    }
    const wiped = planned(CAR, { preferences: { reservoirWay: 'wipe' } });
    expect(wiped.treatment!.price.counts).toBe(wiped.treatment!.plain.counts);
  });

  test('nothing is wiped past a screen: the plan finds another way', () => {
    const screened = { ...CAR, reservoirs: CAR.reservoirs.map((b) => ({ ...b, screen: true })) };
    const plan = planned(screened, { preferences: { reservoirWay: 'wipe' } });
    expect(plan.treatment).toMatchObject({ way: PLAN.treatment!.way, by: 'screen in the way' });
    expect(reservoirWayPrices(plan).map((r) => r.way)).not.toContain('wipe');
    expect(reservoirWayPrices(PLAN).map((r) => r.way)).toContain('wipe');
  });

  test('none where the reservoir is not drawn off: a part job, a dry system, a new master, the rest of a run', () => {
    const part = { partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true };
    const dry = { ...routineFlush(allMasters(CAR)), purpose: 'new or dry' as const };
    const master = carefulMaster('master');
    for (const work of [afterWork(CAR, { parts: [part] }), dry, afterWork(CAR, { master })]) {
      const plan = planned(CAR, { work });
      expect([plan.treatment, plan.preparation.includes('clean reservoir')]).toEqual([null, false]);
      expect(reservoirWayPrices(plan)).toEqual([]);
    }
  });
});

describe('in the run', () => {
  const prepared = (plan: Plan) => {
    const events = calls(plan);
    const at = events.findIndex((e) => e.kind === 'prepared' && e.step === 'fill reservoir');
    return events.slice(0, at + 1);
  };

  test('what is poured in to rinse and drawn off again is in both sums, and the level is as before', () => {
    const state = runOf(PLAN, prepared(PLAN));
    const [reservoir] = PLAN.reservoirs;
    const rinsed = PLAN.treatment!.rinses.reduce((sum, r) => sum + r.ml * r.times, 0);
    expect(rinsed).toBeGreaterThan(0);
    expect(state.removedMl).toBeCloseTo(reservoir!.maxMl - reservoir!.airDrawnMl + rinsed, 9);
    expect(state.pouredMl).toBeCloseTo(state.removedMl, 9);
    expect(state.levelMl.reservoir).toBe(reservoir!.maxMl);
    expect(PLAN.totals.removedMl.value).toBeCloseTo(state.removedMl, 9);
    const whole = runOf(PLAN, calls(PLAN));
    expect(whole.pouredMl).toBeCloseTo(PLAN.totals.pouredMl.value, 6);
  });

  test('what is inside afterwards is what the plan reckons with', () => {
    const fluid = new RunFluid(PLAN).after(runOf(PLAN, prepared(PLAN)).log);
    const { ml, times } = PLAN.treatment!.rinses[0]!;
    const [reservoir] = PLAN.reservoirs;
    const left =
      reservoir!.airDrawnMl * (reservoir!.airDrawnMl / (reservoir!.airDrawnMl + ml)) ** times;
    expect(reservoir!.maxMl - fluid.newFluidMl().reservoirs).toBeCloseTo(left, 9);
  });

  test('the step says how much and how often, reservoir by reservoir', () => {
    expect(rinseWords(PLAN.treatment!, PLAN.reservoirs)).toBe(
      'Pour in 20 mL, stir with the syringe’s jet, draw it off to the same level. Three times.',
    );
    const two = planned(layoutOf('sidecar-outfit'), {
      preferences: { reservoirWay: 'two rinses' },
    });
    const words = rinseWords(two.treatment!, two.reservoirs);
    for (const b of two.reservoirs) expect(words).toContain(`${b.name}: pour in`);
    expect(words.match(/Twice\./g)).toHaveLength(two.reservoirs.length);
  });
});
