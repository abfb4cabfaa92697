import { problem } from '@brook/contract';
import { OPERATIONS } from '@brook/contract/openapi';
import { createServer } from 'node:http';
import { connect as connectTcp } from 'node:net';
import request from 'supertest';
import { gzipSync } from 'node:zlib';
import { refuseConnection } from './problems/clientError';
import { problemOf } from './problems/fromOutside';
import { TestServer, type Caller } from '../testing';

let testServer: TestServer;
let tech: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn('tech');
});
afterAll(() => testServer.stop());

const json = (body: string | Buffer, headers: Record<string, string> = {}) =>
  tech.agent
    .post('/api/v1/jobs')
    .set({ 'content-type': 'application/json', ...headers })
    .serialize((b) => b as string)
    .send(body as string);

const refusal = (res: { status: number; body: unknown }) => {
  const { status, detail } = problem.parse(res.body);
  expect(status).toBe(res.status);
  return [status, detail];
};

describe('a body that cannot be read is refused in a sentence of ours', () => {
  test('no JSON', async () => {
    expect(refusal(await json('{'))).toEqual([
      400,
      'The body is not JSON; send one JSON document.',
    ]);
    expect(refusal(await json(''))[0]).toBe(422);
    expect(refusal(await json('[]'))[0]).toBe(422);
    expect(refusal(await json('null'))[0]).toBe(400);
  });

  test('256 kB is read, a byte more is not', async () => {
    const fill = (bytes: number) => `{"a":"${'x'.repeat(bytes - 8)}"}`;
    expect(refusal(await json(fill(256 * 1024)))[0]).toBe(422);
    expect(refusal(await json(fill(256 * 1024 + 1)))).toEqual([
      413,
      'The body is larger than 256 kB; send less at once.',
    ]);
  });

  test('another alphabet, another packing, a packing that is none', async () => {
    const other = await json('{}', { 'content-type': 'application/json; charset=latin1' });
    expect(refusal(other)).toEqual([415, 'The body is in another alphabet; send it as UTF-8.']);
    expect(refusal(await json('{}', { 'content-encoding': 'zip' }))[0]).toBe(415);
    expect(refusal(await json('{}', { 'content-encoding': 'gzip' }))).toEqual([
      400,
      'This request cannot be read; send it again as JSON.',
    ]);
  });

  test('a bomb is measured unpacked', async () => {
    const bomb = gzipSync(`"${'x'.repeat(5_000_000)}"`);
    expect(refusal(await json(bomb, { 'content-encoding': 'gzip' }))[0]).toBe(413);
  });

  test('of somebody who is not signed in it is not even read', async () => {
    const res = await request(testServer.app)
      .post('/api/v1/jobs')
      .set('content-type', 'application/json')
      .send('{');
    expect(refusal(res)[0]).toBe(401);
  });

  test('sign-in takes 4 kB, and no byte more', async () => {
    const of = (bytes: number) => {
      const bare = JSON.stringify({ login: 'tech', password: '' }).length;
      return request(testServer.app)
        .post('/api/v1/session')
        .send({ login: 'tech', password: 'x'.repeat(bytes - bare) });
    };
    expect(refusal(await of(4096))[0]).toBe(422);
    expect(refusal(await of(4097))).toEqual([
      413,
      'The body is larger than 4 kB; send less at once.',
    ]);
  });
});

describe('what no text can hold', () => {
  const vehicle = (name: string) =>
    `{"name":"${name}","tag":"X 1","templateId":"hatchback-diagonal","driverSide":"left"}`;
  const add = (body: string) =>
    tech.agent.post('/api/v1/vehicles').set('content-type', 'application/json').send(body);

  test.each(['\\u0000', '\\ud83d', 'a\\udc00b'])('%s is named at its field', async (sign) => {
    const res = await add(vehicle(`Car ${sign}`));
    expect(refusal(res)[0]).toBe(422);
    expect(res.body.faults[0].field).toBe('name');
  });

  test('a whole pair is a letter', async () => {
    await add(vehicle('Car \\ud83d\\ude97')).expect(201);
  });

  test('nor in a search', async () => {
    expect(refusal(await tech.get('/jobs?q=%00'))[0]).toBe(422);
  });
});

