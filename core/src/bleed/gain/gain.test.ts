import { type Sample, boilingPointC, limitsOf } from '../../fluid/verdict';
import { waterAfterPercent, MONTH_MS } from '../../fluid/ageing';
import { layoutTemplates } from '../../vehicle/circuit/templates';
import { newShareOf, oldMl, type Content } from '../../fluid/inside';
import { planEnd } from '../plan';
import { routineFlush } from '../scope';
import {
  afterWork,
  allMasters,
  cappedPart,
  layoutOf,
  planned,
  runOf,
  type LooseEvent,
} from '../../testing';
import { doneAt, followCalls, insideNow, missingAt, mayShutHere, restBuys } from '../../job/run';
import { leastCounts } from '../stages';
import { NEW_WATER_PERCENT, oldWater, planGain, waterOfLot, waterPercent } from '.';

const CAR = layoutOf('hatchback-diagonal');
const AT = Date.UTC(2026, 0, 1);
const SAMPLE: Sample = {
  point: 'reservoir',
  colour: 'amber',
  clarity: 'clear',
  foreign: null,
  dye: null,
  dropsInWater: null,
  water: null,
  boiling: null,
  copperPpm: null,
  pH: null,
  practice: false,
};
const of = (samples: Partial<Sample>[], inSystem: 'DOT 4' | 'DOT 5' | null = 'DOT 4') =>
  oldWater({
    samples: samples.map((s) => ({ ...SAMPLE, ...s })),
    inSystem,
    atMs: AT,
    climate: 'temperate',
  });
const wet = (percent: number) => ({ water: { percent, meterGrade: 'DOT 4' as const } });
const content = (oldMlOf: number, newMl: number, filledAtMs: number | null = null): Content => ({
  old: [{ lot: { grade: 'DOT 4', filledAtMs }, ml: oldMlOf }],
  newMl,
  emptyMl: 0,
  unknownMl: 0,
  mayHoldAir: false,
});

describe('water of the old fluid', () => {
  test('a measurement of this visit counts, at the wettest point', () => {
    const water = of([wet(2), { ...wet(3), point: 'left rear' }]);
    expect(water).toMatchObject({ by: 'measured', percent: { value: 3 } });
    expect(waterOfLot(water, { grade: 'DOT 4', filledAtMs: null })).toBe(3);
  });

  test('a measured boiling point stands for the water that brings it', () => {
    const water = of([{ boiling: { observedC: 180, ambientHpa: 1013 } }]);
    if (water.by !== 'measured') throw new Error('it was measured');
    expect(boilingPointC(limitsOf('DOT 4', null), water.percent.value)).toBeCloseTo(180, 6);
  });

  test.each<[string, Parameters<typeof of>]>([
    ['nothing measured', [[{}]]],
    ['a practice instrument', [[{ ...wet(2), practice: true }]]],
    ['a meter set to another grade', [[{ water: { percent: 2, meterGrade: 'DOT 3' } }]]],
    ['nobody knows what is inside', [[wet(2)], null]],
    ['silicone', [[wet(2)], 'DOT 5']],
  ])('%s: it goes by age', (_, args) => expect(of(...args)).toMatchObject({ by: 'age' }));

  // Temperate air brings 3 % in 24 months: common practice, no source.
  test('by age each fill has its own, and of no known age nobody knows', () => {
    const water = of([]);
    const lot = (months: number | null) => ({
      grade: 'DOT 4' as const,
      filledAtMs: months === null ? null : AT - months * MONTH_MS,
    });
    expect(waterOfLot(water, lot(24))).toBeCloseTo(3, 6);
    expect(waterOfLot(water, lot(12))).toBeCloseTo(waterAfterPercent(12, 'temperate'), 6);
    expect(waterOfLot(water, lot(-1))).toBe(0);
    expect(waterOfLot(water, lot(null))).toBeNull();
    expect(waterOfLot(water, { ...lot(24), grade: 'DOT 5' })).toBeNull();
  });
});

// By hand: a tenth of 3 % and nine tenths of 0.2 % are 0.48 %.
test('what is inside is wet pro rata; of unknown water nobody says a number', () => {
  const water = of([wet(3)]);
  expect(waterPercent(content(3, 27), water)).toBeCloseTo(0.1 * 3 + 0.9 * NEW_WATER_PERCENT, 9);
  expect(waterPercent(content(0, 27), water)).toBeCloseTo(NEW_WATER_PERCENT, 9);
  expect(waterPercent(content(3, 27), of([]))).toBeNull();
  expect(waterPercent(content(0, 27), of([]))).toBeCloseTo(NEW_WATER_PERCENT, 9);
  expect(waterPercent({ ...content(0, 0), emptyMl: 30 }, water)).toBeNull();
});

