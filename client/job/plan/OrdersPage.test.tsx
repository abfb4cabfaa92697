import type { Job } from '@brook/contract';
import { planOrders, type Plan } from '@brook/core/bleed/plan';
import {
  afterWork,
  allMasters,
  cappedPart,
  layoutOf,
  planned,
  requestOf,
} from '@brook/core/testing';
import { routineFlush } from '@brook/core/bleed/scope';
import { act, render, screen } from '@testing-library/react';
import { OrdersPage } from './OrdersPage';

let mockAnswer: (answer: object) => void = () => undefined;
let mockFail: (error: Error) => void = () => undefined;
jest.mock('../../data/workers/ask', () => ({
  askWorker: () => ({
    answer: new Promise((resolve, reject) => {
      mockAnswer = resolve;
      mockFail = reject;
    }),
    cancel: () => undefined,
  }),
}));

const layout = layoutOf('hatchback-diagonal');
const show = (plan: Plan) =>
  render(
    <OrdersPage
      job={
        {
          vehicleName: 'Van',
          layout,
          before: [],
          fluid: null,
          inside: null,
          makerEntry: null,
          planChoices: {
            order: null,
            work: plan.work,
            circumstances: plan.wishes!.circumstances,
            leaveOldFluid: false,
          },
        } as unknown as Job
      }
      plan={plan}
      busy={false}
      onChoose={() => undefined}
      onBack={() => undefined}
    />,
  );

test('where the fluid is not renewed it says that there is nothing to compare, and does not wait', async () => {
  const work = afterWork(layout, { parts: [cappedPart('left-front-caliper')] });
  const plan = planned(layout, { work });
  show(plan);
  expect(screen.getByText('Pricing the schools …')).toBeTruthy();
  await act(async () =>
    mockAnswer({
      orders: planOrders(requestOf(layout, { work }), plan),
      sureties: [],
      search: null,
    }),
  );
  expect(screen.queryByText('Pricing the schools …')).toBeNull();
  expect(screen.getByText(/every order needs the same/)).toBeTruthy();
  expect(screen.queryByRole('radio')).toBeNull();
});

test('a flush is priced order by order, and what was chosen is marked', async () => {
  const work = routineFlush(allMasters(layout));
  const plan = planned(layout, { work });
  show(plan);
  const orders = planOrders(requestOf(layout, { work }), plan);
  await act(async () => mockAnswer({ orders, sureties: [], search: null }));
  expect(screen.queryByText(/every order needs the same/)).toBeNull();
  expect(screen.getAllByRole('radio')).toHaveLength(orders.length);
  expect(screen.getByRole('radio', { name: /^Farthest first/ }).getAttribute('aria-checked')).toBe(
    'true',
  );
  expect(screen.getByText(/^Simulated along this layout/)).toBeTruthy();
});

test('a reckoning that failed is said, and nothing waits beside it', async () => {
  show(planned(layout, { work: routineFlush(allMasters(layout)) }));
  await act(async () => mockFail(new Error('The reckoning failed on this phone.')));
  expect(screen.getByText('The reckoning failed on this phone.')).toBeTruthy();
  expect(screen.queryByText('Pricing the schools …')).toBeNull();
});
