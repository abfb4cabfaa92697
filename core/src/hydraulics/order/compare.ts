import { CORNERS } from '../washout';
import type { Method } from '../flow';
import { priceOrder, startFluid, type OrderPrice } from './price';
import {
  givenOrder,
  ORDER_SCHOOLS,
  schoolOrder,
  type OrderedVisit,
  type OrderId,
  type OrderSettings,
} from './schools';
import type { OrderSetup } from './setup';
import type { OrderRefusal } from './visit';

/** A maker's order that does not name every bleeder that the job opens: it is completed before it is priced. */
export interface IncompleteOrder {
  readonly code: 'incomplete';
  /** Bleeder ids that it leaves out. */
  readonly missing: readonly string[];
}

/** One order with its price, or why it cannot be carried out. */
export interface OrderRow {
  readonly id: OrderId;
  readonly visits: readonly OrderedVisit[];
  readonly priced: OrderPrice | OrderRefusal | IncompleteOrder;
}

/**
 * Price every school that has something to say for this job, and the maker's order where it was entered.
 *
 * @param makerOrder bleeder ids as the maker gives them; those not in question are left out
 */
export function compareOrders(
  setup: OrderSetup,
  settings: OrderSettings,
  makerOrder: readonly string[] | null,
  as: (visits: readonly OrderedVisit[]) => readonly OrderedVisit[] = (visits) => visits,
): OrderRow[] {
  const rows: { id: OrderId; visits: readonly OrderedVisit[] }[] = [];
  const maker = makerOrder?.filter((id) => setup.bleeders.has(id)) ?? [];
  if (maker.length > 0)
    rows.push({ id: 'maker', visits: givenOrder(maker, 'maker', settings.method) });
  for (const id of ORDER_SCHOOLS) {
    const visits = schoolOrder(setup, id, settings);
    if (visits) rows.push({ id, visits });
  }
  return rows.map(({ id, visits }) => {
    const missing = [...setup.bleeders.keys()].filter(
      (b) => !visits.some((v) => v.visit.bleederId === b),
    );
    const named = as(visits);
    return {
      id,
      visits: named,
      priced: missing.length > 0 ? { code: 'incomplete', missing } : priced(setup, named),
    };
  });
}

/** The row of an order that a search found. */
export function leastFluidRow(
  setup: OrderSetup,
  bleederIds: readonly string[],
  method: Method,
): OrderRow {
  const visits = givenOrder(bleederIds, 'least fluid', method);
  return { id: 'least fluid', visits, priced: priced(setup, visits) };
}

function priced(setup: OrderSetup, visits: readonly OrderedVisit[]): OrderPrice | OrderRefusal {
  const answer = priceOrder(
    setup,
    visits.map((v) => v.visit),
  );
  return answer.verdict === 'priced' ? answer.price : answer.reason;
}

/** What choosing one order costs against another. */
export interface OrderCost {
  /** Above 0 where the other needs less, mL. */
  readonly moreMl: number;
  readonly moreCounts: number;
  readonly moreMinutes: number;
  /** Of the other's fluid, %. */
  readonly percent: number;
}

/** Compare two prices. */
export function orderCost(chosen: OrderPrice, other: OrderPrice): OrderCost {
  const moreMl = chosen.bledMl - other.bledMl;
  return {
    moreMl,
    moreCounts: chosen.counts - other.counts,
    moreMinutes: chosen.minutes - other.minutes,
    percent: (100 * moreMl) / other.bledMl,
  };
}

/** Between which values a difference lies, whatever is true of what the model has to assume. */
export interface CostBand {
  readonly leastMl: number;
  readonly mostMl: number;
  readonly leastMinutes: number;
  readonly mostMinutes: number;
  /** Whether it has the same sign everywhere, and is more than anybody's error everywhere. */
  readonly real: boolean;
}

/** Less than this of the other's fluid, and less than these minutes, is no difference that anybody would meet [M]. */
const REAL_PERCENT = 3;
const REAL_MINUTES = 2;

/** Whether differences, each of one corner, say the same. */
export function bandOf(costs: readonly OrderCost[]): CostBand {
  const of = (value: (c: OrderCost) => number) => costs.map(value);
  const [ml, minutes] = [of((c) => c.moreMl), of((c) => c.moreMinutes)];
  const oneSign = ml.every((x) => x > 0) || ml.every((x) => x < 0);
  return {
    leastMl: Math.min(...ml),
    mostMl: Math.max(...ml),
    leastMinutes: Math.min(...minutes),
    mostMinutes: Math.max(...minutes),
    real:
      oneSign &&
      costs.every(
        (c) => Math.abs(c.percent) > REAL_PERCENT || Math.abs(c.moreMinutes) > REAL_MINUTES,
      ),
  };
}

/** What mostly makes a difference between two orders. */
export type CostReason = 'the rest in the reservoir' | 'what is shared' | 'whole counts';

/** Of one order against another: the band over all corners, and why. */
export interface CostSurety {
  readonly band: CostBand;
  readonly why: CostReason;
}

/**
 * Hold some orders against one of them in every corner of what is assumed.
 *
 * @param orders visits by id, those that can be carried out; the reference among them
 * @returns by id; an order that cannot be carried out in some corner is left out
 */
export function costSureties(
  setup: OrderSetup,
  orders: ReadonlyMap<OrderId, readonly OrderedVisit[]>,
  against: OrderId,
): Map<OrderId, CostSurety> {
  const inCorner = (assumed: OrderSetup['assumed']) => {
    const corner: OrderSetup = assumed ? { ...setup, assumed } : setup;
    const start = startFluid(corner);
    return new Map(
      [...orders].flatMap(([id, visits]) => {
        const answer = priceOrder(
          corner,
          visits.map((v) => v.visit),
          start,
        );
        return answer.verdict === 'priced' ? [[id, answer.price] as const] : [];
      }),
    );
  };
  const corners = CORNERS.map(inCorner);
  const nominal = inCorner(setup.assumed);
  // Without any old rest in the reservoirs: what is left of a difference has another cause.
  const noRest = inCorner({ ...NO_REST });
  const sureties = new Map<OrderId, CostSurety>();
  for (const id of orders.keys()) {
    if (id === against) continue;
    const costs = corners.flatMap((prices) => {
      const [mine, other] = [prices.get(id), prices.get(against)];
      return mine && other ? [orderCost(mine, other)] : [];
    });
    if (costs.length < CORNERS.length) continue;
    const diff = (prices: ReadonlyMap<OrderId, OrderPrice>): number => {
      const [mine, other] = [prices.get(id), prices.get(against)];
      return mine && other ? mine.neededMl - other.neededMl : 0;
    };
    const [so, without] = [Math.abs(diff(nominal)), Math.abs(diff(noRest))];
    sureties.set(id, {
      band: bandOf(costs),
      why:
        without < so / 2
          ? 'the rest in the reservoir'
          : without > WHOLE_COUNTS_ML
            ? 'what is shared'
            : 'whole counts',
    });
  }
  return sureties;
}

const NO_REST = { teesMix: false, boresMix: true, restFactor: 0, linesMix: false } as const;
/** Needed before rounding, two orders that differ by less differ by their whole counts, mL [M]. */
const WHOLE_COUNTS_ML = 2;

/** Whether two orders open the same bleeders as often: only such are compared without a word. */
export function sameVisits(a: readonly OrderedVisit[], b: readonly OrderedVisit[]): boolean {
  const of = (visits: readonly OrderedVisit[]) =>
    visits
      .map((v) => v.visit.bleederId)
      .sort()
      .join();
  return of(a) === of(b);
}