describe('what a plan gains', () => {
  const water = of([wet(3)]);
  const gain = planGain(planned(CAR), water)!;

  test('a hatchback of 3 % water boils above 210 °C afterwards, at its worst caliper', () => {
    expect(gain.before!.water.value).toBeCloseTo(3, 6);
    expect(gain.before!.boiling.value).toBeCloseTo(boilingPointC(limitsOf('DOT 4', null), 3), 6);
    expect(gain.afterwards!.water.value).toBeLessThan(0.5);
    expect(gain.afterwards!.boiling.value).toBeGreaterThan(210);
    expect(gain.pockets.length).toBe(2);
  });

  test('it is the worst of all parts in hand', () => {
    const plan = planned(CAR);
    const end = planEnd(plan).fluid.inside();
    const parts = CAR.nodes.filter((n) => n.kind === 'caliper' || n.kind === 'wheel cylinder');
    const shares = parts.map((n) => 100 * (1 - newShareOf(end[n.id]!)));
    expect(gain.oldShare.value).toBeCloseTo(Math.max(...shares), 9);
    expect(gain.partId).toBe(parts[shares.indexOf(Math.max(...shares))]!.id);
  });

  test('ten strokes more at the longest bleeder add a little, and the more the lower the target', () => {
    const longest = planned(CAR).openings.reduce((a, b) =>
      b.pathLengthM.value > a.pathLengthM.value ? b : a,
    );
    expect(gain.more).toMatchObject({ bleederId: longest.bleeder.id, strokes: 10 });
    expect(gain.more!.lessWater.value).toBeGreaterThan(0);
    expect(gain.more!.lessWater.value).toBeLessThan(0.2);
    expect(gain.more!.moreBoiling.value).toBeGreaterThan(0);
    const at = (outletTarget: number) =>
      planGain(planned(CAR, { preferences: { outletTarget } }), water)!;
    expect(at(0.9).more!.lessWater.value).toBeGreaterThan(at(0.98).more!.lessWater.value);
    expect(at(0.9).afterwards!.water.value).toBeGreaterThan(at(0.98).afterwards!.water.value);
  });

  test('where nobody knows the water it says the share alone', () => {
    const blind = planGain(planned(CAR), of([]))!;
    expect([blind.before, blind.afterwards, blind.more]).toEqual([null, null, null]);
    expect(blind.oldShare.value).toBeGreaterThan(0);
  });

  test('pockets stay old unless a tool opens them', () => {
    const van = layoutOf('van-four-channel');
    const flush = (renewPockets: boolean) =>
      planned(van, { work: { ...routineFlush(allMasters(van)), renewPockets } });
    const opened = flush(true);
    expect(planGain(flush(false), water)!.pockets.length).toBeGreaterThan(0);
    expect(planGain(opened, water)!.pockets).toEqual([]);
  });

  test('silicone has no water to speak of; where nothing is renewed nothing is gained', () => {
    const silicone = planGain(planned(CAR, { fillGrade: 'DOT 5' }), water)!;
    expect(silicone.afterwards).toBeNull();
    const part = afterWork(CAR, { parts: [cappedPart('left-front-caliper')] });
    expect(planGain(planned(CAR, { work: part }), water)).toBeNull();
  });

  test.each(layoutTemplates.map((t) => t.id).filter((id) => layoutOf(id).abs !== 'high pressure'))(
    '%s: the end that it reckons with is what a run by the plan leaves',
    (id) => {
      const plan = planned(layoutOf(id));
      const end = planEnd(plan).fluid.inside();
      let n = 0;
      const calls = followCalls(plan, { deviceId: 'p', nextId: () => `e${++n}`, startMs: 0 });
      const run = insideNow(runOf(plan, calls as LooseEvent[]));
      for (const s of plan.openings) {
        const part = s.bleeder.at;
        if (!end[part]) continue;
        expect(oldMl(run[part]!)).toBeCloseTo(oldMl(end[part]!), 6);
      }
    },
  );
});

