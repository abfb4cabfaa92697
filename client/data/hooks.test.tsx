import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { api, ApiProblem, Offline } from './api';
import { useChangeHouseRules, useHouseRules } from './houseRules';
import { useJob, useJobAct, useOpenJob, type JobAct } from './job';
import { useJobList } from './jobList';
import type { Earlier } from './pages';
import { usePeople } from './people';
import { queryClient } from './queryClient';
import { useSession, useSignIn, useSignOut } from './session';
import {
  useAddContainers,
  useContainerAct,
  useHandedOver,
  useHandOver,
  useRecall,
  useShelf,
  useWaste,
} from './shelf';
import {
  useAddVehicle,
  useMakerEntry,
  useSaveLayout,
  useVehicle,
  useVehicleHistory,
  useVehicles,
} from './vehicles';

jest.mock('./api', () => ({ ...jest.requireActual('./api'), api: jest.fn() }));
const server = jest.mocked(api as (path: string, options?: object) => Promise<unknown>);

/** What the server answers, whatever it is asked. */
const ANSWER = { id: 'j', from: 'server', version: 1, events: [] };

let client: QueryClient;
const wrapper = ({ children }: { readonly children: ReactNode }) => (
  <QueryClientProvider client={client}>{children}</QueryClientProvider>
);
const hook = <T,>(use: () => T) => renderHook(use, { wrapper }).result;
/** What pages show of before, so that one sees which of them is asked for anew. */
const SHOWN = [
  ['job', 'j'],
  ['job', 'other'],
  ['jobs'],
  ['vehicle', 'v'],
  ['vehicle', 'other'],
  ['vehicles'],
  ['history', 'v'],
  ['history', 'other'],
  ['shelf'],
  ['waste'],
  ['recall', 'b'],
  ['house-rules'],
  ['session'],
];
const forgotten = () =>
  SHOWN.filter((k) => client.getQueryState(k)?.isInvalidated).map((k) => k.join(' '));

beforeEach(() => {
  client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  for (const key of SHOWN) client.setQueryData(key, { from: 'before' });
  server.mockReset().mockResolvedValue(ANSWER);
});

interface Change {
  mutateAsync: (given: never) => Promise<unknown>;
}
/** Do it, and say what was sent. */
async function sent(use: () => unknown, given: unknown): Promise<unknown[]> {
  const change = hook(use) as { current: Change };
  await act(async () => {
    await change.current.mutateAsync(given as never).catch(() => undefined);
  });
  return server.mock.calls[0]!;
}

