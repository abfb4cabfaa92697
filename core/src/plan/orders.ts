import type { MethodRow, Method } from '../flow';
import { compareOrders, givenOrder, leastFluidRow, orderCost, orderSetup, OrderSearch, schoolOrder, type OrderCost, type OrderedVisit, type OrderId, type OrderPrice, type OrderRefusal, type OrderRow, type OrderSettings, type OrderSetup } from '../order';
import { countFor } from './counts';
import { planBleed, type Plan, type PlanResult } from './plan';
import { emptiesFirst } from './preparation';
import { planAsked, type PlanAsked, type PlanRequest } from './request';

/** One order compared: what it would cost for the main stage of the plan. */
export interface PlanOrder {
  readonly id: OrderId;
  /** Bleeder ids in order, as often as they are opened. */
  readonly places: readonly string[];
  readonly price: Pick<OrderPrice, 'bledMl' | 'neededMl' | 'counts' | 'topUps' | 'minutes' | 'oldLeftMl'> | OrderRefusal;
  /** Of choosing this one against the cheapest; null where it cannot be carried out. */
  readonly cost: OrderCost | null;
}

/** Price the job: every bleeder in question with every method. */
export function planSetup(asked: PlanAsked, bleederIds: readonly string[], rows: readonly MethodRow[]): OrderSetup {
  const flows = new Map(rows.map((r) => [r.method, new Map(r.flows.map((f) => [f.bleederId, f.flowMlS]))]));
  return orderSetup({
    layout: asked.layout, bleederIds, methods: rows.map((r) => r.method), target: asked.preferences.outletTarget, emptyFirst: emptiesFirst(asked.work),
    minutesPerBleeder: asked.preferences.minutesPerBleeder, minutesPerTopUp: asked.preferences.minutesPerTopUp,
    countOf: (path, method) => countFor(asked, path, method, flows.get(method)!.get(path.bleeder.id) ?? null),
  });
}

/** The order that is followed for some bleeders: the technician's, the maker's, the workshop's; farthest first where that one has nothing to say. */
export function orderVisits(asked: PlanAsked, setup: OrderSetup, bleederIds: readonly string[], method: Method): { readonly id: OrderId; readonly visits: readonly OrderedVisit[] } {
  if (bleederIds.length === 0) return { id: 'farthest first', visits: [] };
  const part = only(setup, bleederIds);
  const wanted: OrderId = asked.order ?? (asked.makerOrder?.length ? 'maker' : asked.preferences.order);
  const found = { id: wanted, visits: visitsOf(asked, part, wanted, method) };
  const kept = found.visits ? { id: wanted, visits: found.visits } : { id: 'farthest first' as const, visits: schoolOrder(part, 'farthest first', settingsOf(asked, method))! };
  // Only a flush renews the fluid; otherwise the volume of the path carries the air out.
  return asked.work.purpose === 'routine flush' ? kept : { ...kept, visits: kept.visits.map((v) => ({ ...v, visit: { ...v.visit, until: 'sweep' as const } })) };
}

function visitsOf(asked: PlanAsked, setup: OrderSetup, id: OrderId, method: Method): readonly OrderedVisit[] | null {
  if (id !== 'maker' && id !== 'least fluid') return schoolOrder(setup, id, settingsOf(asked, method));
  const given = (id === 'maker' ? asked.makerOrder : asked.leastFluid)?.filter((b) => setup.bleeders.has(b)) ?? [];
  // An order that leaves one of these bleeders out is not one for this job.
  return new Set(given).size === setup.bleeders.size ? givenOrder(given, id, method) : null;
}

const settingsOf = ({ preferences, work }: PlanAsked, method: Method): OrderSettings => ({ pairs: preferences.pairs, primeMaster: work.master !== null || work.purpose === 'new or dry' || work.lowest.length > 0, method });

function only(setup: OrderSetup, bleederIds: readonly string[]): OrderSetup {
  return { ...setup, bleeders: new Map([...setup.bleeders].filter(([id]) => bleederIds.includes(id))) };
}

/** A plan with every school priced beside it, the maker's order and one that a search found among them. */
export interface PlanPreview {
  readonly result: PlanResult;
  /** Cheapest first; empty where the plan is refused, or where the fluid is not renewed and so every order needs the same. */
  readonly orders: readonly PlanOrder[];
}

/** What if: the whole plan and its comparison, for any client to ask. */
export function previewPlan(request: PlanRequest): PlanPreview {
  const result = planBleed(request);
  return { result, orders: result.verdict === 'planned' ? planOrders(request, result.plan) : [] };
}

/** Price every order of the main stage of a plan. */
export function planOrders(request: PlanRequest, plan: Plan): PlanOrder[] {
  const main = mainOf(plan);
  if (!main || plan.work.purpose !== 'routine flush') return [];
  const asked = planAsked(request);
  const setup = setupOf(asked, plan, main);
  const rows: OrderRow[] = compareOrders(setup, settingsOf(asked, main.method), asked.makerOrder);
  const found = asked.leastFluid && visitsOf(asked, setup, 'least fluid', main.method) ? [leastFluidRow(setup, asked.leastFluid, main.method)] : [];
  return withCosts([...rows, ...found]);
}

/** The search for the order of least fluid of a plan, to be gone through in steps. @returns null where the order is not free */
export function planSearch(request: PlanRequest, plan: Plan): OrderSearch | null {
  const main = mainOf(plan);
  if (!main || plan.searchable.length === 0) return null;
  return new OrderSearch(setupOf(planAsked(request), plan, main), plan.searchable, main.method);
}

function mainOf(plan: Plan): { readonly method: Method; readonly bleederIds: readonly string[] } | null {
  const stage = plan.stages.find((s) => s.kind === 'bleed' && s.purpose === 'bleed');
  if (stage?.kind !== 'bleed') return null;
  return { method: stage.method, bleederIds: [...new Set(stage.stopIds.map((id) => plan.stops.find((s) => s.id === id)!.bleeder.id))] };
}

function setupOf(asked: PlanAsked, plan: Plan, main: { readonly method: Method; readonly bleederIds: readonly string[] }): OrderSetup {
  return planSetup(asked, main.bleederIds, [{ ...plan.methods.find((m) => m.method === main.method)!, flows: main.method === plan.method ? plan.flows : [] }]);
}

function withCosts(rows: readonly OrderRow[]): PlanOrder[] {
  const prices = rows.flatMap((r) => ('code' in r.priced ? [] : [r.priced]));
  const cheapest = prices.reduce<OrderPrice | null>((least, p) => (least === null || p.bledMl < least.bledMl || (p.bledMl === least.bledMl && p.minutes < least.minutes) ? p : least), null);
  const orders = rows.map(({ id, visits, priced }): PlanOrder => {
    const places = visits.map((v) => v.visit.bleederId);
    if ('code' in priced || !cheapest) return { id, places, price: priced, cost: null };
    const { bledMl, neededMl, counts, topUps, minutes, oldLeftMl } = priced;
    return { id, places, price: { bledMl, neededMl, counts, topUps, minutes, oldLeftMl }, cost: orderCost(priced, cheapest) };
  });
  return orders.sort((a, b) => ('code' in a.price ? Infinity : a.price.bledMl) - ('code' in b.price ? Infinity : b.price.bledMl));
}
