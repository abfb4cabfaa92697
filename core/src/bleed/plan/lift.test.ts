import { validateLayout, type FirstLayout } from '../../vehicle/circuit';
import { nextStep, followCalls } from '../../job/run';
import { routineFlush } from '../scope';
import { countingIds, layoutOf, planned, planOf, runOf } from '../../testing';
import { FIRST_PLAN, liftPlan, liftPlanResult, type FirstPlan, type StoredPlan } from '.';

/** A motorcycle as the first rules stored it. */
const FIRST: FirstLayout = {
  version: 1,
  name: 'Motorcycle',
  vehicleKind: 'motorcycle',
  driverSide: 'middle',
  reservoir: {
    heightMm: 1060,
    chambers: [{ id: 'bowl', name: 'Reservoir', maxMl: 32, minMl: 12, airDrawnMl: 5 }],
  },
  master: {
    name: 'Lever master',
    control: 'brake lever',
    heightMm: 1030,
    ratio: 6,
    chambers: [
      {
        id: 'single',
        name: 'Single chamber',
        boreMm: 14,
        fullStrokeMm: 14,
        bleedStrokeMm: 10,
        fedBy: 'bowl',
        port: 'outlet',
      },
    ],
  },
  nodes: [
    { kind: 'port', id: 'outlet', name: 'Master outlet', heightMm: 1020 },
    { kind: 'caliper', id: 'front-caliper', name: 'Caliper front', heightMm: 380, cavityMl: 15 },
  ],
  stretches: [
    {
      id: 'hose',
      name: 'Hose',
      kind: 'hose',
      from: 'outlet',
      to: 'front-caliper',
      lengthMm: 1100,
      insideMm: 3.2,
    },
  ],
  bleeders: [{ id: 'front', at: 'front-caliper', place: 'front', wrenchMm: 8, type: 'screw' }],
};

/** A plan as the first rules stored it: one stage, one opening of each bleeder, by the bleeder's id. */
function firstPlan(): FirstPlan {
  const made = planOf(layoutOf('motorcycle-front-disc'));
  const [stop] = made.stops;
  const { bowls, preparation, totals, fillGrade, newColour } = made;
  const { pathLengthM, pathVolumeMl, strokeMl, neededMl, bledMl, oldLeftMl } = stop!;
  return {
    rulesVersion: 2,
    fillGrade,
    newColour,
    layout: FIRST,
    bowls,
    preparation,
    totals: { bledMl: totals.bledMl, pouredMl: totals.pouredMl },
    stops: [
      {
        chamberId: 'single',
        bowlId: 'bowl',
        pathLengthM,
        pathVolumeMl,
        strokeMl,
        neededMl,
        bledMl,
        oldLeftMl,
        topUps: stop!.topUps,
        strokes: { ...stop!.strokes, value: 41 },
        bleeder: { id: 'front' },
      },
    ],
  };
}

test('a plan of the first rules keeps its figures, gets what plans say since, and its run can be followed to the end', () => {
  const lifted = liftPlan(firstPlan());
  expect(lifted).toMatchObject({
    id: FIRST_PLAN,
    rulesVersion: 2,
    stops: [
      { id: 'front', strokes: { value: 41 }, method: 'alone at the lever', counted: 'strokes' },
    ],
    stages: [{ kind: 'bleed', stopIds: ['front'] }],
  });
  expect(validateLayout(lifted.layout)).toEqual([]);
  expect(lifted.layout.version).toBe(2);
  const log = followCalls(lifted, { deviceId: 'phone', nextId: countingIds(), startMs: 0 });
  const run = runOf(lifted, log);
  expect(nextStep(run).kind).toBe('finished');
  expect(run.bleeders[0]!.strokes).toBe(41);
});

test('a figure that was not kept says so instead of standing there as if it were', () => {
  const { totals } = liftPlan(firstPlan());
  expect(totals.oldLeftMl.rule).toContain('not kept');
  expect(totals.bledMl.rule).not.toContain('not kept');
});

test('rules that would refuse it today refuse nothing that was stored', () => {
  // No stroke fits between MAX and MIN of such a bowl: planned anew it would be refused.
  const tiny = { ...FIRST.reservoir.chambers[0]!, maxMl: 13 };
  const stored = firstPlan();
  const layout: FirstLayout = { ...FIRST, reservoir: { ...FIRST.reservoir, chambers: [tiny] } };
  expect(() => liftPlan({ ...stored, layout })).not.toThrow();
});

test('plans in stages only get an id where they had none', () => {
  const made = planOf('hatchback-diagonal');
  const { id: _, ...without } = made;
  expect(liftPlan(without)).toEqual(made);
  expect(liftPlan(without, 'decision').id).toBe('decision');
  expect(liftPlan(made, 'decision')).toEqual(made);
});

test('a refusal that was stored stays one', () => {
  const refused = { verdict: 'refused' as const, reasons: [], methods: [] };
  expect(liftPlanResult(refused)).toBe(refused);
  expect(liftPlanResult({ verdict: 'planned', plan: firstPlan() })).toMatchObject({
    verdict: 'planned',
    plan: { id: FIRST_PLAN },
  });
});

test('a plan of the rules before 6 did not keep what is inside: it is what those rules reckoned with', () => {
  const asThen = (plan: ReturnType<typeof planOf>): StoredPlan => {
    const { inside: _, totals, stops, ...rest } = plan;
    const { filledMl: __, ...kept } = totals;
    return {
      ...rest,
      rulesVersion: 5,
      totals: kept,
      stops: stops.map(({ fillMl: ___, mostStrokeMl: ____, mostMlS: _____, ...stop }) => stop),
    };
  };
  const flush = planOf(layoutOf('motorcycle-front-disc'));
  const lifted = liftPlan(asThen(flush));
  expect(lifted).toMatchObject({ rulesVersion: 5, id: flush.id });
  expect(Object.values(lifted.inside).every((c) => c.emptyMl + c.unknownMl + c.newMl === 0)).toBe(
    true,
  );
  expect(runOf(lifted, []).levelMl).toEqual({ bowl: 32 });
  expect(lifted.stops[0]!.mostStrokeMl).toEqual(flush.stops[0]!.strokeMl);
  // What was dry then had its bowls at the outlet and counted as full of old fluid.
  const dry = planned(layoutOf('motorcycle-front-disc'), {
    work: { ...routineFlush(['master']), purpose: 'new or dry' },
  });
  const then = liftPlan(asThen(dry));
  expect(runOf(then, [])).toMatchObject({ levelMl: { bowl: 5 }, empties: {} });
  expect(then.totals.filledMl.value).toBe(0);
});
