import { layoutOf } from '@brook/core/testing';
import { problem, type Job } from '@brook/contract';
import { OPERATIONS, openApi } from '@brook/contract/openapi';
import { randomUUID } from 'node:crypto';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { brotliCompressSync } from 'node:zlib';
import { TestServer, fullRun, SOUND_FLUID, type Caller } from './testing';

const webDir = mkdtempSync(join(tmpdir(), 'brook-web-'));
let testServer: TestServer;
beforeAll(async () => {
  mkdirSync(join(webDir, 'js'));
  writeFileSync(join(webDir, 'index.html'), '<html>page</html>');
  writeFileSync(join(webDir, 'js', 'app-0123456789abcdef.js'), 'run()');
  writeFileSync(join(webDir, 'js', 'app-0123456789abcdef.js.br'), brotliCompressSync('run()'));
  testServer = await TestServer.start({ webDir });
});
afterAll(async () => {
  await testServer.stop();
  rmSync(webDir, { recursive: true });
});

const ID = '11111111-1111-4111-8111-111111111111';
const call = (agent: ReturnType<typeof request.agent>, o: (typeof OPERATIONS)[number], id = ID) => {
  const made = agent[o.method](`/api/v1${o.path.replace('{id}', id)}`);
  return o.matches ? made.set('if-match', '"1"') : made;
};
// The schema of a layout file is published: anybody may read it. Who was asked in is known by a code alone. A helper's phone is known by its token alone.
const behindSignIn = OPERATIONS.filter(
  (o) =>
    !['/health', '/openapi.json', '/session', '/session/join', '/layout.schema.json'].includes(
      o.path,
    ) && !o.path.startsWith('/help'),
);

test.each(behindSignIn)('$method $path is there, and shut to strangers', async (o) => {
  const res = await call(request.agent(testServer.app), o).send(o.takes ? {} : undefined);
  expect(res.status).toBe(401);
  expect(problem.parse(res.body).type).toBe('/problems/signed-out');
});

describe('one workshop cannot see or touch another’s', () => {
  const BODIES: Record<string, object> = {
    FluidEntry: SOUND_FLUID,
    ProofEntry: { pedal: 'firm and high', checks: {} },
    DriveResult: { result: 'good' },
    EndJob: { reason: 'Not mine' },
    Override: { code: 'photo asked for', of: 'level', why: 'Not mine' },
    PersonChange: { left: true },
    PutAway: { holds: 0 },
    VehicleEventBatch: {
      events: [
        {
          id: ID,
          deviceId: ID,
          deviceSeq: 1,
          atMs: 0,
          planId: null,
          kind: 'marked',
          reason: 'Mine',
        },
      ],
    },
    MoveJob: { vehicleId: '00000000-0000-4000-8000-000000000000' },
    MakerEntry: { grades: ['DOT 4'] },
    Layout: layoutOf('hatchback-diagonal', 'left'),
    PlanChoices: { work: { purpose: 'routine flush', masterIds: ['master'] } },
    OpenContainer: {},
    CountContainer: { leftMl: 0 },
    DiscardContainer: { caught: true },
    FluidUsed: { containers: [], bledMl: 0, bledBy: 'strokes', removedMl: 0, spilledMl: 0 },
  };

  test.each(OPERATIONS.filter((o) => o.path.includes('{id}')))('$method $path', async (o) => {
    const owner = await testServer.signedIn('tech');
    const stranger = await testServer.signedIn('other');
    const open = (await owner.get('/jobs')).body.jobs[0] as { id: string } | undefined;
    const job = open ? await owner.job(open.id) : await owner.running('H 1');
    const [container] = (await owner.get('/shelf')).body.containers as { id: string }[];
    const id = o.path.startsWith('/vehicles')
      ? job.vehicleId
      : o.path.startsWith('/shelf')
        ? container!.id
        : o.path.startsWith('/people')
          ? (await owner.get('/session')).body.user.id
          : o.path.startsWith('/media')
            ? await photoOf(owner, job)
            : job.id;
    const body =
      o.takes === 'EventBatch'
        ? { events: fullRun(job, 1), lowestWaiting: 1, since: 0 }
        : o.takes
          ? BODIES[o.takes]
          : undefined;
    const res = await call(stranger.agent, o, id).send(body);
    expect(res.status).toBe(404);
    if (!o.path.startsWith('/media')) expect(await owner.job(job.id)).toEqual(job);
  });

  /** The id of a photo that a log tells of. */
  async function photoOf(owner: Caller, job: Job): Promise<string> {
    const [event] = fullRun(job, 1);
    const id = randomUUID();
    const photo = { kind: 'media note', medium: 'photo', elementId: null } as const;
    const { step: _, ...base } = event as typeof event & { step?: unknown };
    await owner.say(job, [{ ...base, id, ...photo }]);
    return id;
  }

  test('lists hold one’s own only, and another’s vehicle cannot be taken in', async () => {
    const stranger = await testServer.signedIn('other');
    const owner = await testServer.signedIn('tech');
    expect(await stranger.vehicles()).toMatchObject([{ name: 'Runabout' }]);
    expect((await stranger.get('/jobs')).body.jobs).toEqual([]);
    await stranger.send('post', '/jobs', { vehicleId: await owner.vehicleId('M 1') }).expect(404);
  });
});

test('the API describes itself, and every reference in it leads somewhere', async () => {
  const res = await request(testServer.app).get('/api/v1/openapi.json').expect(200);
  expect(res.body).toEqual(JSON.parse(JSON.stringify(openApi())));
  const names = Object.keys(res.body.components.schemas);
  for (const [, name] of JSON.stringify(res.body.paths).matchAll(/#\/components\/schemas\/(\w+)/g))
    expect(names).toContain(name);
});

test('an address that is not there is said so, in the API as a problem', async () => {
  const res = await (await testServer.signedIn()).get('/nowhere').expect(404);
  expect(res.type).toBe('application/problem+json');
});

describe('the web target', () => {
  test('any page address opens the app; a missing file is missing', async () => {
    expect((await request(testServer.app).get('/jobs/123').expect(200)).text).toContain('page');
    await request(testServer.app).get('/js/missing.js').expect(404);
    await request(testServer.app).post('/').expect(404);
  });

  test('what was compressed at build time goes out as it is, with its own type, for ever', async () => {
    const res = await request(testServer.app)
      .get('/js/app-0123456789abcdef.js')
      .set('accept-encoding', 'br')
      .expect(200);
    expect(res.headers).toMatchObject({
      'content-encoding': 'br',
      'content-type': 'text/javascript; charset=utf-8',
      'cache-control': expect.stringContaining('immutable'),
    });
    const plain = await request(testServer.app)
      .get('/js/app-0123456789abcdef.js')
      .set('accept-encoding', 'identity')
      .expect(200);
    expect(plain.headers['content-encoding']).toBeUndefined();
    expect(plain.text).toBe('run()');
  });

  test.each(['/%', '/..%2f..%2fetc%2fpasswd.txt'])('%s leads nowhere', async (path) => {
    const res = await request(testServer.app).get(path);
    expect([400, 403, 404]).toContain(res.status);
    expect(res.text).not.toContain('root:');
  });

  test('the page may load nothing from elsewhere', async () => {
    const res = await request(testServer.app).get('/');
    expect(res.headers['content-security-policy']).toContain("default-src 'self'");
    expect(res.headers['x-powered-by']).toBeUndefined();
  });
});
