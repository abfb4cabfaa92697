import type { Appended, Job } from '@brook/contract';
import { loggedEvent, planOf } from '@brook/core/testing';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { api, ApiProblem, Offline } from './api';
import type { Outbox, PhoneEvent } from './outbox';
import { useRun } from './run';
import { keepSending } from './sender';

// The phone's store, without its database.
const mockStore = new Map<string, unknown>();
let mockFull = false;
jest.mock('idb-keyval', () => ({
  createStore: () => 'answers',
  get: async (key: string, store?: string) => (store ? undefined : mockStore.get(key)),
  set: async () => undefined,
  del: async () => undefined,
  entries: async (store?: string) => (store ? [] : [...mockStore]),
  update: async (key: string, by: (before: unknown) => unknown) => {
    if (mockFull) throw new Error('QuotaExceededError');
    mockStore.set(key, by(mockStore.get(key)));
  },
}));
jest.mock('./api', () => ({ ...jest.requireActual('./api'), api: jest.fn() }));
const server = jest.mocked(api as (path: string, options?: object) => Promise<unknown>);

const plan = planOf('motorcycle-front-disc');
const openingId = plan.openings[0]!.id;
const ACCEPTED = loggedEvent({ id: 'accepted', kind: 'plan accepted', plan: plan, pick: null });
const PREPARED = loggedEvent({ id: 'prepared', kind: 'prepared', step: 'read cap', deviceSeq: 1 });
const STROKE = { kind: 'stroke', openingId } as const;
const DRIVE = { state: 'do not drive', since: null, reason: null } as const;
const job = (...events: object[]) =>
  ({
    id: 'job',
    version: 1,
    stage: 'run',
    drive: DRIVE,
    vehicleDrive: 'do not drive',
    planResult: { verdict: 'planned', plan },
    events: [ACCEPTED, PREPARED, ...events],
  }) as unknown as Job;

let log: object[] = [];
const UNA = { id: 'una', name: 'Una' };
/** Who is signed in on this phone. */
let who = UNA;
let refuses: (e: PhoneEvent) => string | null = () => null;
/** What the server was sent, batch by batch. */
let batches: {
  events: PhoneEvent[];
  lowestWaiting: number;
  since: number;
  personId: string;
}[] = [];
let stage = 'run';

async function answers(path: string, options?: object): Promise<unknown> {
  if (path === '/session') return { user: who };
  if (path !== '/jobs/job/events') return job(...log.slice(2));
  const { body } = options as { body: (typeof batches)[number] };
  batches.push(body);
  const taken = body.events.filter((e) => refuses(e) === null);
  log = [...log, ...taken.map((e) => ({ ...e, person: who.name }))];
  return {
    answers: body.events.map((e) => {
      const sentence = refuses(e);
      return { id: e.id, result: sentence ? 'refused' : 'new', sentence };
    }),
    events: log.slice(body.since),
    position: log.length,
    stage,
    version: 7,
    drive: DRIVE,
  } as unknown as Appended;
}

/** Nothing goes out; who is signed in is kept on the phone. */
async function noReception(path: string): Promise<unknown> {
  if (path === '/session') return { user: who };
  throw new Offline();
}

let client: QueryClient;
let stopSending = () => {};
// What one test was sending is through before the next one fills the shelves.
afterEach(async () => {
  stopSending();
  await settled();
});
function live(...events: object[]) {
  log = job(...events).events;
  client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  client.setQueryData(['job', 'job'], job(...events));
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  stopSending = keepSending(client);
  return renderHook(() => useRun(client.getQueryData<Job>(['job', 'job'])!), { wrapper });
}
type Live = ReturnType<typeof live>['result'];
const made = (run: Live) =>
  run.current.state.bleeders.find((b) => b.openingId === openingId)!.strokes;
/** Let what waits be sent, and what came back be drawn. */
const settled = () => act(() => new Promise((done) => setTimeout(done, 60)));
async function ready(hook: ReturnType<typeof live>) {
  await waitFor(() => expect(hook.result.current.ready).toBe(true));
  await settled();
  return hook.result;
}

