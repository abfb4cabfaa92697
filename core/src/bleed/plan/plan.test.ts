import { followCalls, nextStep } from '../../job/run';
import fc, { pre } from 'fast-check';
import { paths, type DriverSide, type Layout } from '../../vehicle/circuit';
import { layoutTemplates } from '../../vehicle/circuit/templates';
import type { Figure } from '../../base/figure';
import type { Method } from '../../hydraulics/flow';
import { DEFAULT_RULES } from '../rules';
import { routineFlush } from '../scope';
import {
  afterWork,
  arbitraryLayout,
  carefulMaster,
  countingIds,
  gateOn,
  layoutOf,
  NOBODY_LOOKED,
  planned,
  planOf,
  runOf,
} from '../../testing';
import { mixedVolumesFor } from '../../hydraulics/washout';
import { strokeVolume } from '../../hydraulics/order';
import { orderWords } from '../order';
import {
  planBleed,
  planPreferences,
  planGlance,
  toTakeAlong,
  preparationWords,
  refusalWords,
  rulesForPlan,
  type PlanRequest,
  type PlanResult,
} from '.';

const request = (layout: Layout, more: Partial<PlanRequest> = {}): PlanRequest => ({
  layout,
  fillGrade: 'DOT 4',
  newColour: 'straw',
  ...more,
});
const order = (...args: Parameters<typeof planOf>) =>
  planOf(...args).openings.map((s) => s.bleeder.place);
const refusals = (result: PlanResult) => (result.verdict === 'refused' ? result.reasons : []);

describe('strokes', () => {
  // πd²/4 · stroke by hand: 20.6 mm bore is 333.3 mm², times 16 mm is 5.33 mL.
  test('one stroke is bore area times the smaller stroke', () => {
    const chamber = layoutOf('hatchback-diagonal').masters[0]!.chambers.find(
      (c) => c.id === 'secondary',
    )!;
    expect(strokeVolume(chamber).value).toBeCloseTo(5.333, 3);
    expect(strokeVolume({ ...chamber, bleedStrokeMm: 8 }).value).toBeCloseTo(5.333 / 2, 3);
  });
});

describe('order', () => {
  // Farthest by the fluid's way first: common practice, no source.
  test.each<[Parameters<typeof planOf>[0], DriverSide, string[]]>([
    ['hatchback-diagonal', 'right', ['left rear', 'right rear', 'left front', 'right front']],
    ['hatchback-diagonal', 'left', ['right rear', 'left rear', 'right front', 'left front']],
    ['veteran-single', 'right', ['left rear', 'right rear', 'left front', 'right front']],
    ['motorcycle-front-disc', 'middle', ['front']],
  ])('%s with the driver %s', (id, side, expected) => {
    expect(order(id, side)).toEqual(expected);
  });

  test('the estate’s driver side mirrors the order of the fronts', () => {
    const fronts = (side: DriverSide) => order('estate-front-rear', side).slice(2);
    expect(fronts('left')).toEqual([...fronts('right')].reverse());
  });

  test('no path comes after a shorter one, and each says why', () => {
    fc.assert(
      fc.property(arbitraryLayout, (layout) => {
        const result = planBleed(request(layout));
        pre(result.verdict === 'planned');
        const lengths = result.plan.openings.map((s) => Math.round(s.pathLengthM.value * 100));
        expect(lengths).toEqual([...lengths].sort((a, b) => b - a));
        for (const s of result.plan.openings) expect(orderWords(s.why)).toMatch(/m|only/);
      }),
      { numRuns: 40 },
    );
  });

  test('of equal paths the side away from the driver comes first, and the words say so', () => {
    const layout = layoutOf('estate-front-rear', 'right');
    const length = (place: string) => paths(layout).find((p) => p.bleeder.place === place)!;
    const longer =
      length('left front').lengthM.value > length('right front').lengthM.value ? 'left' : 'right';
    const differ = Math.round(
      Math.abs(length('left front').lengthM.value - length('right front').lengthM.value) * 1000,
    );
    const even: Layout = {
      ...layout,
      stretches: layout.stretches.map((s) =>
        s.id === `${longer}-front-line` ? { ...s, lengthMm: s.lengthMm - differ } : s,
      ),
    };
    const openings = planOf(even).openings.filter((s) => s.bleeder.place.endsWith('front'));
    expect(openings.map((s) => s.bleeder.place)).toEqual(['left front', 'right front']);
    expect(openings[0]!.why.code).toBe('equal, away from the driver');
    expect(orderWords(openings[0]!.why)).toContain('away from the driver');
  });
});