describe('questions', () => {
  // What an answer is kept under decides who sees it and when it is asked anew.
  test.each<[string, () => unknown, string, string[]]>([
    ['a job', () => useJob('j2'), '/jobs/j2', ['job', 'j2']],
    ['a vehicle', () => useVehicle('v2'), '/vehicles/v2', ['vehicle', 'v2']],
    ['the drum', useWaste, '/waste', ['waste']],
    ['the house rules', useHouseRules, '/house-rules', ['house-rules']],
    ['who is signed in', useSession, '/session', ['session']],
  ])('%s', async (_, use, path, key) => {
    client.clear();
    hook(use);
    await waitFor(() => expect(client.getQueryData(key)).toEqual(ANSWER));
    expect(server.mock.calls).toEqual([[path]]);
  });

  test.each<[string, () => unknown, string, readonly string[], readonly string[]]>([
    ['the vehicles', useVehicles, '/vehicles?', ['vehicles'], ['vehicles']],
    ['the people', usePeople, '/people?', ['people'], ['people', 'invited']],
    ['the shelf', useShelf, '/shelf?', ['shelf'], ['containers']],
    [
      'a history',
      () => useVehicleHistory('v2'),
      '/vehicles/v2/history?',
      ['history', 'v2'],
      ['samples', 'changes', 'odometer'],
    ],
    [
      'a batch, whatever stands on its label',
      () => useRecall('B 7/8'),
      '/shelf/recall?batch=B%207%2F8&',
      ['recall', 'B 7/8'],
      ['uses'],
    ],
  ])('%s: all of it, page after page', async (_, use, path, key, lists) => {
    client.clear();
    const page = (id: string, next: string | null) => ({
      ...Object.fromEntries(lists.map((list) => [list, [{ id: `${list} ${id}` }]])),
      next,
    });
    server.mockResolvedValueOnce(page('a', 'then')).mockResolvedValueOnce(page('b', null));
    hook(use);
    const whole = (list: string) => [{ id: `${list} a` }, { id: `${list} b` }];
    await waitFor(() => {
      const data = client.getQueryData<object>(key);
      if (Array.isArray(data)) expect(data).toEqual(whole(lists[0]!));
      else
        expect(data).toEqual({
          ...Object.fromEntries(lists.map((list) => [list, whole(list)])),
          next: null,
        });
    });
    expect(server.mock.calls).toEqual([[`${path}limit=500`], [`${path}limit=500&cursor=then`]]);
  });

  test('what lies further back is asked for once somebody wants it, and from where the last page ended', async () => {
    client.clear();
    const earlier = hook(() => useHandedOver('c1')) as { current: Earlier<object> };
    expect(earlier.current).toMatchObject({ more: true, pages: [] });
    expect(server).not.toHaveBeenCalled();
    server.mockResolvedValueOnce({ n: 1, next: 'c2' }).mockResolvedValueOnce({ n: 2, next: null });
    const shows = (state: object) =>
      waitFor(() => expect(earlier.current).toMatchObject({ ...state, fetching: false }));
    act(() => earlier.current.fetch());
    await shows({ more: true, pages: [{ n: 1 }] });
    act(() => earlier.current.fetch());
    await shows({ more: false, pages: [{ n: 1 }, { n: 2 }] });
    expect(server.mock.calls).toEqual([
      ['/waste/hand-overs?cursor=c1'],
      ['/waste/hand-overs?cursor=c2'],
    ]);
    expect(hook(() => useHandedOver(null))).toMatchObject({ current: { more: false } });
  });

  test('who is signed in is asked once a minute, not at every page', () => {
    hook(useSession);
    expect(server).not.toHaveBeenCalled();
  });

  test('no batch, no question', async () => {
    hook(() => useRecall(''));
    await act(async () => undefined);
    expect(server).not.toHaveBeenCalled();
  });

  test('jobs come page by page, as long as there is a next one', async () => {
    client.clear();
    server
      .mockResolvedValueOnce({ jobs: [1], next: 'c1' })
      .mockResolvedValueOnce({ jobs: [2], next: null });
    const list = hook(() => useJobList());
    await waitFor(() => expect(list.current.hasNextPage).toBe(true));
    await act(async () => void (await list.current.fetchNextPage()));
    expect(server.mock.calls.map(([path]) => path)).toEqual([
      '/jobs?limit=30',
      '/jobs?limit=30&cursor=c1',
    ]);
    await waitFor(() => expect(list.current.hasNextPage).toBe(false));
    server.mockResolvedValueOnce({ jobs: [3], next: null });
    hook(() => useJobList(' van 7 '));
    await waitFor(() => expect(server.mock.calls.at(-1)![0]).toBe('/jobs?limit=30&q=van%207'));
    expect(client.getQueryData(['jobs'])).toMatchObject({
      pages: [{ jobs: [1] }, { jobs: [2] }],
    });
  });
});

