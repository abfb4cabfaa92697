import { routineFlush } from '../scope';
import { afterWork, allMasters, cappedPart, layoutOf, planned, requestOf } from '../../testing';
import { planBleed, planOrders, planSearch, planSureties, previewPlan, type PlanRequest } from '.';

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
    // Those that open each bleeder as often stand together, the cheapest first; all are held against that one.
    const alike = first.orders.filter((o) => o.again.length === 0);
    const prices = alike.map((o) => ('code' in o.price ? Infinity : o.price.bledMl));
    expect(prices).toEqual([...prices].sort((a, b) => a - b));
    expect(first.orders[0]).toMatchObject({ id: alike[0]!.id, cost: null, against: null });
    for (const o of first.orders.slice(1)) expect(o.against).toBe(alike[0]!.id);
    for (const o of alike.slice(1)) expect(o.cost!.moreMl).toBeGreaterThanOrEqual(0);
    // One opening more is a second list.
    expect(first.orders.at(-1)).toMatchObject({
      id: 'nearest, then inwards',
      again: [first.orders.at(-1)!.places[0]],
    });
    if (first.result.verdict !== 'planned') throw new Error('refused');
    const search = planSearch(requestOf(layout), first.result.plan, first.orders)!;
    // It begins at the best school.
    expect(search.state().order).toEqual(alike[0]!.places);
    const { order, bledMl, finished } = search.step(10_000);
    expect(finished).toBe(true);
    const asked = requestOf(layout, { order: 'least fluid', leastFluid: order });
    const plan = planned(layout, { order: 'least fluid', leastFluid: order });
    expect(plan.openings.map((s) => s.bleeder.id)).toEqual(order);
    expect(plan.totals.bledMl.value).toBeCloseTo(bledMl, 6);
    const found = planOrders(asked, plan);
    expect(found.map((o) => o.id)).toContain('least fluid');
    // Nothing that is shown, with the same openings, needs less than the best.
    expect(found[0]!.price).toMatchObject({ bledMl: expect.closeTo(bledMl, 6) });
    const sureties = planSureties(asked, plan, found);
    expect([...sureties.keys()].sort()).toEqual(
      found.flatMap((o) => (o.against ? [o.id] : [])).sort(),
    );
  });

  test('the maker’s order wins, and one that leaves a bleeder out is not one for this job', () => {
    const layout = layoutOf('hatchback-diagonal');
    const order = ['right-front', 'left-front', 'right-rear', 'left-rear'];
    expect(planned(layout, { makerOrder: order })).toMatchObject({
      order: 'maker',
      openings: order.map((id) => ({ id })),
    });
    expect(planned(layout, { makerOrder: order.slice(1) }).order).toBe('farthest first');
    const short = previewPlan(requestOf(layout, { makerOrder: order.slice(1) })).orders;
    expect(short.find((o) => o.id === 'maker')).toMatchObject({
      price: { code: 'incomplete', missing: ['right-front'] },
      cost: null,
    });
    // What cannot be followed stands last.
    expect(short.at(-1)!.id).toBe('maker');
    const twice = [...order, 'right-front'];
    expect(planned(layout, { makerOrder: twice }).openings.map((s) => s.bleeder.id)).toEqual(twice);
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

  test('orders are compared where old fluid is renewed beside a part, and swept parts are swept in each', () => {
    const layout = layoutOf('hatchback-diagonal');
    const owed = {
      airAt: [],
      oldAt: ['left-front', 'left-rear', 'right-rear'],
      modulatorIds: [],
    };
    const work = { ...routineFlush(allMasters(layout)), purpose: 'soft pedal' as const, owed };
    const { orders } = previewPlan(requestOf(layout, { work }));
    expect(orders.length).toBeGreaterThan(2);
    for (const o of orders)
      for (const v of o.visits)
        if (v.visit.bleederId === 'right-front') expect(v.visit.until).toBe('sweep');
  });

  test('an id that names nothing is refused by its name', () => {
    const layout = layoutOf('hatchback-diagonal');
    const refusedFor = (more: Partial<PlanRequest>) => planBleed(requestOf(layout, more));
    for (const more of [
      { makerOrder: ['nowhere'] },
      { leastFluid: ['nowhere'] },
      { work: afterWork(layout, { parts: [cappedPart('nowhere')] }) },
      { work: routineFlush(['nowhere']) },
      { work: afterWork(layout, { lowest: [{ reservoirId: 'nowhere', belowMaxMm: 1 }] }) },
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
