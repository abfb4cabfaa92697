import {
  planBleed,
  planOrders,
  planSearch,
  planSureties,
  type PlanOrder,
  type PlanRequest,
} from '@brook/core/bleed/plan';
import {
  isNearEnough,
  type CostSurety,
  type OrderId,
  type SearchState,
} from '@brook/core/hydraulics/order';
import type { WorkerAnswer } from './ask';

/** How sure the differences are, by order. */
export type Sureties = readonly (readonly [OrderId, CostSurety])[];

/** What is known while the work goes on. */
export interface OrdersSoFar {
  /** Every school priced; told once, at the start. */
  readonly orders?: readonly PlanOrder[];
  readonly sureties?: Sureties;
  readonly search?: SearchState;
}

/** The comparison with the order that was found, where the order is free. */
export interface OrdersAnswer {
  readonly orders: readonly PlanOrder[];
  readonly sureties: Sureties;
  readonly search: SearchState | null;
}

/** Visits of the search between two words of progress: a few milliseconds each. */
const STEP = 400;

/** Prices every school, says how sure the differences are, then looks for the order of least fluid until it is proven near enough or every order is decided. */
self.onmessage = ({ data: request }: MessageEvent<PlanRequest>) => {
  const say = (answer: WorkerAnswer<OrdersAnswer, OrdersSoFar>) => self.postMessage(answer);
  const done = (value: OrdersAnswer) => say({ kind: 'done', value });
  const result = planBleed(request);
  if (result.verdict === 'refused') return done({ orders: [], sureties: [], search: null });
  const { plan } = result;
  const orders = planOrders(request, plan);
  say({ kind: 'progress', share: 0, soFar: { orders } });
  const sureties = [...planSureties(request, plan, orders)];
  say({ kind: 'progress', share: 0, soFar: { sureties } });
  const search = planSearch(request, plan, orders);
  if (!search) return done({ orders, sureties, search: null });
  let state = search.state();
  while (!state.finished && !isNearEnough(state)) {
    state = search.step(STEP);
    say({ kind: 'progress', share: state.decided / state.inAll, soFar: { search: state } });
  }
  const all = planOrders({ ...request, leastFluid: state.order }, plan);
  done({ orders: all, sureties: [...planSureties(request, plan, all)], search: state });
};
