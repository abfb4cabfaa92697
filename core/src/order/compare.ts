import type { Method } from '../flow';
import { priceOrder, type OrderPrice } from './price';
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

/** One order with its price, or why it cannot be carried out. */
export interface OrderRow {
  readonly id: OrderId;
  readonly visits: readonly OrderedVisit[];
  readonly priced: OrderPrice | OrderRefusal;
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
): OrderRow[] {
  const rows: { id: OrderId; visits: OrderedVisit[] }[] = [];
  const maker = makerOrder?.filter((id) => setup.bleeders.has(id)) ?? [];
  if (maker.length > 0)
    rows.push({ id: 'maker', visits: givenOrder(maker, 'maker', settings.method) });
  for (const id of ORDER_SCHOOLS) {
    const visits = schoolOrder(setup, id, settings);
    if (visits) rows.push({ id, visits });
  }
  return rows.map((row) => ({ ...row, priced: priced(setup, row.visits) }));
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
  readonly real: boolean;
}

/** Differences below this share of the fluid say nothing: the streamtubes of the model are 5 % apart, and errors that both orders share nearly cancel [M]. */
const REAL_SHARE = 0.01;

/** Compare two prices. Less than a hundredth, or no more than one count, is no real difference. */
export function orderCost(chosen: OrderPrice, other: OrderPrice): OrderCost {
  const moreMl = chosen.bledMl - other.bledMl;
  const moreCounts = chosen.counts - other.counts;
  return {
    moreMl,
    moreCounts,
    moreMinutes: chosen.minutes - other.minutes,
    percent: (100 * moreMl) / other.bledMl,
    real: Math.abs(moreMl) > REAL_SHARE * other.bledMl && Math.abs(moreCounts) > 1,
  };
}
