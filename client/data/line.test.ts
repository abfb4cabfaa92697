import { FakeSource, lastSource as last } from '../testing/fakeSource';
import { Line } from './line';

let line: Line;
let heard: unknown[];
let lost: number;
let full: number;
beforeEach(() => {
  jest.useFakeTimers();
  FakeSource.begin();
  heard = [];
  lost = 0;
  full = 0;
  line = new Line({
    address: () => `/live?since=${heard.length}`,
    on: { said: (data) => heard.push(data) },
    silentMs: 5_000,
    onLost: () => lost++,
    onFull: () => full++,
  });
  line.open();
});
afterEach(() => {
  line.shut();
  jest.useRealTimers();
});

test('what is said is heard, and nothing else', () => {
  last().say('said', { a: 1 });
  last().say('other', { b: 2 });
  expect(heard).toEqual([{ a: 1 }]);
  expect(lost).toBe(0);
});

test('silence is a loss, said once, and the line is made anew from where it was', () => {
  last().say('said', 1);
  jest.advanceTimersByTime(5_000);
  expect([lost, FakeSource.made.length]).toEqual([0, 1]);
  jest.advanceTimersByTime(1_000);
  expect([lost, FakeSource.made.length]).toEqual([1, 2]);
  expect(FakeSource.made[0]!.readyState).toBe(2);
  expect(last().url).toBe('/live?since=1');
  // The new one is given the same time.
  jest.advanceTimersByTime(5_000);
  expect([lost, FakeSource.made.length]).toEqual([1, 2]);
  last().say('said', 2);
  last().dispatchEvent(new Event('error'));
  expect(lost).toBe(2);
});

test('a line that was shut for good is made anew after a while, not at once', () => {
  last().close();
  jest.advanceTimersByTime(3_000);
  expect(FakeSource.made).toHaveLength(1);
  jest.advanceTimersByTime(1_000);
  expect(FakeSource.made).toHaveLength(2);
});

test('a phone that loses reception knows at once, and tries as soon as it has it again', () => {
  window.dispatchEvent(new Event('offline'));
  expect(lost).toBe(1);
  window.dispatchEvent(new Event('online'));
  expect(FakeSource.made).toHaveLength(2);
  line.shut();
  window.dispatchEvent(new Event('online'));
  jest.advanceTimersByTime(60_000);
  expect(FakeSource.made).toHaveLength(2);
  expect(last().readyState).toBe(2);
});

test.each([
  [204, 1],
  [200, 0],
  [401, 0],
])(
  'a line that the server shuts with %i is asked why, and is one too many %i times',
  async (status, times) => {
    const asked: string[] = [];
    let asking: AbortSignal | null = null;
    globalThis.fetch = ((url: string, { signal }: { signal: AbortSignal }) => {
      asked.push(url);
      asking = signal;
      return Promise.resolve({ status });
    }) as unknown as typeof fetch;
    last().close();
    last().dispatchEvent(new Event('error'));
    await jest.advanceTimersByTimeAsync(0);
    expect([lost, full, asked]).toEqual([1, times, ['/live?since=0']]);
    // What was asked is no second line.
    expect(asking!.aborted).toBe(true);
  },
);

test('a line that the browser makes anew by itself is not asked about', async () => {
  const fetched = jest.fn();
  globalThis.fetch = fetched;
  last().dispatchEvent(new Event('error'));
  await jest.advanceTimersByTimeAsync(0);
  expect([lost, full]).toEqual([1, 0]);
  expect(fetched).not.toHaveBeenCalled();
});