beforeEach(() => {
  mockStore.clear();
  mockFull = false;
  batches = [];
  refuses = () => null;
  stage = 'run';
  who = UNA;
  localStorage.setItem('brook.device', 'phone');
  server.mockReset().mockImplementation(answers);
});

test('nothing may be counted before what waits on this phone was read', async () => {
  const hook = live();
  expect(hook.result.current.ready).toBe(false);
  const run = await ready(hook);
  expect(run.current).toMatchObject({ waiting: 0, refused: [], link: 'up', counts: true });
  expect(batches).toEqual([]);
});

test('a tap is counted at once, sent with its number and plan, and leaves when the server has it', async () => {
  const run = await ready(live());
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(made(run)).toBe(1));
  await waitFor(() => expect(run.current.waiting).toBe(0));
  // The server has number 1 of this phone already.
  expect(batches).toEqual([
    {
      events: [
        expect.objectContaining({ ...STROKE, deviceId: 'phone', deviceSeq: 2, planId: plan.id }),
      ],
      lowestWaiting: 2,
      since: 2,
      personId: 'una',
    },
  ]);
  const known = client.getQueryData<Job>(['job', 'job'])!;
  expect(known.events.map((e) => e.id)).toEqual([
    'accepted',
    'prepared',
    batches[0]!.events[0]!.id,
  ]);
  expect(known.version).toBe(7);
});

test('what waited from before is sent when the page comes, ahead of what is tapped now', async () => {
  const waiting = {
    ...STROKE,
    id: 'old',
    deviceId: 'phone',
    deviceSeq: 5,
    atMs: 0,
    planId: plan.id,
  };
  const box = { version: 3, lastSeq: 5, waiting: [{ event: waiting, by: UNA }], refused: [] };
  mockStore.set('outbox:job', box);
  const run = await ready(live());
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(batches.flatMap((b) => b.events)).toHaveLength(2));
  expect(batches.flatMap((b) => b.events).map((e) => e.deviceSeq)).toEqual([5, 6]);
  expect(made(run)).toBe(2);
});

test('a key that was bound a moment ago takes back the last tap that was painted, not the one before', async () => {
  const run = await ready(live());
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(made(run)).toBe(1));
  const bound = run.current.undo;
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(made(run)).toBe(2));
  act(() => bound());
  await waitFor(() => expect(made(run)).toBe(1));
  const [first, second, back] = run.current.job.log.slice(-3);
  expect([first!.kind, back]).toEqual(['stroke', expect.objectContaining({ eventId: second!.id })]);
});

test('without reception a tap counts and waits; back again, it goes without being asked', async () => {
  const run = await ready(live());
  server.mockRejectedValueOnce(new Offline());
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(run.current.link).toBe('down'));
  expect(run.current).toMatchObject({ waiting: 1, refusal: null });
  expect(made(run)).toBe(1);
  act(() => void window.dispatchEvent(new Event('online')));
  await waitFor(() => expect(run.current).toMatchObject({ waiting: 0, link: 'up' }));
  expect(made(run)).toBe(1);
});

test('a server that takes nothing says why, and what was tapped is kept', async () => {
  const run = await ready(live());
  server.mockRejectedValueOnce(new ApiProblem(403, 'Sign in again.'));
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(run.current.link).toBe('refused'));
  expect(run.current).toMatchObject({ waiting: 1, refusal: 'Sign in again.' });
});

test('a phone that cannot keep the tap says so: it was not counted', async () => {
  const run = await ready(live());
  mockFull = true;
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(run.current.link).toBe('refused'));
  expect(run.current.refusal).toMatch(/cannot keep the tap/);
  expect(made(run)).toBe(0);
});

