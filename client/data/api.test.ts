import { api, ApiProblem, Offline, slowness } from './api';
import { deviceId } from './device';
import { touch, whenBack } from './touch';

const answerWith = (status: number, body: unknown) => {
  globalThis.fetch = jest.fn(async () => ({
    status,
    headers: new Headers({ 'brook-now': '1' }),
    ok: status < 400,
    json: async () => body,
  })) as unknown as typeof fetch;
};

test('a refusal carries its sentence and the sentence of each field', async () => {
  answerWith(422, {
    detail: 'Two things are wrong.',
    faults: [{ field: 'tag', sentence: 'Tag is missing.' }],
  });
  const error = await api('/vehicles', { method: 'POST', body: {} }).catch((e: unknown) => e);
  expect(error).toBeInstanceOf(ApiProblem);
  expect((error as ApiProblem).message).toBe('Two things are wrong.');
  expect((error as ApiProblem).faultOf('tag')).toBe('Tag is missing.');
  expect((error as ApiProblem).faultOf('name')).toBeNull();
});

test('an answer that is not a problem document still gives a sentence', async () => {
  globalThis.fetch = jest.fn(async () => ({
    status: 500,
    headers: new Headers(),
    ok: false,
    json: async () => {
      throw new SyntaxError('not JSON');
    },
  })) as unknown as typeof fetch;
  const error = await api('/jobs').catch((e: unknown) => e);
  expect((error as Error).message).toBe('The server answered 500.');
  expect((error as ApiProblem).faults).toEqual([]);
  expect(new ApiProblem(500, 'No.').faults).toEqual([]);
});

test('no connection is told apart from a refusal', async () => {
  globalThis.fetch = jest.fn(async () => {
    throw new TypeError('failed to fetch');
  }) as unknown as typeof fetch;
  await expect(api('/jobs')).rejects.toBeInstanceOf(Offline);
});

test.each([502, 503, 504])('%i is no reception by another name', async (status) => {
  answerWith(status, { detail: 'The database is not there just now.' });
  await expect(api('/jobs')).rejects.toBeInstanceOf(Offline);
});

test('since when nothing was reached is known until anything answers, also by a refusal', async () => {
  answerWith(200, {});
  await api('/jobs');
  expect(touch.outSinceMs()).toBeNull();
  const back = jest.fn();
  const stop = whenBack(back);
  answerWith(503, {});
  await api('/jobs').catch(() => undefined);
  const since = touch.outSinceMs();
  expect(since).toBeGreaterThan(0);
  await api('/jobs').catch(() => undefined);
  expect(touch.outSinceMs()).toBe(since);
  expect(back).not.toHaveBeenCalled();
  answerWith(404, {});
  await api('/jobs').catch(() => undefined);
  expect(touch.outSinceMs()).toBeNull();
  expect(back).toHaveBeenCalledTimes(1);
  stop();
});

test('a change names the version that was seen', async () => {
  answerWith(200, { ok: true });
  await api('/jobs/1/release', { method: 'POST', version: 7 });
  expect(globalThis.fetch).toHaveBeenCalledWith(
    '/api/v1/jobs/1/release',
    expect.objectContaining({
      method: 'POST',
      headers: expect.objectContaining({ 'if-match': '"7"' }),
    }),
  );
});

test('a question says whose phone asks and nothing more; what is sent says that it is JSON', async () => {
  answerWith(200, { ok: true });
  const calls = () => jest.mocked(globalThis.fetch).mock.calls.at(-1)!;
  await api('/jobs');
  expect(calls()).toEqual([
    '/api/v1/jobs',
    {
      method: 'GET',
      headers: { 'brook-device': deviceId() },
      body: undefined,
      credentials: 'same-origin',
      signal: expect.any(AbortSignal),
      keepalive: false,
    },
  ]);
  await api('/jobs', { method: 'POST', body: { vehicleId: 'v' } });
  expect(calls()[1]).toMatchObject({
    method: 'POST',
    headers: { 'brook-device': deviceId(), 'content-type': 'application/json' },
    body: '{"vehicleId":"v"}',
  });
});

test('an answer without content is none', async () => {
  answerWith(204, { ignored: true });
  expect(await api('/session', { method: 'DELETE' })).toBeUndefined();
});

describe('a server that hangs', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  /** A fetch that answers after so long, or is given up before. */
  const answersAfter = (ms: number) => {
    globalThis.fetch = jest.fn(
      (_path: string, { signal }: RequestInit) =>
        new Promise((resolve, reject) => {
          setTimeout(
            () =>
              resolve({ status: 200, headers: new Headers(), ok: true, json: async () => 'late' }),
            ms,
          );
          signal!.addEventListener('abort', () => reject(new Error('aborted')));
        }),
    ) as unknown as typeof fetch;
  };

  test('is said after four seconds, not before, and no more once it answered', async () => {
    answersAfter(6_000);
    const said: boolean[] = [];
    const stop = slowness.subscribe(() => said.push(slowness.isSlow()));
    const asked = api('/jobs');
    await jest.advanceTimersByTimeAsync(3_999);
    expect(slowness.isSlow()).toBe(false);
    await jest.advanceTimersByTimeAsync(1);
    expect(slowness.isSlow()).toBe(true);
    await jest.advanceTimersByTimeAsync(2_000);
    expect(await asked).toBe('late');
    expect(said).toEqual([true, false]);
    stop();
    const again = api('/jobs');
    await jest.advanceTimersByTimeAsync(6_000);
    await again;
    expect(said).toEqual([true, false]);
  });

  test('one that answers in time is never said', async () => {
    answersAfter(3_000);
    const said: boolean[] = [];
    const stop = slowness.subscribe(() => said.push(slowness.isSlow()));
    const asked = api('/jobs');
    await jest.advanceTimersByTimeAsync(3_000);
    expect(await asked).toBe('late');
    await jest.advanceTimersByTimeAsync(30_000);
    expect(said).toEqual([]);
    stop();
  });

  test('is given up after twenty, as if it could not be reached', async () => {
    answersAfter(60_000);
    const asked = api('/jobs').catch((e: unknown) => e);
    await jest.advanceTimersByTimeAsync(20_000);
    expect(await asked).toBeInstanceOf(Offline);
    expect(slowness.isSlow()).toBe(false);
  });
});
