import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { FakeSource, lastSource } from '../testing/fakeSource';
import { useLive } from './live';
import { useWorkshopNews } from './workshopNews';

jest.mock('./outbox', () => ({ outboxOf: () => Promise.resolve({ waiting: [], lastSeq: 0 }) }));

/** What shows what may be driven, and what is owed: by the trade's places, not by the list in the code. */
const SHOWN = [['vehicles'], ['vehicle', 'v1'], ['jobs'], ['history', 'v1'], ['overview']];

const mounted: (() => void)[] = [];
let client: QueryClient;
beforeEach(() => {
  jest.useFakeTimers();
  FakeSource.begin();
  client = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  globalThis.fetch = jest.fn(() =>
    Promise.resolve({ ok: false, status: 500, json: () => Promise.resolve({}) }),
  ) as unknown as typeof fetch;
});
afterEach(() => {
  for (const unmount of mounted.splice(0)) unmount();
  client.clear();
  jest.useRealTimers();
});

function open<T>(hook: () => T): { readonly current: T } {
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result, unmount } = renderHook(hook, { wrapper });
  mounted.push(unmount);
  load();
  return result;
}
function load(): void {
  for (const key of SHOWN) client.setQueryData(key, {});
}
const stale = () =>
  SHOWN.filter((key) => client.getQueryState(key)?.isInvalidated === true).map(([key]) => key);
const ALL = SHOWN.map(([key]) => key);
const say = (event: string, data: object) => act(() => lastSource().say(event, data));
const BEAT = { nowMs: 0, phones: [] };

describe.each<[string, () => unknown, unknown]>([
  ['a page of the workshop', () => useWorkshopNews(true), '/api/v1/news'],
  [
    'a page of a job, with the list beside it',
    () => useLive('j1', true),
    expect.stringContaining('/api/v1/jobs/j1/live'),
  ],
])('%s', (_, hook, address) => {
  test('asks anew at what is told, and at nothing else', () => {
    open(hook);
    expect(lastSource().url).toEqual(address);
    say('beat', BEAT);
    expect(stale()).toEqual([]);
    say('changed', BEAT);
    expect(stale()).toEqual(ALL);
  });

  test('what was told while the line was lost is asked for as soon as it is back, once', () => {
    open(hook);
    say('beat', BEAT);
    act(() => lastSource().dispatchEvent(new Event('error')));
    expect(stale()).toEqual([]);
    say('beat', BEAT);
    expect(stale()).toEqual(ALL);
    load();
    say('beat', BEAT);
    expect(stale()).toEqual([]);
  });

  test('a page that nobody looked at asks as soon as it is looked at', () => {
    open(hook);
    say('beat', BEAT);
    const hidden = jest.spyOn(document, 'hidden', 'get').mockReturnValue(true);
    act(() => document.dispatchEvent(new Event('visibilitychange')));
    expect(lastSource().readyState).toBe(FakeSource.CLOSED);
    hidden.mockRestore();
    act(() => document.dispatchEvent(new Event('visibilitychange')));
    expect(FakeSource.made).toHaveLength(2);
    say('beat', BEAT);
    expect(stale()).toEqual(ALL);
  });
});

test('where too many pages are open it says so, and no more once it has a line', async () => {
  globalThis.fetch = jest.fn(() => Promise.resolve({ status: 204 })) as unknown as typeof fetch;
  const result = open(() => useWorkshopNews(true));
  expect(result.current).toBe(false);
  await act(async () => {
    lastSource().close();
    lastSource().dispatchEvent(new Event('error'));
    await jest.advanceTimersByTimeAsync(0);
  });
  expect(result.current).toBe(true);
  say('beat', BEAT);
  expect(result.current).toBe(false);
});