test('one that is refused lies on its own shelf; dropped it is gone, said again it is a new one', async () => {
  refuses = (e) => (e.deviceSeq === 2 ? 'There is no such opening.' : null);
  const run = await ready(live());
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(run.current.refused).toHaveLength(1));
  expect(run.current.refused[0]!.sentence).toBe('There is no such opening.');
  expect(run.current).toMatchObject({ waiting: 0, link: 'up' });
  expect(made(run)).toBe(0);
  const first = run.current.refused[0]!;
  act(() => run.current.sayAgain(first));
  await waitFor(() => expect(made(run)).toBe(1));
  await waitFor(() => expect(run.current.refused).toEqual([]));
  await settled();
  const again = batches.at(-1)!.events[0]!;
  expect(again).toMatchObject({ ...STROKE, deviceSeq: 3 });
  expect(again.id).not.toBe(first.event.id);

  refuses = () => 'No.';
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(run.current.refused).toHaveLength(1));
  act(() => run.current.dropRefused(run.current.refused[0]!.event.id));
  await waitFor(() => expect(run.current.refused).toEqual([]));
});

test('two undos in quick succession take back two, before either is painted', async () => {
  const run = await ready(live());
  for (const _ of [1, 2]) {
    act(() => run.current.say(STROKE));
    await settled();
  }
  expect(made(run)).toBe(2);
  act(() => {
    run.current.undo();
    run.current.undo();
  });
  await settled();
  expect(made(run)).toBe(0);
});

test('undo takes back the last of this phone, though another one tapped later', async () => {
  const others = loggedEvent({ ...STROKE, id: 'theirs', deviceId: 'other', deviceSeq: 1 });
  const mine = loggedEvent({ ...STROKE, id: 'mine', deviceId: 'phone', deviceSeq: 2 });
  const run = await ready(live(mine, others));
  act(() => run.current.undo());
  await waitFor(() => expect(batches).toHaveLength(1));
  expect(batches[0]!.events[0]).toMatchObject({ kind: 'undone', eventId: 'mine' });
  expect(run.current.undoAsked).toBeNull();
});

test('without one of its own it asks before it takes back another’s, and may be told no', async () => {
  localStorage.setItem('brook.device', 'second');
  const run = await ready(
    live(loggedEvent({ ...STROKE, id: 'theirs', deviceId: 'phone', deviceSeq: 2 })),
  );
  expect(run.current.counts).toBe(false);
  act(() => run.current.undo());
  expect(run.current.undoAsked).toMatchObject({ id: 'theirs' });
  act(() => run.current.answerUndo(false));
  await settled();
  expect(run.current.undoAsked).toBeNull();
  expect(batches).toEqual([]);
  act(() => run.current.undo());
  act(() => run.current.answerUndo(true));
  await waitFor(() => expect(batches).toHaveLength(1));
  expect(batches[0]!.events[0]).toMatchObject({ kind: 'undone', eventId: 'theirs', deviceSeq: 1 });
  expect(run.current.undoAsked).toBeNull();
});

test('what was taken back, and the acceptance of the plan, are not taken back again', async () => {
  const undone = loggedEvent({ kind: 'undone', eventId: 'prepared', id: 'u', deviceSeq: 2 });
  const run = await ready(live(undone));
  act(() => run.current.undo());
  await settled();
  expect(run.current.undoAsked).toBeNull();
  expect(batches).toEqual([]);
});

test('more than a batch goes in several, in order', async () => {
  const waiting = Array.from({ length: 501 }, (_, i) => ({
    event: {
      ...STROKE,
      id: `w${i}`,
      deviceId: 'phone',
      deviceSeq: i + 2,
      atMs: 0,
      planId: plan.id,
    },
    by: UNA,
  }));
  mockStore.set('outbox:job', { version: 3, lastSeq: 502, waiting, refused: [] });
  const run = await ready(live());
  await waitFor(() => expect(run.current.waiting).toBe(0));
  expect(batches.map((b) => [b.events.length, b.lowestWaiting, b.since])).toEqual([
    [500, 2, 2],
    [1, 502, 502],
  ]);
});

