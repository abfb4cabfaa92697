import { layoutOf } from '@brook/core/testing';
import { ENTRY, figure } from '@brook/core/base/figure';
import { isNearEnough } from '@brook/core/hydraulics/order';
import { planBleed, planOrders } from '@brook/core/bleed/plan';
import { SMALL_CAR, vapourMargin } from '@brook/core/fluid/vapour';

/** Load a worker's file as the browser would, and give it one question. @returns everything that it posted */
function askFile(
  path: './descent.worker' | './orders.worker' | './photo.worker',
  question: unknown,
): { kind: string }[] {
  const said: { kind: string }[] = [];
  const post = jest
    .spyOn(globalThis as unknown as Window, 'postMessage')
    .mockImplementation(((message: { kind: string }) => void said.push(message)) as never);
  jest.isolateModules(() => void jest.requireActual(path));
  (globalThis.onmessage as unknown as (event: { data: unknown }) => void)({ data: question });
  post.mockRestore();
  globalThis.onmessage = null;
  return said;
}

const boiling = figure({
  label: 'Boiling point',
  value: 180,
  unit: '°C',
  rule: 'given',
  source: ENTRY,
});
const request = (dropM: number) => ({
  vehicle: SMALL_CAR,
  road: [{ lengthM: 1000, dropM, speedMs: 14 }],
  airC: 20,
  altitudeM: 0,
  boiling,
});

test('the descent is reckoned in turn, with progress, as core reckons it', () => {
  const said = askFile('./descent.worker', [request(60), request(80)]);
  expect(said.map((s) => s.kind)).toEqual(['progress', 'progress', 'done']);
  expect(said.at(-1)).toMatchObject({
    value: [
      { margin: { value: vapourMargin(request(60)).margin.value } },
      { margin: { value: vapourMargin(request(80)).margin.value } },
    ],
  });
});

test('a road that cannot be driven comes back as one sentence', () => {
  expect(askFile('./descent.worker', [request(2000)])).toEqual([
    { kind: 'failed', sentence: expect.stringMatching(/give a drop smaller than the length\.$/) },
  ]);
});

test('a photo is answered with a reading or with what was wrong', () => {
  const picture = { width: 100, height: 100, data: new Uint8ClampedArray(40_000).fill(200) };
  expect(
    askFile('./photo.worker', { picture, fluidAt: { x: 30, y: 50 }, whiteAt: { x: 70, y: 50 } }),
  ).toMatchObject([{ kind: 'done', value: { kind: 'read', colour: 'clear' } }]);
  expect(
    askFile('./photo.worker', { picture, fluidAt: { x: 0, y: 0 }, whiteAt: { x: 70, y: 50 } }),
  ).toMatchObject([{ kind: 'done', value: { kind: 'fault', fault: 'outside' } }]);
});

test('the orders: every school at once, progress with a proven gap, then the best among them', () => {
  const request = {
    layout: layoutOf('clutch-concentric', 'left'),
    fillGrade: 'DOT 4' as const,
    newColour: 'clear' as const,
  };
  const said = askFile('./orders.worker', request) as unknown as {
    kind: string;
    soFar?: {
      orders?: { id: string }[];
      sureties?: unknown[];
      search?: { gapMl: number; decided: number };
    };
    value?: {
      orders: { id: string; price: { bledMl: number } }[];
      search: { finished: boolean; inAll: number; bledMl: number; gapMl: number };
    };
  }[];
  const planned = planBleed(request);
  if (planned.verdict === 'refused') throw new Error('refused');
  expect(said[0]!.soFar!.orders).toEqual(planOrders(request, planned.plan));
  expect(said[1]!.soFar!.sureties!.length).toBeGreaterThan(0);
  const gaps = said.slice(2, -1).map((s) => s.soFar!.search!.gapMl);
  expect(gaps.every((g) => g >= 0)).toBe(true);
  const { value } = said.at(-1)!;
  // It stops where it is proven near enough, or at certainty.
  expect(value!.search.finished || isNearEnough(value!.search)).toBe(true);
  expect(value!.search.inAll).toBe(120);
  expect(value!.orders[0]!.price.bledMl).toBeLessThanOrEqual(value!.search.bledMl + 1e-9);
  expect(value!.orders.map((o) => o.id)).toContain('least fluid');
});

test('a job whose order is not free is priced and not searched; a refused one is empty', () => {
  const single = {
    layout: layoutOf('motorcycle-front-disc', 'middle'),
    fillGrade: 'DOT 4' as const,
    newColour: 'clear' as const,
  };
  expect(askFile('./orders.worker', single).at(-1)).toMatchObject({
    kind: 'done',
    value: { orders: [{ id: 'farthest first' }], search: null },
  });
  expect(
    askFile('./orders.worker', { ...single, layout: { ...single.layout, bleeders: [] } }),
  ).toEqual([{ kind: 'done', value: { orders: [], sureties: [], search: null } }]);
});
