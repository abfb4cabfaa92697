import { ARITHMETIC, figure, MODEL, type Figure } from '../figure';
import type { Method } from '../flow';
import {
  compareOrders,
  leastFluidRow,
  orderCost,
  priceBowlWays,
  type BowlWayPrice,
  OrderSearch,
  priceOrder,
  type OrderCost,
  type OrderId,
  type OrderPrice,
  type OrderRefusal,
  type OrderRow,
  type OrderSetup,
  type Visit,
} from '../order';
import { canWipe } from './bowlTreatment';
import { planSetup, settingsOf, visitsOf } from './orders';
import { planBleed } from './plan';
import type { Plan, PlanResult } from './shape';
import { WASHOUT_SOURCE } from '../washout';
import { planAsked, type PlanAsked, type PlanRequest } from './request';

/** One order compared: what it would cost for the main stage of the plan. */
export interface PlanOrder {
  readonly id: OrderId;
  /** Bleeder ids in order, as often as they are opened. */
  readonly places: readonly string[];
  readonly price:
    | Pick<OrderPrice, 'bledMl' | 'neededMl' | 'counts' | 'topUps' | 'minutes' | 'oldLeftMl'>
    | OrderRefusal;
  /** Of choosing this one against the cheapest; null where it cannot be carried out. */
  readonly cost: OrderCost | null;
}

/** A plan with every school priced beside it, the maker's order and one that a search found among them. */
export interface PlanPreview {
  readonly result: PlanResult;
  /** Cheapest first; empty where the plan is refused, or where the fluid is not renewed and so every order needs the same. */
  readonly orders: readonly PlanOrder[];
  /** What leaving the old fluid in the reservoir would cost in the order of the plan. */
  readonly notEmptied: Figure | null;
}

/** What if: the whole plan and its comparison, for any client to ask. */
export function previewPlan(request: PlanRequest): PlanPreview {
  const result = planBleed(request);
  if (result.verdict === 'refused') return { result, orders: [], notEmptied: null };
  return {
    result,
    orders: planOrders(request, result.plan),
    notEmptied: notEmptiedFirst(request, result.plan),
  };
}

/** Price every order of the main stage of a plan. */
export function planOrders(request: PlanRequest, plan: Plan): PlanOrder[] {
  const main = mainOf(plan);
  if (!main || plan.work.purpose !== 'routine flush') return [];
  const asked = planAsked(request);
  const setup = setupOf(asked, plan, main);
  const rows: OrderRow[] = compareOrders(setup, settingsOf(asked, main.method), asked.makerOrder);
  const found =
    asked.leastFluid && visitsOf(asked, setup, 'least fluid', main.method)
      ? [leastFluidRow(setup, asked.leastFluid, main.method)]
      : [];
  return withCosts([...rows, ...found]);
}

/**
 * What an order would need if the old fluid were not drawn off the reservoir
 * first. @returns null where it is not drawn off anyway, where the fluid is not
 * renewed, or where the order cannot be carried out
 */
export function notEmptiedFirst(
  request: PlanRequest,
  plan: Plan,
  id: OrderId = plan.order,
): Figure | null {
  const main = mainOf(plan);
  if (!main || plan.work.purpose !== 'routine flush') return null;
  const asked = planAsked(request);
  const setup = setupOf(asked, plan, main);
  const visits = visitsOf(asked, setup, id, main.method);
  const [emptied, not] = [true, false].map(
    (emptyFirst) =>
      visits &&
      priceOrder(
        { ...setup, emptyFirst, rinses: emptyFirst ? setup.rinses : [] },
        visits.map((v) => v.visit),
      ),
  );
  if (emptied?.verdict !== 'priced' || not?.verdict !== 'priced') return null;
  const bled = (label: string, value: number) =>
    figure({
      label,
      value,
      unit: 'mL',
      rule: 'whole counts at every bleeder, by the simulation',
      source: WASHOUT_SOURCE,
    });
  return figure({
    label: 'More to bleed if it is not emptied first',
    value: not.price.bledMl - emptied.price.bledMl,
    unit: 'mL',
    rule: 'to bleed with the old fluid left in the reservoir less with it drawn off',
    source: WASHOUT_SOURCE,
    from: [
      bled('Not emptied first', not.price.bledMl),
      bled('Emptied first', emptied.price.bledMl),
      figure({
        label: 'Drawn off the reservoir',
        value: emptied.price.removedMl,
        unit: 'mL',
        rule: 'down to what a syringe cannot reach',
        source: MODEL,
      }),
    ],
  });
}