describe('what must always hold', () => {
  test('every reachable bleeder appears once', () => {
    fc.assert(
      fc.property(arbitraryLayout, (layout) => {
        const result = planBleed(request(layout));
        pre(result.verdict === 'planned');
        expect(result.plan.openings.map((s) => s.bleeder.id).sort()).toEqual(
          layout.bleeders.map((b) => b.id).sort(),
        );
      }),
      { numRuns: 40 },
    );
  });

  test('what is poured is what was removed and bled, and the change of the reservoir', () => {
    fc.assert(
      fc.property(arbitraryLayout, (layout) => {
        const result = planBleed(request(layout));
        pre(result.verdict === 'planned');
        const { totals, reservoirs, openings } = result.plan;
        expect(totals.bledMl.value).toBeCloseTo(
          openings.reduce((sum, s) => sum + s.strokes.value * s.strokeMl.value, 0),
          6,
        );
        // The cars of this test end at MAX, where they began.
        expect(reservoirs.every((b) => b.finalLevelMl === b.maxMl)).toBe(true);
        expect(totals.pouredMl.value).toBeCloseTo(totals.removedMl.value + totals.bledMl.value, 6);
      }),
      { numRuns: 40 },
    );
  });

  test('the strokes are enough, and one fewer is not', () => {
    fc.assert(
      fc.property(arbitraryLayout, (layout) => {
        const result = planBleed(request(layout));
        pre(result.verdict === 'planned');
        for (const s of result.plan.openings) {
          expect(s.strokes.value * s.strokeMl.value).toBeGreaterThanOrEqual(
            s.neededMl.value - 1e-9,
          );
          // Three must be clear at every bleeder, whatever the wash-out needs.
          if (s.strokes.value > 3)
            expect((s.strokes.value - 1) * s.strokeMl.value).toBeLessThanOrEqual(
              s.neededMl.value + 1e-9,
            );
        }
      }),
      { numRuns: 40 },
    );
  });

  test('the same request gives the same plan, and a plan survives being stored', () => {
    const plan = planOf('hatchback-diagonal');
    expect(planOf('hatchback-diagonal')).toEqual(plan);
    expect(JSON.parse(JSON.stringify(plan))).toEqual(plan);
  });
});

describe('amounts', () => {
  test('a harder target takes more and leaves less', () => {
    const at = (outletTarget: number) => {
      const result = planBleed(
        request(layoutOf('hatchback-diagonal'), { preferences: { outletTarget } }),
      );
      if (result.verdict === 'refused') throw new Error('refused');
      return result.plan.totals;
    };
    expect(at(0.99).bledMl.value).toBeGreaterThan(at(0.95).bledMl.value);
    expect(at(0.99).oldLeftMl.value).toBeLessThan(at(0.95).oldLeftMl.value);
  });

  // A tank behind nothing but a short wide line: the closed form −ln 0.02 volumes bounds it from below (Levenspiel).
  test('a motorcycle needs at least the volumes that its caliper alone would need', () => {
    const opening = planOf('motorcycle-front-disc').openings[0]!;
    expect(opening.neededMl.value).toBeGreaterThan(mixedVolumesFor(0.98) * 15);
  });

  test('old fluid in closed pockets is said where there is a modulator and nowhere else', () => {
    expect(planOf('hatchback-diagonal').totals.pocketsMl.value).toBe(10);
    expect(planOf('estate-front-rear').totals.pocketsMl.value).toBe(0);
  });

  test('a car ends at MAX, a motorcycle midway', () => {
    expect(planOf('veteran-single').reservoirs[0]!.finalLevelMl).toBe(240);
    expect(planOf('motorcycle-front-disc').reservoirs[0]!.finalLevelMl).toBe((32 + 12) / 2);
  });

  test('the head of a plan says the same minutes as its timeline, with what is done at the reservoir', () => {
    const plan = planOf('hatchback-diagonal');
    const { handsOn, people, litres, bleeders, before } = planGlance(plan);
    expect(handsOn.value).toBeCloseTo(15 + plan.totals.minutes.value, 9);
    expect([people, bleeders, before]).toEqual([2, 4, []]);
    expect(litres.value).toBeCloseTo(plan.totals.pouredMl.value / 1000, 9);
    const seized = planned({
      ...plan.layout,
      bleeders: plan.layout.bleeders.map((b, i) => ({ ...b, seat: i === 0 ? 'seized' : b.seat })),
    });
    expect(planGlance(seized).before.map((t) => t.what)).toEqual([
      'Penetrant on the bleeders left front',
    ]);
    expect(planGlance(planned(plan.layout, { method: 'alone, bottle' })).people).toBe(1);
  });

  // One more pass at the longest bleeder: common practice of ours, a house rule.
  test('what is taken along has one more pass at the longest bleeder, or nothing more', () => {
    const plan = planOf('hatchback-diagonal');
    const longest = plan.openings.reduce((a, b) =>
      b.pathLengthM.value > a.pathLengthM.value ? b : a,
    );
    expect(toTakeAlong(plan).value).toBeCloseTo(
      plan.totals.pouredMl.value + longest.pathVolumeMl.value,
      9,
    );
    const bare = planned(plan.layout, { preferences: { pickMargin: 'none' } });
    expect(toTakeAlong(bare)).toBe(bare.totals.pouredMl);
    const look = { ...routineFlush(['master']), purpose: 'look and prove' as const };
    const nothing = planned(plan.layout, { work: look });
    expect(toTakeAlong(nothing).value).toBe(nothing.totals.pouredMl.value);
  });

  test('minutes follow from their house rules', () => {
    const { totals, openings, preferences, treatment } = planOf('hatchback-diagonal');
    const byHand =
      treatment!.price.reservoirMinutes +
      openings.length * preferences.minutesPerBleeder +
      (totals.strokes.value * preferences.secondsPerStrokeTwoPeople) / 60 +
      totals.topUps.value * preferences.minutesPerTopUp;
    expect(totals.minutes.value).toBeCloseTo(byHand, 9);
  });
});

