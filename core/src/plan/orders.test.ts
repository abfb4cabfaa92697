import { routineFlush } from '../scope';
import { afterWork, allMasters, cappedPart, layoutOf, planned, requestOf } from '../testing';
import { planBleed, planOrders, planSearch, previewPlan, type PlanRequest } from '.';

describe('orders compared', () => {
  test('the schools are priced for a flush, cheapest first, and a found order joins them', () => {
    const layout = layoutOf('van-four-channel');
    const first = previewPlan(requestOf(layout));
    expect(first.orders.map((o) => o.id).sort()).toEqual([
      'by circuit',
      'farthest first',
      'nearest first',
      'nearest, then inwards',
    ]);
    const prices = first.orders.map((o) => ('code' in o.price ? Infinity : o.price.bledMl));
    expect(prices).toEqual([...prices].sort((a, b) => a - b));
    expect(first.orders[0]!.cost).toMatchObject({ moreMl: 0, real: false });
    if (first.result.verdict !== 'planned') throw new Error('refused');
    const search = planSearch(requestOf(layout), first.result.plan)!;
    const { order, bledMl, finished } = search.step(10_000);
    expect(finished).toBe(true);
    const asked = requestOf(layout, { order: 'least fluid', leastFluid: order });
    const plan = planned(layout, { order: 'least fluid', leastFluid: order });
    expect(plan.stops.map((s) => s.bleeder.id)).toEqual(order);
    expect(plan.totals.bledMl.value).toBeCloseTo(bledMl, 6);
    expect(planOrders(asked, plan).map((o) => o.id)).toContain('least fluid');
  });

  test('the maker’s order wins, and one that leaves a bleeder out is not one for this job', () => {
    const layout = layoutOf('hatchback-diagonal');
    const order = ['right-front', 'left-front', 'right-rear', 'left-rear'];
    expect(planned(layout, { makerOrder: order })).toMatchObject({
      order: 'maker',
      stops: order.map((id) => ({ id })),
    });
    expect(planned(layout, { makerOrder: order.slice(1) }).order).toBe('farthest first');
    expect(planned(layout, { preferences: { order: 'nearest first' } }).order).toBe(
      'nearest first',
    );
    expect(planned(layout, { makerOrder: order, order: 'by circuit' }).order).toBe('by circuit');
  });

  test('where the fluid is not renewed every order needs the same, and nothing is compared', () => {
    const layout = layoutOf('hatchback-diagonal');
    expect(
      previewPlan(
        requestOf(layout, { work: { ...routineFlush(allMasters(layout)), purpose: 'soft pedal' } }),
      ),
    ).toMatchObject({ orders: [], notEmptied: null });
    // Old fluid that is drawn off need not be bled out: more than none, and no more than was left in.
    const { notEmptied } = previewPlan(requestOf(layout));
    expect(notEmptied!.value).toBeGreaterThan(0);
    expect(notEmptied!.from.map((f) => f.label)).toEqual([
      'Not emptied first',
      'Emptied first',
      'Drawn off the reservoir',
    ]);
  });

  test('an id that names nothing is refused by its name', () => {
    const layout = layoutOf('hatchback-diagonal');
    const refusedFor = (more: Partial<PlanRequest>) => planBleed(requestOf(layout, more));
    for (const more of [
      { makerOrder: ['nowhere'] },
      { leastFluid: ['nowhere'] },
      { work: afterWork(layout, { parts: [cappedPart('nowhere')] }) },
      { work: routineFlush(['nowhere']) },
      { work: afterWork(layout, { lowest: [{ bowlId: 'nowhere', belowMaxMm: 1 }] }) },
    ]) {
      expect(refusedFor(more)).toMatchObject({
        verdict: 'refused',
        reasons: [{ code: 'unknown element', element: 'nowhere' }],
      });
    }
    expect(refusedFor({ work: routineFlush([]) })).toMatchObject({
      reasons: [{ code: 'nothing in hand' }],
    });
  });
});
