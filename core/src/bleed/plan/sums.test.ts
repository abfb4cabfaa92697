import { oldMl } from '../../fluid/inside';
import { routineFlush } from '../scope';
import { afterWork, allMasters, carefulMaster, layoutOf, planned } from '../../testing';
import { reservoirsWords, toTakeAlong, type Plan } from '.';

const BIKE = layoutOf('motorcycle-front-disc');
const CAR = layoutOf('hatchback-diagonal');
const sum = (numbers: readonly number[]) => numbers.reduce((all, n) => all + n, 0);
/** Where the reservoirs stand at the end, mL: fluid is neither made nor lost, so it is what they began with and what came in less what went out. */
const endMl = ({ reservoirs, inside, totals }: Plan) =>
  sum(reservoirs.map((b) => oldMl(inside[b.id]!) + inside[b.id]!.newMl)) +
  totals.pouredMl.value -
  totals.removedMl.value -
  totals.bledMl.value -
  totals.filledMl.value;

describe('a reservoir that is kept full by itself', () => {
  const fed = planned(CAR, { method: 'pressure' });

  test('takes no top-up, and what it gives is poured all the same', () => {
    expect(fed.openings.every((s) => s.selfFed)).toBe(true);
    expect(fed.openings.flatMap((s) => s.topUps)).toEqual([]);
    expect(fed.totals.topUps.value).toBe(0);
    expect(endMl(fed)).toBeCloseTo(sum(fed.reservoirs.map((b) => b.maxMl)), 6);
  });
});

// Old fluid is drawn off before the old master comes off, new fluid goes in when the new one is on: common practice, no source.
describe('a master swapped alone, no wheel opened', () => {
  const plan = planned(CAR, { work: afterWork(CAR, { master: carefulMaster() }) });
  const [reservoir] = plan.reservoirs;

  test('what its steps draw and pour is in the sums, and on a container', () => {
    expect(plan.openings).toEqual([]);
    expect(plan.preparation).toEqual(expect.arrayContaining(['empty reservoir', 'fill reservoir']));
    const drawnMl = reservoir!.maxMl - reservoir!.airDrawnMl;
    expect(plan.totals.removedMl.value).toBeCloseTo(drawnMl, 6);
    expect(plan.totals.pouredMl.value).toBeCloseTo(drawnMl, 6);
    expect(toTakeAlong(plan).value).toBeCloseTo(drawnMl, 6);
    expect(endMl(plan)).toBeCloseTo(reservoir!.maxMl, 6);
  });
});

describe('from below', () => {
  const work = { ...routineFlush(allMasters(BIKE)), purpose: 'new or dry' as const };
  const plan = planned(BIKE, { method: 'reverse', work });
  const [below, ...round] = plan.openings;

  test('the first push is the fill: the reservoir has nothing that would be drawn off before it', () => {
    expect(below).toMatchObject({ method: 'reverse', fromReservoir: false });
    expect(plan.preparation).not.toContain('fill reservoir');
    const first = below!.drawOffs?.[0];
    expect(first === undefined || first.afterStrokes > 0).toBe(true);
    // The strokes after it leave it where it should stand or above, never above MAX.
    expect(endMl(plan)).toBeGreaterThan(plan.reservoirs[0]!.finalLevelMl - 0.5);
    expect(endMl(plan)).toBeLessThanOrEqual(plan.reservoirs[0]!.maxMl + 1e-9);
  });

  // What is pushed up comes out at the top: common practice, no source.
  test('what is pushed up is not bled and not in the jar; the strokes after it are', () => {
    const downMl = sum(round.map((s) => s.bledMl.value));
    expect(round.every((s) => s.fromReservoir)).toBe(true);
    expect(below!.bledMl.value).toBeGreaterThan(1);
    expect(plan.totals.bledMl.value).toBeCloseTo(downMl, 9);
    expect([below!.jarMl.value, round.at(-1)!.jarMl.value]).toEqual([0, expect.closeTo(downMl, 9)]);
    expect(plan.totals.removedMl.value).toBeCloseTo(
      sum((below!.drawOffs ?? []).map((d) => d.removedMl)),
      9,
    );
  });
});

test('what drips for a quarter of an hour is done today; only a night stands over night', () => {
  const bike = planned(BIKE, { method: 'gravity' });
  const dripping = bike.stages.flatMap((s) => (s.kind === 'bleed' && s.waitingMinutes ? [s] : []));
  expect(dripping).not.toHaveLength(0);
  for (const t of bike.materials.timeline) expect(t.when).toBe('today');
});

test.each([
  [0.4, 'less than one'],
  [0.74, 'less than one'],
  [0.75, 'about 1'],
  [4.96, 'about 5'],
])('%d fillings of the reservoir are %s', (fillings, words) => {
  expect(reservoirsWords(fillings)).toBe(words);
});
