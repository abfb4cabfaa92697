import { ARITHMETIC, figure, MODEL, type Figure } from '../../base/figure';
import type { Method } from '../../hydraulics/flow';
import {
  compareOrders,
  costSureties,
  sameVisits,
  type CostSurety,
  type IncompleteOrder,
  type OrderedVisit,
  leastFluidRow,
  orderCost,
  priceReservoirWays,
  type ReservoirWayPrice,
  OrderSearch,
  priceOrder,
  startFluid,
  SWEEP_PASSES,
  type OrderCost,
  type OrderId,
  type OrderPrice,
  type OrderRefusal,
  type OrderRow,
  type OrderSetup,
  type Visit,
} from '../../hydraulics/order';
import { canWipe } from './reservoirTreatment';
import { planSetup, settingsOf, swept, visitsOf } from './orders';
import { planBleed } from './plan';
import type { Plan, PlanResult } from './shape';
import { WASHOUT_SOURCE, type CircuitFluid } from '../../hydraulics/washout';
import { planAsked, type FullPlanRequest, type PlanRequest } from './request';

/** One order compared: what it would cost for the main stage of the plan. */
export interface PlanOrder {
  readonly id: OrderId;
  readonly visits: readonly OrderedVisit[];
  /** Bleeder ids in order, as often as they are opened. */
  readonly places: readonly string[];
  readonly price:
    | Pick<OrderPrice, 'bledMl' | 'neededMl' | 'counts' | 'topUps' | 'minutes' | 'oldLeftMl'>
    | OrderRefusal
    | IncompleteOrder;
  /** Which order it is held against: the cheapest of those that open every bleeder as often as farthest first does. Null for that one itself, and where nothing can be carried out. */
  readonly against: OrderId | null;
  /** Of choosing this one against it. */
  readonly cost: OrderCost | null;
  /** Bleeders that it opens more often than the one it is held against. */
  readonly again: readonly string[];
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

/** Price every order of the main stage of a plan. Of what the plan only sweeps, it is swept in every order. */
export function planOrders(request: PlanRequest, plan: Plan): PlanOrder[] {
  const main = mainOf(plan);
  if (!main) return [];
  const asked = planAsked(request);
  const setup = setupOf(asked, plan, main);
  const as = untilOf(plan);
  const rows: OrderRow[] = compareOrders(
    setup,
    settingsOf(asked, main.method),
    asked.makerOrder,
    as,
  );
  const found =
    asked.leastFluid && visitsOf(asked, setup, 'least fluid', main.method)
      ? [leastFluidRow(setup, asked.leastFluid, main.method)]
      : [];
  return withCosts([...rows, ...found]);
}

/** How sure the differences between the orders of a plan are, by order: worked out in every corner of what the model assumes. */
export function planSureties(
  request: PlanRequest,
  plan: Plan,
  orders: readonly PlanOrder[],
): Map<OrderId, CostSurety> {
  const main = mainOf(plan);
  const against = orders.find((o) => o.against !== null)?.against;
  if (!main || !against) return new Map();
  const setup = setupOf(planAsked(request), plan, main);
  const priced = orders.filter((o) => !('code' in o.price));
  return costSureties(setup, new Map(priced.map((o) => [o.id, o.visits])), against);
}

/** Visits as the plan has them: a bleeder whose fluid is not renewed is swept, whatever its place. */
function untilOf(plan: Plan): (visits: readonly OrderedVisit[]) => readonly OrderedVisit[] {
  const renewed = new Set(plan.openings.flatMap((s) => (s.until === 'new' ? [s.bleeder.id] : [])));
  return (visits) =>
    visits.map((v) => (renewed.has(v.visit.bleederId) ? v : { ...v, visit: swept(v.visit) }));
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
  price: Exclude<PlanOrder['price'], { readonly code: string }>,
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

/**
 * The search for the order of least fluid of a plan, to be gone through in steps.
 *
 * @param orders what was compared: it begins at the best of those that open each bleeder once
 * @returns null where the order is not free
 */
export function planSearch(
  request: PlanRequest,
  plan: Plan,
  orders: readonly PlanOrder[] = [],
): OrderSearch | null {
  const main = mainOf(plan);
  if (!main || plan.searchable.length === 0) return null;
  const once = [...plan.searchable].sort().join();
  const best = orders.find((o) => !('code' in o.price) && [...o.places].sort().join() === once);
  return new OrderSearch(
    setupOf(planAsked(request), plan, main),
    best?.places ?? plan.searchable,
    main.method,
  );
}

/** The stage that renews the fluid: its order is the one that is compared. */
function mainOf(
  plan: Plan,
): { readonly method: Method; readonly bleederIds: readonly string[] } | null {
  const stage = plan.stages.find(
    (s) => s.kind === 'bleed' && plan.openings.some((x) => x.stageId === s.id && x.until === 'new'),
  );
  if (stage?.kind !== 'bleed') return null;
  return {
    method: stage.method,
    bleederIds: [
      ...new Set(stage.openingIds.map((id) => plan.openings.find((s) => s.id === id)!.bleeder.id)),
    ],
  };
}

function setupOf(
  asked: FullPlanRequest,
  plan: Plan,
  main: { readonly method: Method; readonly bleederIds: readonly string[] },
): OrderSetup {
  const setup = planSetup(asked, main.bleederIds, [
    {
      ...plan.methods.find((m) => m.method === main.method)!,
      flows: main.method === plan.method ? plan.flows : [],
    },
  ]);
  // The orders are held against the plan: from what is inside by it, with the reservoirs as it leaves them.
  return {
    ...setup,
    beginning: { inside: plan.inside, offBefore: new Map() },
    rinses: plan.treatment?.rinses ?? [],
  };
}

function withCosts(rows: readonly OrderRow[]): PlanOrder[] {
  const usual = rows.find((r) => r.id === 'farthest first')?.visits ?? rows[0]?.visits ?? [];
  const cheapest = rows
    .flatMap((r) =>
      'code' in r.priced || !sameVisits(r.visits, usual) ? [] : [{ ...r, priced: r.priced }],
    )
    .reduce<
      (OrderRow & { readonly priced: OrderPrice }) | null
    >((least, r) => (least === null || isCheaper(r.priced, least.priced) ? r : least), null);
  const orders = rows.map(({ id, visits, priced }): PlanOrder => {
    const places = visits.map((v) => v.visit.bleederId);
    const base = { id, visits, places, against: null, cost: null, again: [] };
    if ('code' in priced || !cheapest) return { ...base, price: onlyPrice(priced) };
    return {
      ...base,
      price: onlyPrice(priced),
      against: id === cheapest.id ? null : cheapest.id,
      cost: id === cheapest.id ? null : orderCost(priced, cheapest.priced),
      again: more(
        places,
        cheapest.visits.map((v) => v.visit.bleederId),
      ),
    };
  });
  return orders.sort((a, b) => group(a) - group(b) || bledOf(a) - bledOf(b));
}

/** What can be compared stands first, then what opens a bleeder more often, then what cannot be carried out. */
const group = ({ price, again }: PlanOrder): number =>
  'code' in price ? 2 : again.length > 0 ? 1 : 0;
const bledOf = ({ price }: PlanOrder): number => ('code' in price ? 0 : price.bledMl);

const isCheaper = (a: OrderPrice, than: OrderPrice): boolean =>
  a.bledMl < than.bledMl || (a.bledMl === than.bledMl && a.minutes < than.minutes);

function onlyPrice(priced: OrderRow['priced']): PlanOrder['price'] {
  if ('code' in priced) return priced;
  const { bledMl, neededMl, counts, topUps, minutes, oldLeftMl } = priced;
  return { bledMl, neededMl, counts, topUps, minutes, oldLeftMl };
}

/** What stands in a list more often than in another. */
function more(ids: readonly string[], than: readonly string[]): string[] {
  const times = (list: readonly string[], id: string) => list.filter((x) => x === id).length;
  return [...new Set(ids)].filter((id) => times(ids, id) > times(than, id));
}

/** What every way to deal with the rest in the reservoirs costs for a plan, in their order; empty where there is nothing to do about it. */
export function reservoirWayPrices(plan: Plan): ReservoirWayPrice[] {
  if (!plan.treatment) return [];
  const { asked, setup, visits } = againOf(plan);
  return priceReservoirWays(setup, visits).filter((p) => p.way !== 'wipe' || canWipe(asked, setup));
}

/** The fluid as a plan leaves it after its last count, by the same simulation, and what further counts are made with. */
export function planEnd(plan: Plan): { readonly fluid: CircuitFluid; readonly setup: OrderSetup } {
  const again = againOf(plan);
  const setup = { ...again.setup, rinses: plan.treatment?.rinses ?? [] };
  const start = startFluid(setup);
  if (!setup.emptyFirst && plan.preparation.includes('fill reservoir'))
    for (const b of setup.reservoirs) start.fluid.fillReservoir(b.id, b.maxMl);
  priceOrder(setup, again.visits, { fluid: start.fluid, at: start.fluid.snapshot() });
  return { fluid: start.fluid, setup };
}

/** What the counts of a plan are made with, as it was priced. */
export const countsOfPlan = (plan: Plan): OrderSetup => againOf(plan).setup;

/** A plan as it was priced, once more: what is inside by it, its openings in order, their counts. */
function againOf(plan: Plan): {
  readonly asked: FullPlanRequest;
  readonly setup: OrderSetup;
  readonly visits: readonly Visit[];
} {
  const { makerOrder: _, leastFluid: __, ...wishes } = plan.wishes ?? {};
  const asked = planAsked({ ...plan, ...wishes });
  const setup = planSetup(
    asked,
    plan.openings.map((s) => s.bleeder.id),
    plan.methods.map((m) => ({ ...m, flows: m.method === plan.method ? plan.flows : [] })),
  );
  return {
    asked,
    visits: plan.openings.map((s) => ({
      bleederId: s.bleeder.id,
      method: s.method,
      until: s.until,
      ...(s.band ? { passes: SWEEP_PASSES.planned } : {}),
    })),
    setup: {
      ...setup,
      emptyFirst: plan.preparation.includes('empty reservoir'),
      beginning: { inside: plan.inside, offBefore: new Map() },
    },
  };
}