describe('a bleeder that is clear and of the right colour', () => {
  const plan = planned(CAR);
  const [first] = plan.openings;
  const water = of([wet(3)]);
  const at = (strokes: number, ...more: LooseEvent[]) => {
    let n = 0;
    const calls = followCalls(plan, {
      deviceId: 'p',
      nextId: () => `s${++n}`,
      startMs: 0,
      strokes,
    }) as LooseEvent[];
    // As far as the strokes, without what is said after them.
    const last = calls.map((e) => e.kind).lastIndexOf('stroke');
    return runOf(plan, [...calls.slice(0, last + 1), ...more]);
  };
  const none: LooseEvent = { id: 'n', kind: 'bubbles', openingId: first!.id, reading: 'none' };
  const asNew: LooseEvent = {
    id: 'c',
    kind: 'colour',
    openingId: first!.id,
    colour: plan.newColour,
  };
  const all = first!.strokes.value;

  test('may be shut where only strokes are missing', () => {
    expect(mayShutHere(at(all - 5, none, asNew), first!)).toBe(true);
    expect(mayShutHere(at(all - 5, none), first!)).toBe(false);
    expect(mayShutHere(at(all - 5, asNew), first!)).toBe(false);
    expect(
      mayShutHere(at(all - 5, { ...none, reading: 'fine' } as LooseEvent, asNew), first!),
    ).toBe(false);
    expect(
      mayShutHere(at(all - 5, none, { ...asNew, colour: 'brown' } as LooseEvent), first!),
    ).toBe(false);
    // Nothing is missing any more: it is shut as planned.
    expect(mayShutHere(at(all, none, asNew), first!)).toBe(false);
    const shut: LooseEvent = { id: 'x', kind: 'shut', openingId: first!.id, tightened: 'by feel' };
    expect(mayShutHere(at(all - 5, none, asNew, shut), first!)).toBe(false);
  });

  test('not where strokes carry air out: they are no wash-out', () => {
    const part = planned(CAR, {
      work: afterWork(CAR, { parts: [cappedPart('left-front-caliper')] }),
    });
    const [swept] = part.openings;
    let n = 0;
    const calls = followCalls(part, {
      deviceId: 'p',
      nextId: () => `w${++n}`,
      startMs: 0,
    }) as LooseEvent[];
    // One short of what the sweep asks for at least.
    const strokes = calls.flatMap((e, i) => (e.kind === 'stroke' ? [i] : []));
    const short = strokes[leastCounts(swept!) - 2]!;
    const bubbles: LooseEvent = { id: 'n', kind: 'bubbles', openingId: swept!.id, reading: 'none' };
    const colour: LooseEvent = {
      id: 'c',
      kind: 'colour',
      openingId: swept!.id,
      colour: part.newColour,
    };
    const state = runOf(part, [...calls.slice(0, short + 1), bubbles, colour]);
    expect(swept!.until).toBe('sweep');
    const at = state.bleeders.find((b) => b.openingId === swept!.id)!;
    expect(missingAt(part, swept!, at)).toEqual(['strokes']);
    expect(mayShutHere(state, swept!)).toBe(false);
  });

  test('says what the rest would buy: less, the nearer it is to the plan', () => {
    const [far, near] = [10, 3].map(
      (left) => restBuys(at(all - left, none, asNew), first!, water)!,
    );
    expect([far!.strokes, near!.strokes]).toEqual([10, 3]);
    expect(far!.lessWater.value).toBeGreaterThan(near!.lessWater.value);
    expect(near!.lessWater.value).toBeGreaterThan(0);
    expect(near!.moreBoiling.value).toBeGreaterThan(0);
    expect(restBuys(at(all - 5, none, asNew), first!, of([]))).toBeNull();
    // What it reckons with afterwards is what the run has inside once the rest is made.
    const done = insideNow(at(all))[first!.bleeder.at]!;
    expect(near!.lessWater.from![1]!.value).toBeCloseTo(waterPercent(done, water)!, 9);
    expect(restBuys(at(all, none, asNew), first!, water)).toBeNull();
  });

  test('shut there it is owed, and holds nothing', () => {
    const shut: LooseEvent[] = [
      { id: 'x', kind: 'shut', openingId: first!.id, tightened: 'by feel' },
      { id: 'y', kind: 'shut early', openingId: first!.id, reason: 'Clear and as the new' },
    ];
    const done = doneAt(at(all - 5, none, asNew, ...shut)).get(first!.bleeder.id)!;
    expect(done).toMatchObject({ shut: true, clear: true, renewed: false });
  });
});