/** The price of one order as figures that open to how they came about. */
export function orderFigures(
  price: Exclude<PlanOrder['price'], OrderRefusal>,
  counted: 'strokes' | 'marks',
): Figure[] {
  const needed = figure({
    label: 'Needed before rounding up',
    value: price.neededMl,
    unit: 'mL',
    rule: 'simulated for this order: lines laminar, cavities mixed, shared stretches as the earlier bleeders left them, reservoir topped up in batches',
    source: WASHOUT_SOURCE,
    plusMinus: price.neededMl * 0.025,
  });
  const counts = figure({
    label: counted === 'strokes' ? 'Strokes in this order' : 'Marks in this order',
    value: price.counts,
    unit: counted,
    rule: 'whole ones at every bleeder, three at least',
    source: ARITHMETIC,
    from: [needed],
  });
  return [
    figure({
      label: 'To bleed in this order',
      value: price.bledMl,
      unit: 'mL',
      rule: `${counted} × fluid in one, summed over the bleeders`,
      source: ARITHMETIC,
      from: [counts, needed],
    }),
    counts,
    figure({
      label: 'Hands on in this order',
      value: price.minutes,
      unit: 'min',
      rule: 'openings, strokes or marks, and top-ups, each times its house rule',
      source: MODEL,
      from: [
        counts,
        figure({
          label: 'Top-ups',
          value: price.topUps,
          unit: 'times',
          rule: 'by the level in the simulation',
          source: MODEL,
        }),
      ],
    }),
    figure({
      label: 'Old fluid left inside in this order',
      value: price.oldLeftMl,
      unit: 'mL',
      rule: 'what the simulation leaves between reservoir and bleeders',
      source: WASHOUT_SOURCE,
    }),
  ];
}

/** The search for the order of least fluid of a plan, to be gone through in steps. @returns null where the order is not free */
export function planSearch(request: PlanRequest, plan: Plan): OrderSearch | null {
  const main = mainOf(plan);
  if (!main || plan.searchable.length === 0) return null;
  return new OrderSearch(setupOf(planAsked(request), plan, main), plan.searchable, main.method);
}

/** The stage that renews the fluid: its order is the one that is compared. */
function mainOf(
  plan: Plan,
): { readonly method: Method; readonly bleederIds: readonly string[] } | null {
  const stage = plan.stages.find(
    (s) => s.kind === 'bleed' && plan.stops.some((x) => x.stageId === s.id && x.until === 'new'),
  );
  if (stage?.kind !== 'bleed') return null;
  return {
    method: stage.method,
    bleederIds: [
      ...new Set(stage.stopIds.map((id) => plan.stops.find((s) => s.id === id)!.bleeder.id)),
    ],
  };
}

function setupOf(
  asked: PlanAsked,
  plan: Plan,
  main: { readonly method: Method; readonly bleederIds: readonly string[] },
): OrderSetup {
  const setup = planSetup(asked, main.bleederIds, [
    {
      ...plan.methods.find((m) => m.method === main.method)!,
      flows: main.method === plan.method ? plan.flows : [],
    },
  ]);
  // The orders are held against the plan: from what is inside by it, with the bowls as it leaves them.
  return {
    ...setup,
    beginning: { inside: plan.inside, offBefore: new Map() },
    rinses: plan.treatment?.rinses ?? [],
  };
}

function withCosts(rows: readonly OrderRow[]): PlanOrder[] {
  const prices = rows.flatMap((r) => ('code' in r.priced ? [] : [r.priced]));
  const cheapest = prices.reduce<OrderPrice | null>(
    (least, p) =>
      least === null ||
      p.bledMl < least.bledMl ||
      (p.bledMl === least.bledMl && p.minutes < least.minutes)
        ? p
        : least,
    null,
  );
  const orders = rows.map(({ id, visits, priced }): PlanOrder => {
    const places = visits.map((v) => v.visit.bleederId);
    if ('code' in priced || !cheapest) return { id, places, price: priced, cost: null };
    const { bledMl, neededMl, counts, topUps, minutes, oldLeftMl } = priced;
    return {
      id,
      places,
      price: { bledMl, neededMl, counts, topUps, minutes, oldLeftMl },
      cost: orderCost(priced, cheapest),
    };
  });
  return orders.sort(
    (a, b) =>
      ('code' in a.price ? Infinity : a.price.bledMl) -
      ('code' in b.price ? Infinity : b.price.bledMl),
  );
}

/** What every way to deal with the rest in the bowls costs for a plan, in their order; empty where there is nothing to do about it. */
export function bowlWayPrices(plan: Plan): BowlWayPrice[] {
  const { treatment } = plan;
  if (!treatment) return [];
  const asked = planAsked({ ...plan, ...plan.wishes, makerOrder: null, leastFluid: null });
  const visits = plan.stops.map(
    (s): Visit => ({
      bleederId: s.bleeder.id,
      method: s.method,
      until: s.until,
    }),
  );
  const setup = planSetup(
    asked,
    visits.map((v) => v.bleederId),
    plan.methods.map((m) => ({ ...m, flows: m.method === plan.method ? plan.flows : [] })),
  );
  const begun = { ...setup, beginning: { inside: plan.inside, offBefore: new Map() } };
  return priceBowlWays(begun, visits).filter((p) => p.way !== 'wipe' || canWipe(asked, begun));
}
