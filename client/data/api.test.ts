import { api, ApiProblem, Offline, slowness } from './api';

const answerWith = (status: number, body: unknown) => {
  globalThis.fetch = jest.fn(async () => ({
    status,
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
    status: 502,
    ok: false,
    json: async () => {
      throw new SyntaxError('not JSON');
    },
  })) as unknown as typeof fetch;
  await expect(api('/jobs')).rejects.toThrow('The server answered 502.');
});

test('no connection is told apart from a refusal', async () => {
  globalThis.fetch = jest.fn(async () => {
    throw new TypeError('failed to fetch');
  }) as unknown as typeof fetch;
  await expect(api('/jobs')).rejects.toBeInstanceOf(Offline);
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

describe('a server that hangs', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  /** A fetch that answers after so long, or is given up before. */
  const answersAfter = (ms: number) => {
    globalThis.fetch = jest.fn(
      (_path: string, { signal }: RequestInit) =>
        new Promise((resolve, reject) => {
          setTimeout(() => resolve({ status: 200, ok: true, json: async () => 'late' }), ms);
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
  });

  test('is given up after twenty, as if it could not be reached', async () => {
    answersAfter(60_000);
    const asked = api('/jobs').catch((e: unknown) => e);
    await jest.advanceTimersByTimeAsync(20_000);
    expect(await asked).toBeInstanceOf(Offline);
    expect(slowness.isSlow()).toBe(false);
  });
});