test('where the job moved on meanwhile it is fetched anew, and the lists forget what they showed', async () => {
  const run = await ready(live());
  const forgotten = jest.spyOn(client, 'invalidateQueries');
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(run.current.waiting).toBe(0));
  expect(forgotten).not.toHaveBeenCalled();
  stage = 'proof';
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(run.current.waiting).toBe(0));
  await waitFor(() => expect(forgotten).toHaveBeenCalledWith({ queryKey: ['job', 'job'] }));
  expect(forgotten).toHaveBeenCalledWith({ queryKey: ['jobs'] });
});

test('what another phone did comes with the answer to one’s own tap', async () => {
  const run = await ready(live());
  log = [...log, loggedEvent({ ...STROKE, id: 'theirs', deviceId: 'phone', deviceSeq: 40 })];
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(made(run)).toBe(2));
});

test('what another page of this phone sent stays painted, though this one has no reception to hear of it', async () => {
  server.mockImplementation(noReception);
  const run = await ready(live());
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(made(run)).toBe(1));
  // The other page had reception for a moment, sent it, and took it out of the store that both share.
  const box = mockStore.get('outbox:job') as Outbox;
  mockStore.set('outbox:job', { ...box, waiting: [] });
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(made(run)).toBe(2));
  expect(run.current.waiting).toBe(1);
  act(() => run.current.undo());
  await waitFor(() => expect(made(run)).toBe(1));
  // Once this page hears of it, it counts once.
  const first = box.waiting[0]!.event;
  log = [...log, { ...first, person: 'Una' }];
  server.mockReset().mockImplementation(answers);
  act(() => void window.dispatchEvent(new Event('online')));
  await waitFor(() => expect(run.current.waiting).toBe(0));
  expect(made(run)).toBe(1);
});

test('what was refused meanwhile does not stay painted', async () => {
  server.mockImplementation(noReception);
  const run = await ready(live());
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(made(run)).toBe(1));
  const box = mockStore.get('outbox:job') as Outbox;
  const refused = [{ event: box.waiting[0]!.event, sentence: 'No.' }];
  mockStore.set('outbox:job', { ...box, waiting: [], refused });
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(run.current.refused).toHaveLength(1));
  expect(made(run)).toBe(1);
});

test('another job on the same page has a log, shelves and numbers of its own', async () => {
  const hook = live();
  hook.unmount();
  const theirs = loggedEvent({ ...STROKE, id: 'sent', deviceId: 'phone', deviceSeq: 30 });
  const other = { ...job(theirs), id: 'other' };
  const event = { ...STROKE, id: 'no', deviceId: 'phone', deviceSeq: 9, atMs: 0, planId: plan.id };
  const shelf = (id: string) =>
    mockStore.get(`outbox:${id}`) as Pick<Outbox, 'waiting' | 'refused'> | undefined;
  mockStore.set('outbox:other', {
    version: 3,
    lastSeq: 0,
    waiting: [],
    refused: [{ event, sentence: 'No.' }],
  });
  server.mockRejectedValue(new Offline());
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  const { result, rerender } = renderHook(({ shown }) => useRun(shown), {
    wrapper,
    initialProps: { shown: job() },
  });
  expect(result.current.refused).toEqual([]);
  await waitFor(() => expect(result.current.ready).toBe(true));
  rerender({ shown: other });
  await waitFor(() => expect(result.current.refused).toHaveLength(1));
  act(() => result.current.say(STROKE));
  await waitFor(() =>
    expect(shelf('other')!.waiting).toMatchObject([{ event: { deviceSeq: 31 } }]),
  );
  await waitFor(() => expect(made(result)).toBe(2));
  const tapped = shelf('other')!.waiting[0]!.event.id;
  act(() => result.current.undo());
  await waitFor(() =>
    expect(shelf('other')!.waiting[1]!.event).toMatchObject({ kind: 'undone', eventId: tapped }),
  );
  act(() => result.current.dropRefused('no'));
  await waitFor(() => expect(result.current.refused).toEqual([]));
  expect(shelf('other')!.refused).toEqual([]);
  expect(shelf('job')).toBeUndefined();
});

