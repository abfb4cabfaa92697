import { validateLayout } from '../../vehicle/circuit';
import { allMasters, DRAWINGS, planned, requestOf } from '../../testing';
import { routineFlush } from '../scope';
import { planOrders, planSureties } from '.';

describe.each(DRAWINGS.map((d) => [d.name, d] as const))('%s', (_, drawing) => {
  const { layout, farthestFirst, way } = drawing;
  const plan = planned(layout);

  test('has no faults, and follows the finger: farthest first, with the metres of the drawing', () => {
    expect(validateLayout(layout)).toEqual([]);
    expect(plan.openings.map((s) => s.bleeder.id)).toEqual(farthestFirst.map(([id]) => id));
    for (const [id, metres] of farthestFirst)
      expect(plan.openings.find((s) => s.bleeder.id === id)!.pathLengthM.value).toBeCloseTo(
        metres,
        9,
      );
  });

  test('its way holds what the pocket calculator says', () => {
    const { pathVolumeMl } = plan.openings.find((s) => s.bleeder.id === way.bleederId)!;
    expect(pathVolumeMl.value).toBeCloseTo(way.volumeMl, 2);
  });

  test('no planned stroke takes a reservoir below its MIN, and every top-up ends at MAX', () => {
    for (const reservoir of plan.reservoirs) {
      let levelMl = reservoir.maxMl;
      for (const opening of plan.openings.filter((s) => s.reservoirId === reservoir.id)) {
        let made = 0;
        for (const t of opening.topUps) {
          levelMl -= (t.afterStrokes - made) * opening.strokeMl.value;
          expect(levelMl).toBeGreaterThanOrEqual(reservoir.minMl - 1e-9);
          expect(levelMl + t.pouredMl).toBeCloseTo(reservoir.maxMl, 6);
          [levelMl, made] = [reservoir.maxMl, t.afterStrokes];
        }
        levelMl -= (opening.strokes.value - made) * opening.strokeMl.value;
        expect(levelMl).toBeGreaterThanOrEqual(reservoir.minMl - 1e-9);
      }
    }
  });

  test('a cleaner target never needs less, and a dry system never less than a full one', () => {
    // Nothing is done at the reservoir: another way with its rest would be another price.
    const bled = (outletTarget: number) =>
      planned(layout, { preferences: { outletTarget, reservoirWay: 'nothing' } }).totals.bledMl
        .value;
    expect(bled(0.9)).toBeLessThanOrEqual(bled(0.95) + 1e-9);
    expect(bled(0.95)).toBeLessThanOrEqual(bled(0.98) + 1e-9);
    const dry = planned(layout, {
      work: { ...routineFlush(allMasters(layout)), purpose: 'new or dry' },
    });
    expect(dry.totals.filledMl.value).toBeGreaterThan(way.volumeMl - 1);
    expect(plan.totals.filledMl.value).toBe(0);
  });

  test('each order’s difference stands with what nobody knows: the band of all sixteen corners holds what is shown', () => {
    const orders = planOrders(requestOf(layout), plan);
    const sureties = planSureties(requestOf(layout), plan, orders);
    expect(sureties.size > 0).toBe(orders.some((o) => o.cost !== null));
    for (const o of orders) {
      const surety = sureties.get(o.id);
      if (!surety || !o.cost) continue;
      expect(surety.band.leastMl).toBeLessThanOrEqual(o.cost.moreMl + 1e-9);
      expect(surety.band.mostMl).toBeGreaterThanOrEqual(o.cost.moreMl - 1e-9);
      if (surety.band.real) expect(surety.band.leastMl * surety.band.mostMl).toBeGreaterThan(0);
    }
  });
});