// The wire's own paths: contract/src/openapi.ts.
describe('what is done to a job', () => {
  test.each<[JobAct, string, string, unknown]>([
    [{ kind: 'read fluid', entry: { a: 1 } as never }, 'PUT', '/fluid', { a: 1 }],
    [{ kind: 'choose plan', choices: { a: 1 } as never }, 'PUT', '/plan/choices', { a: 1 }],
    [
      { kind: 'accept plan', lookedAtOpened: true },
      'POST',
      '/plan/accept',
      { lookedAtOpened: true },
    ],
    [{ kind: 'fluid used', used: { a: 1 } as never }, 'PUT', '/fluid-used', { a: 1 }],
    [{ kind: 'set test drive' }, 'POST', '/test-drive', undefined],
    [{ kind: 'end test drive', result: 'bad' }, 'POST', '/test-drive/result', { result: 'bad' }],
    [{ kind: 'release' }, 'POST', '/release', undefined],
    [{ kind: 'end', reason: 'rain' }, 'POST', '/end', { reason: 'rain' }],
  ])('%j', async (given, method, path, body) => {
    expect(await sent(() => useJobAct({ id: 'j', version: 4 }), given)).toEqual([
      `/jobs/j${path}`,
      { method, body, version: 4 },
    ]);
    expect(client.getQueryData(['job', 'j'])).toEqual(ANSWER);
    expect(forgotten()).toEqual([
      'jobs',
      'vehicle v',
      'vehicle other',
      'vehicles',
      'history v',
      'history other',
      'shelf',
      'waste',
      'recall b',
    ]);
  });

  test('a draft sends the version that it was built on', async () => {
    const [, options] = await sent(() => useJobAct({ id: 'j', version: 4 }), {
      kind: 'release',
      builtOn: 2,
    });
    expect(options).toEqual({ method: 'POST', body: undefined, version: 2 });
  });

  test('on a conflict the job is fetched anew; any other refusal leaves it as it is', async () => {
    const use = () => useJobAct({ id: 'j', version: 4 });
    server.mockRejectedValueOnce(new ApiProblem(422, 'No.'));
    await sent(use, { kind: 'release' });
    server.mockRejectedValueOnce(new Offline());
    await sent(use, { kind: 'release' });
    expect(forgotten()).toEqual([]);
    server.mockRejectedValueOnce(new ApiProblem(409, 'Somebody was there first.'));
    await sent(use, { kind: 'release' });
    expect(forgotten()).toEqual(['job j']);
    expect(client.getQueryData(['job', 'j'])).toEqual({ from: 'before' });
  });

  test('an answer that taps overtook is taken up, and the job is fetched anew', async () => {
    const known = { version: 9, events: [{ id: 'tap' }], stage: 'proof' };
    client.setDefaultOptions({ queries: { staleTime: 60_000 } });
    client.setQueryData(['job', 'j'], known);
    // As the job's page has it.
    hook(() => useJob('j'));
    server.mockResolvedValueOnce({ version: 8, events: [], stage: 'run', fluidUsed: 1 });
    server.mockResolvedValue({ version: 9, events: [{ id: 'tap' }], stage: 'proof', fluidUsed: 1 });
    await sent(() => useJobAct({ id: 'j', version: 8 }), { kind: 'release' });
    await waitFor(() => expect(server).toHaveBeenCalledTimes(2));
    await waitFor(() =>
      expect(client.getQueryData(['job', 'j'])).toEqual({ ...known, fluidUsed: 1 }),
    );
    expect(forgotten()).not.toContain('job other');
    expect(forgotten()).not.toContain('session');
  });

  test('what is done to one job goes one after another, by the answer before; another job does not wait', async () => {
    let answer: (job: unknown) => void = () => undefined;
    server.mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)));
    const acts = ['j', 'j', 'other'].map((id) => hook(() => useJobAct({ id, version: 4 })));
    const paths = () => server.mock.calls.map(([path]) => path);
    await act(async () => {
      for (const one of acts) one.current.mutate({ kind: 'release' });
    });
    expect(paths()).toEqual(['/jobs/j/release', '/jobs/other/release']);
    await act(async () => answer(ANSWER));
    await waitFor(() =>
      expect(paths()).toEqual(['/jobs/j/release', '/jobs/other/release', '/jobs/j/release']),
    );
  });

  test('a job that was opened is there at once', async () => {
    expect(await sent(useOpenJob, { vehicleId: 'v' })).toEqual([
      '/jobs',
      { method: 'POST', body: { vehicleId: 'v' } },
    ]);
    expect(client.getQueryData(['job', 'j'])).toEqual(ANSWER);
    expect(forgotten()).toContain('jobs');
  });
});

describe('vehicles', () => {
  test('a new one', async () => {
    expect(await sent(useAddVehicle, { name: 'Van' })).toEqual([
      '/vehicles',
      { method: 'POST', body: { name: 'Van' } },
    ]);
    expect(forgotten()).toEqual(['vehicles']);
  });

  test.each([
    ['layout', useSaveLayout],
    ['maker-entry', useMakerEntry],
  ] as const)(
    'its %s, by the version that was seen; every job may get another plan',
    async (what, use) => {
      expect(await sent(() => use({ id: 'v', version: 3 }), { a: 1 })).toEqual([
        `/vehicles/v/${what}`,
        { method: 'PUT', body: { a: 1 }, version: 3 },
      ]);
      expect(client.getQueryData(['vehicle', 'v'])).toEqual(ANSWER);
      expect(forgotten()).toEqual(['job j', 'job other', 'history v']);
    },
  );

  test('after a refusal it is fetched anew, so that the page can show both', async () => {
    server.mockRejectedValueOnce(new ApiProblem(409, 'Somebody was there first.'));
    await sent(() => useSaveLayout({ id: 'v', version: 3 }), { a: 1 });
    expect(forgotten()).toEqual(['vehicle v']);
  });
});