describe('every figure says where it comes from', () => {
  const walk = (f: Figure, visit: (f: Figure) => void): void => {
    visit(f);
    f.from.forEach((part) => walk(part, visit));
  };

  test.each([
    'hatchback-diagonal',
    'estate-front-rear',
    'veteran-single',
    'motorcycle-front-disc',
  ] as const)('%s', (id) => {
    const plan = planOf(id);
    const all = [
      ...Object.values(plan.totals),
      ...plan.reservoirs.map((b) => b.topUpLevelMl),
      ...plan.openings.flatMap((s) => [
        s.pathLengthM,
        s.pathVolumeMl,
        s.strokeMl,
        s.neededMl,
        s.strokes,
        s.bledMl,
        s.oldLeftMl,
      ]),
    ];
    for (const top of all) {
      walk(top, (f) => {
        expect(f.label).not.toBe('');
        expect(f.rule).not.toBe('');
        // Arithmetic is arithmetic on something; only an empty sum may have nothing under it.
        if (
          f.source.kind === 'arithmetic' &&
          f.value !== 0 &&
          !f.rule.includes('πd²/4') &&
          !f.rule.endsWith('opens in its own row')
        )
          expect(f.from.length).toBeGreaterThan(0);
      });
    }
  });
});

describe('refusals', () => {
  test('a faulty layout is refused with its faults', () => {
    const base = layoutOf('hatchback-diagonal');
    const [reason] = refusals(
      planBleed(
        request({ ...base, stretches: base.stretches.map((s) => ({ ...s, lengthMm: 40_000 })) }),
      ),
    );
    expect(reason).toMatchObject({ code: 'bad layout' });
    expect(refusalWords(base, reason!)).toContain('40000 mm');
  });

  test('a reservoir too small for one stroke is refused', () => {
    const base = layoutOf('motorcycle-front-disc');
    const layout: Layout = {
      ...base,
      reservoirs: [{ ...base.reservoirs[0]!, maxMl: 11, minMl: 6 }],
    };
    expect(refusals(planBleed(request(layout)))).toMatchObject([
      { code: 'no stroke before top-up', element: 'reservoir' },
    ]);
  });

  test('a path that would never run new is refused by name', () => {
    const base = layoutOf('motorcycle-front-disc');
    const layout: Layout = {
      ...base,
      nodes: base.nodes.map((n) => (n.kind === 'caliper' ? { ...n, cavityMl: 200 } : n)),
      masters: base.masters.map((m) => ({
        ...m,
        chambers: m.chambers.map((c) => ({ ...c, boreMm: 8, bleedStrokeMm: 4 })),
      })),
    };
    expect(refusals(planBleed(request(layout)))).toMatchObject([
      { code: 'never new', element: 'front' },
    ]);
  });

  test.each([
    { outletTarget: 1 },
    { outletTarget: 0.4 },
    { minutesPerBleeder: -1 },
    { secondsPerStrokeLever: NaN },
    { secondsPerStrokeBottle: 0.9 },
    { secondsPerStrokeTwoPeople: 61 },
    { minutesPerTopUp: 60.1 },
  ])('house rule %j is refused', (given) => {
    expect(() => planPreferences(given)).toThrow(/give/);
  });

  // 90, 95 and 98 % are the steps of the trade; 95 is where more strokes begin to buy little: common practice, no source.
  test.each([
    ['90', 0.9],
    ['95', 0.95],
    ['98', 0.98],
  ] as const)('house rule "%s %% new" is what the plan wants at the outlet', (rule, target) => {
    const rules = rulesForPlan({ ...DEFAULT_RULES, newAtOutlet: rule });
    expect(planPreferences(rules).outletTarget).toBe(target);
    expect(planPreferences().outletTarget).toBe(0.95);
  });

  test('what the workshop knows of its own times goes into the minutes; alone with a bottle one walks', () => {
    const byMethod = (method: Method, preferences: object) =>
      planned(layoutOf('hatchback-diagonal'), { method, preferences });
    const minutes = (method: Method, preferences: object) =>
      byMethod(method, preferences).stages.find((x) => x.kind === 'bleed')!.minutes.value;
    const bottle = byMethod('alone, bottle', {});
    const strokes = bottle.totals.strokes.value;
    const topUps = bottle.totals.topUps.value;
    // 4 min reach and hose, 2 min walking at each of four, 8 s a stroke, 1.5 min a top-up.
    expect(minutes('alone, bottle', {})).toBeCloseTo(
      4 * (4 + 2) + (strokes * 8) / 60 + topUps * 1.5,
      9,
    );
    const two = byMethod('two people', {});
    expect(minutes('two people', {})).toBeCloseTo(
      4 * 4 + (two.totals.strokes.value * 6) / 60 + two.totals.topUps.value * 1.5,
      9,
    );
    expect(minutes('alone, bottle', { secondsPerStrokeBottle: 10 })).toBeCloseTo(
      minutes('alone, bottle', {}) + (strokes * 2) / 60,
      9,
    );
    expect(minutes('two people', { minutesPerBleeder: 6, minutesPerTopUp: 2 })).toBeCloseTo(
      minutes('two people', {}) + 4 * 2 + two.totals.topUps.value * 0.5,
      9,
    );
  });
});