test('before anybody counted, this phone may; a tap stands under the name of who is signed in', async () => {
  const run = await ready(live());
  expect(run.current.counts).toBe(true);
  expect(run.current.state.counting).toBeNull();
  await waitFor(() => expect(client.getQueryData(['session'])).toBeDefined());
  server.mockRejectedValue(new Offline());
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(run.current.job.log.at(-1)).toMatchObject({ person: 'Una' }));
});

const byUna = {
  event: { ...STROKE, id: 'una’s', deviceId: 'phone', deviceSeq: 5, atMs: 0, planId: plan.id },
  by: UNA,
};
const unasBox = { version: 3, lastSeq: 5, waiting: [byUna], refused: [] };

test('what Una tapped is not sent while Ode is signed in, nor Ode’s behind it; seen it is, in her name', async () => {
  mockStore.set('outbox:job', unasBox);
  who = { id: 'ode', name: 'Ode' };
  const run = await ready(live());
  expect(run.current.job.log.at(-1)).toMatchObject({ id: 'una’s', person: 'Una' });
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(run.current.waiting).toBe(2));
  await settled();
  expect(batches).toEqual([]);
  expect(run.current).toMatchObject({ link: 'refused', waitsFor: [{ person: 'Una', taps: 1 }] });
  expect(run.current.refusal).toContain('goes out when Una signs in here');
  // Una is back: hers go in her name, then Ode's wait in turn.
  who = UNA;
  await act(() => client.invalidateQueries({ queryKey: ['session'] }));
  act(() => void window.dispatchEvent(new Event('online')));
  await waitFor(() =>
    expect(run.current.waitsFor).toEqual([{ id: 'ode', person: 'Ode', taps: 1 }]),
  );
  await waitFor(() => expect(batches).toHaveLength(1));
  expect(batches[0]).toMatchObject({ personId: 'una', events: [{ id: 'una’s' }] });
});

test('set aside, Una’s tap lies beside, and Ode’s goes out', async () => {
  mockStore.set('outbox:job', unasBox);
  who = { id: 'ode', name: 'Ode' };
  const run = await ready(live());
  act(() => run.current.say(STROKE));
  await waitFor(() => expect(run.current.waiting).toBe(2));
  act(() => run.current.setOthersAside());
  await waitFor(() => expect(batches).toHaveLength(1));
  expect(batches[0]).toMatchObject({ personId: 'ode', events: [{ deviceSeq: 6 }] });
  expect(run.current.refused).toMatchObject([{ event: { id: 'una’s' } }]);
});

test('a photo that is told of again keeps its id, under which it is kept', async () => {
  const event = { ...byUna.event, kind: 'media note', medium: 'photo', elementId: null };
  mockStore.set('outbox:job', { ...unasBox, waiting: [], refused: [{ event, sentence: 'No.' }] });
  const run = await ready(live());
  act(() => run.current.sayAgain(run.current.refused[0]!));
  await waitFor(() => expect(batches).toHaveLength(1));
  expect(batches[0]!.events).toMatchObject([{ id: 'una’s', kind: 'media note', deviceSeq: 6 }]);
});

test('undo asks by name before it takes back what somebody else tapped on the same phone', async () => {
  mockStore.set('outbox:job', unasBox);
  who = { id: 'ode', name: 'Ode' };
  const run = await ready(live());
  act(() => run.current.undo());
  await waitFor(() => expect(run.current.undoAsked).toMatchObject({ person: 'Una' }));
  expect(run.current.waiting).toBe(1);
});

test('off the page nothing is sent any more', async () => {
  const hook = live();
  await ready(hook);
  hook.unmount();
  server.mockClear();
  act(() => void window.dispatchEvent(new Event('online')));
  await settled();
  expect(server).not.toHaveBeenCalled();
});