describe('shelf and drum', () => {
  const MOVED = ['job j', 'job other', 'shelf', 'waste', 'recall b'];

  test('containers that came', async () => {
    expect(await sent(useAddContainers, { count: 2 })).toEqual([
      '/shelf',
      { method: 'POST', body: { count: 2 } },
    ]);
    expect(forgotten()).toEqual(MOVED);
  });

  test.each([
    [
      { kind: 'open', openedDaysAgo: 3, keptCapped: true },
      'open',
      { openedDaysAgo: 3, keptCapped: true },
    ],
    [{ kind: 'discard', caught: true }, 'discard', { caught: true }],
  ])(
    '%j, by the version that was seen; refused or not, the shelf is looked at again',
    async (given, path, body) => {
      const use = () => useContainerAct({ id: 'c', version: 6 });
      expect(await sent(use, given)).toEqual([
        `/shelf/c/${path}`,
        { method: 'POST', body, version: 6 },
      ]);
      expect(forgotten()).toEqual(MOVED);
      for (const key of SHOWN) client.setQueryData(key, { from: 'before' });
      server.mockRejectedValueOnce(new ApiProblem(409, 'Somebody was there first.'));
      await sent(use, given);
      expect(forgotten()).toEqual(MOVED);
    },
  );

  test('what was handed over', async () => {
    expect(await sent(useHandOver, { toWhom: 'Depot', document: '12' })).toEqual([
      '/waste/hand-overs',
      { method: 'POST', body: { toWhom: 'Depot', document: '12' } },
    ]);
    expect(client.getQueryData(['waste'])).toEqual(ANSWER);
  });
});

describe('house rules and sessions', () => {
  test('rules are sent with the version that they were built on; plans, shelf and forecasts follow them', async () => {
    expect(await sent(useChangeHouseRules, { rules: { drumMl: 1 }, version: 9 })).toEqual([
      '/house-rules',
      { method: 'PUT', body: { drumMl: 1 }, version: 9 },
    ]);
    expect(client.getQueryData(['house-rules'])).toEqual(ANSWER);
    expect(forgotten()).toEqual([
      'job j',
      'job other',
      'history v',
      'history other',
      'shelf',
      'waste',
      'recall b',
    ]);
  });

  test('rules that were refused are fetched anew', async () => {
    server.mockRejectedValueOnce(new ApiProblem(409, 'Somebody was there first.'));
    await sent(useChangeHouseRules, { rules: {}, version: 9 });
    expect(forgotten()).toEqual(['house-rules']);
  });

  test('signed in, the person is known at once; signed out, nothing is left on the phone', async () => {
    expect(await sent(useSignIn, { login: 'una' })).toEqual([
      '/session',
      { method: 'POST', body: { login: 'una' } },
    ]);
    expect(client.getQueryData(['session'])).toEqual(ANSWER);
    server.mockClear();
    await sent(useSignOut, undefined);
    // Also where the page is closed at once.
    expect(server).toHaveBeenLastCalledWith(
      '/session',
      expect.objectContaining({ method: 'DELETE', keepalive: true }),
    );
    for (const key of SHOWN) expect(client.getQueryData(key)).toBeUndefined();
  });
});

test('only a server that cannot be reached is asked again by itself, twice', () => {
  const { queries, mutations } = queryClient.getDefaultOptions();
  const retry = queries!.retry as (count: number, error: Error) => boolean;
  expect([0, 1, 2].map((n) => retry(n, new Offline()))).toEqual([true, true, false]);
  expect(retry(0, new ApiProblem(500, 'No.'))).toBe(false);
  expect(mutations!.retry).toBe(false);
  // A phone without reception still asks its own workshop, and says that it cannot be reached.
  expect([queries!.networkMode, mutations!.networkMode]).toEqual(['always', 'always']);
});