test('names decide nothing: a bleeder called "constructor" and a reservoir called "Reservoir" are planned like any other', () => {
  const layout = layoutOf('motorcycle-front-disc');
  const odd = {
    ...layout,
    bleeders: layout.bleeders.map((b) => ({ ...b, id: 'constructor' })),
    reservoirs: layout.reservoirs.map((b) => ({ ...b, name: 'Fluid in one stroke' })),
  };
  const plan = planOf(odd);
  expect(plan.openings.map((s) => s.strokes.value)).toEqual(
    planOf(layout).openings.map((s) => s.strokes.value),
  );
  const log = followCalls(plan, { deviceId: 'phone', nextId: countingIds(), startMs: 0 });
  const run = runOf(plan, log);
  expect(nextStep(run).kind).toBe('finished');
  // Nobody left it shut: the gate has nothing to say about it.
  expect(gateOn(run, NOBODY_LOOKED).reasons.map((r) => r.code)).not.toContain('bleeder left');
});

test('what is done before the first stroke is said in the vehicle’s own words', () => {
  const bike = planOf('motorcycle-clutch-bends');
  expect(preparationWords(bike, 'neutral').title).toBe('Gearbox in neutral, engine off');
  expect(preparationWords(bike, 'crack bleeders').title).toContain('the bleeder');
  const car = planOf('clutch-concentric');
  expect(preparationWords(car, 'neutral').title).toContain('parking brake');
  expect(preparationWords(car, 'crack bleeders').title).toContain('each bleeder');
});

describe('what is laid out and stood upon', () => {
  const whatOf = (plan: ReturnType<typeof planned>) => plan.materials.items.map((m) => m.what);

  // A load valve is shut while the axle hangs: common practice, no source.
  test('stands go under the axle where a load valve would hang', () => {
    const estate = layoutTemplates
      .map((t) => layoutOf(t.id))
      .find(
        (l) =>
          l.abs !== 'high pressure' &&
          l.nodes.some((n) => n.kind === 'valve' && n.valve === 'load'),
      )!;
    expect(preparationWords(planned(estate), 'stand').title).toContain('under the axle');
    expect(preparationWords(planOf('hatchback-diagonal'), 'stand').title).not.toContain('axle');
  });

  test('what holds pistons in, and what shuts the ports of a master, is in the list', () => {
    const layout = layoutOf('hatchback-diagonal');
    const part = { partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true };
    expect(whatOf(planned(layout, { work: afterWork(layout, { parts: [part] }) }))).toContain(
      'Block between the pads',
    );
    expect(whatOf(planned(layout))).not.toContain('Block between the pads');
    const low = {
      ...layout,
      bleeders: layout.bleeders.map((b) => ({ ...b, atTop: b.id !== 'left-rear' })),
    };
    expect(whatOf(planned(low))).toContain('Block between the pads');
    const master = carefulMaster('master');
    expect(whatOf(planned(layout, { work: afterWork(layout, { master }) }))).toContain(
      '2 plugs for its ports, caps for its lines',
    );
  });
});
