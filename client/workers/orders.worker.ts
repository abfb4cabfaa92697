import {
  planBleed,
  planOrders,
  planSearch,
  type PlanOrder,
  type PlanRequest,
} from '@brook/core/plan';
import type { SearchState } from '@brook/core/order';
import type { WorkerAnswer } from './ask';

/** What is known while the search goes on. */
export interface OrdersSoFar {
  /** Every school priced; told once, at the start. */
  readonly orders?: readonly PlanOrder[];
  readonly search?: SearchState;
}

/** The comparison with the order that was found, where the order is free. */
export interface OrdersAnswer {
  readonly orders: readonly PlanOrder[];
  readonly search: SearchState | null;
}

/** Visits of the search between two words of progress: a few milliseconds each. */
const STEP = 400;

/** Prices every school, then looks for the order of least fluid until every order is decided. */
self.onmessage = ({ data: request }: MessageEvent<PlanRequest>) => {
  const say = (answer: WorkerAnswer<OrdersAnswer, OrdersSoFar>) => self.postMessage(answer);
  const result = planBleed(request);
  if (result.verdict === 'refused')
    return say({ kind: 'done', value: { orders: [], search: null } });
  const { plan } = result;
  const orders = planOrders(request, plan);
  say({ kind: 'progress', share: 0, soFar: { orders } });
  const search = planSearch(request, plan);
  if (!search) return say({ kind: 'done', value: { orders, search: null } });
  let state = search.state();
  while (!state.finished) {
    state = search.step(STEP);
    say({ kind: 'progress', share: state.decided / state.inAll, soFar: { search: state } });
  }
  say({
    kind: 'done',
    value: { orders: planOrders({ ...request, leastFluid: state.order }, plan), search: state },
  });
};