test.each([
  ['a path that is no text', '/api/v1/jobs/%ff', 404],
  ['a broken percent sequence', '/api/v1/jobs/%', 404],
  ['an id that is none', '/api/v1/jobs/1', 404],
  ['a cursor that is no base64 of ours', '/api/v1/jobs?cursor=abc', 422],
  [
    'one with an id that is none',
    cursor({ closed: false, openedAt: '2026-01-01T00:00:00Z', id: 'x' }),
    422,
  ],
  ['one with a time that is none', cursor({ closed: false, openedAt: '1/1/1', id: ID() }), 422],
  [
    'one with a time beyond belief',
    cursor({ closed: true, openedAt: '+275760-09-13T00:00:00Z', id: ID() }),
    422,
  ],
  ['a page of nothing', '/api/v1/jobs?limit=0', 422],
  ['a page of everything', '/api/v1/jobs?limit=1e9', 422],
  ['two limits', '/api/v1/jobs?limit=1&limit=2', 422],
  [
    'a position beyond belief',
    '/api/v1/jobs/11111111-1111-4111-8111-111111111111/live?since=1e300',
    422,
  ],
])('%s', async (_, path, status) => {
  expect(refusal(await tech.agent.get(path))[0]).toBe(status);
});

function ID() {
  return '11111111-1111-4111-8111-111111111111';
}
function cursor(place: object) {
  return `/api/v1/jobs?cursor=${Buffer.from(JSON.stringify(place)).toString('base64url')}`;
}

test('counters and times beyond belief are refused, each by itself, and nothing of them is kept', async () => {
  const job = await tech.running();
  const event = (more: object) => ({
    id: crypto.randomUUID(),
    deviceId: ID(),
    deviceSeq: 1,
    atMs: testServer.now.getTime(),
    planId: null,
    kind: 'note',
    text: 'a note',
    ...more,
  });
  const beyond = [
    { deviceSeq: 2 ** 31 },
    { deviceSeq: 1e308 },
    { deviceSeq: 1.5 },
    { deviceSeq: -1 },
    { atMs: 1e308 },
    { atMs: -1 },
    { atMs: Number.MAX_SAFE_INTEGER },
    { atMs: 8.64e15 },
  ].map(event);
  const { body } = await tech.events(job, beyond).expect(200);
  expect(body.answers.map((a: { result: string }) => a.result)).toEqual(
    beyond.map(() => 'refused'),
  );
  for (const more of [{ since: 2 ** 40 }, { lowestWaiting: 2 ** 40 }, { since: 1e308 }])
    expect(refusal(await tech.events(job, [event({})], more))[0]).toBe(422);
  expect((await tech.job(job.id)).events).toEqual(job.events);
});

test('every operation answers a body of another kind with a sentence of ours', async () => {
  for (const o of OPERATIONS.filter((op) => op.takes && op.path !== '/session'))
    for (const body of ['[]', '{"a":{"__proto__":1}}', '{"a":1e999}']) {
      const call = tech.agent[o.method](`/api/v1${o.path.replace('{id}', ID())}`);
      const res = await call
        .set({ 'content-type': 'application/json', 'if-match': '"1"' })
        .send(body);
      expect(res.status).toBeLessThan(500);
      if (res.status >= 400)
        expect(JSON.stringify(refusal(res))).not.toMatch(/Invalid input|Unrecognized key/);
    }
});

test('what is no HTTP, or has a head beyond all measure, is answered in our words too', async () => {
  const server = createServer(testServer.app);
  server.on('clientError', refuseConnection);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as { port: number };
  const say = (words: string) =>
    new Promise<string>((resolve) => {
      let heard = '';
      const socket = connectTcp(port, '127.0.0.1', () => socket.write(words));
      socket.on('data', (chunk) => (heard += chunk.toString()));
      socket.on('close', () => resolve(heard));
    });
  try {
    expect(await say('hello\r\n\r\n')).toMatch(/^HTTP\/1.1 400 [^]*"This is no HTTP request/);
    const head = `GET / HTTP/1.1\r\nhost: a\r\nx: ${'x'.repeat(100_000)}\r\n\r\n`;
    expect(await say(head)).toMatch(/^HTTP\/1.1 431 [^]*"status":431/);
  } finally {
    server.close();
  }
});

test.each([
  // PostgreSQL documentation, appendix "Error Codes".
  ['disk full', { original: { code: '53100' } }, /disk .* full/],
  ['may only read', { cause: { code: '25006' } }, /disk .* only be read/],
  ['a file that cannot be written', { code: '58030' }, /disk/],
  ['too many connections', { original: { code: '53300' } }, /not there just now/],
])('%s: nothing was saved, in one sentence', (_, error, words) => {
  expect(problemOf(error)).toMatchObject({
    kind: 'unavailable',
    message: expect.stringMatching(words),
  });
});

test('what is our own fault is no refusal of anybody’s', () => {
  expect(problemOf({ original: { code: '42601' } })).toBeNull();
});
