import type { Job, HelperNews, HelperScreen, LiveBeat, LiveLog } from '@brook/contract';
import { randomUUID } from 'node:crypto';
import { createServer, get, type IncomingMessage, type Server } from 'node:http';
import { QueryTypes } from 'sequelize';
import { LiveLineRow } from '../../db/models';
import { hashOf } from '../../session/code';
import { TestServer, fullRun, NOW, type Caller } from '../../testing';
import { LINES_OF_PERSON, takeLine } from './lines';

let testServer: TestServer;
let tech: Caller;
/** Two server processes' worth: two apps with ears of their own on one database. */
let servers: { server: Server; port: number; stop: () => Promise<void> }[];
beforeAll(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn('tech');
  servers = [];
  for (const beside of [testServer, await testServer.beside()]) {
    const server = createServer(beside.app);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.address() as { port: number };
    servers.push({
      server,
      port,
      stop: beside === testServer ? async () => {} : () => beside.close(),
    });
  }
});
afterAll(async () => {
  for (const { server, stop } of servers) {
    server.closeAllConnections();
    server.close();
    await stop();
  }
  await testServer.stop();
});

interface LineMessage {
  readonly event: string;
  readonly data: LiveLog & LiveBeat & NonNullable<HelperNews> & HelperScreen;
}

/** An open line, and the next thing that it says of a kind. */
class Line {
  private text = '';
  private readonly said: LineMessage[] = [];
  private wake = () => {};
  ended = false;
  private constructor(private readonly res: IncomingMessage) {
    res.setEncoding('utf8').on('data', (chunk: string) => {
      this.text += chunk;
      for (let end; (end = this.text.indexOf('\n\n')) >= 0; this.text = this.text.slice(end + 2)) {
        const lines = this.text.slice(0, end).split('\n');
        const of = (name: string) =>
          lines.find((l) => l.startsWith(`${name}: `))?.slice(name.length + 2);
        if (of('event'))
          this.said.push({
            event: of('event')!,
            data: JSON.parse(of('data')!) as LineMessage['data'],
          });
      }
      this.wake();
    });
    res.on('close', () => {
      this.ended = true;
      this.wake();
    });
  }

  static async open(caller: Caller | null, at: number, path: string, headers = {}): Promise<Line> {
    const cookie = caller ? await caller.cookie() : '';
    const res = await new Promise<IncomingMessage>((resolve) =>
      get(
        { port: servers[at]!.port, path: `/api/v1${path}`, headers: { cookie, ...headers } },
        resolve,
      ),
    );
    expect(res.statusCode).toBe(200);
    expect(res.headers['content-type']).toContain('text/event-stream');
    return new Line(res);
  }

  async next(event: string): Promise<LineMessage['data']> {
    for (;;) {
      const i = this.said.findIndex((s) => s.event === event);
      if (i >= 0) return this.said.splice(0, i + 1).at(-1)!.data;
      if (this.ended) throw new Error('the line ended');
      await new Promise<void>((resolve) => (this.wake = resolve));
    }
  }

  has(event: string): boolean {
    return this.said.some((s) => s.event === event);
  }

  async end(): Promise<void> {
    while (!this.ended) await new Promise<void>((resolve) => (this.wake = resolve));
  }

  shut(): void {
    this.res.destroy();
  }
}

test('what is sent to one server is told by the other at once, each event once and in its order', async () => {
  const job = await tech.running('M 1');
  const run = fullRun(job).slice(0, 30);
  const lines = await Promise.all(
    [0, 1].map((at) => Line.open(tech, at, `/jobs/${job.id}/live?since=0`)),
  );
  for (const line of lines)
    expect((await line.next('log')).events.map((e) => e.id)).toEqual(job.events.map((e) => e.id));
  for (let i = 0; i < run.length; i += 3) await tech.say(job, run.slice(i, i + 3));
  const whole = (await tech.job(job.id)).events.map((e) => e.id);
  for (const line of lines) {
    const heard = job.events.map((e) => e.id);
    while (heard.length < whole.length) {
      const log = await line.next('log');
      expect(log.since).toBe(heard.length);
      heard.push(...log.events.map((e) => e.id));
      expect(log.position).toBe(heard.length);
    }
    expect(heard).toEqual(whole);
    line.shut();
  }
});

test('after a break the browser’s own word says how far it came; a stage that changes without an event is told', async () => {
  const job = await tech.running('H 1');
  const n = job.events.length;
  const line = await Line.open(tech, 1, `/jobs/${job.id}/live?since=0`, {
    'last-event-id': String(n - 1),
  });
  expect((await line.next('log')).events).toHaveLength(1);
  await testServer.db.query(`UPDATE jobs SET version = version + 1 WHERE id = '${job.id}'`);
  expect(await line.next('log')).toMatchObject({
    events: [],
    position: n,
    version: job.version + 1,
  });
  line.shut();
});

test('the beat tells the server’s time and which phones worked on the job, and since when none was heard of', async () => {
  const job = await tech.running('M 1').catch(async () => (await tech.get('/jobs')).body.jobs[0]);
  const twoTaps = fullRun(await tech.job(job.id)).slice(0, 2);
  const device = twoTaps[0]!.deviceId;
  const heard = job.heard;
  await tech.say(job, [{ ...twoTaps[0]!, heard }]);
  const other = '22222222-2222-4222-8222-222222222222';
  const line = await Line.open(tech, 0, `/jobs/${job.id}/live?device=${other}`);
  const beat = await line.next('beat');
  expect(beat.nowMs).toBe(NOW.getTime());
  // The phone that only looks on holds nothing.
  expect(beat.phones.map((p) => p.deviceId)).toContain(device);
  expect(beat.phones.map((p) => p.deviceId)).not.toContain(other);
  expect(beat.phones.find((p) => p.deviceId === device)).toMatchObject({
    person: 'Tech One',
    seenAtMs: NOW.getTime(),
  });
  const away = (holds: number) =>
    tech.agent.post(`/api/v1/jobs/${job.id}/away`).set('brook-device', device).send({ holds });
  await away(3).expect(204);
  const holds = async () =>
    (await line.next('beat')).phones.find((p) => p.deviceId === device)!.holds;
  expect(beat.phones.find((p) => p.deviceId === device)!.holds).toBeNull();
  expect(await holds()).toBe(3);
  // What it sends from another page it holds no more; what came before takes nothing off.
  await tech.say(
    job,
    twoTaps.map((e) => ({ ...e, heard })),
  );
  expect(await holds()).toBe(2);
  line.shut();
  // In use again, nobody knows.
  const back = await Line.open(tech, 1, `/jobs/${job.id}/live?device=${device}`);
  await back.next('beat');
  const told = (await back.next('beat')).phones.find((p) => p.deviceId === device)!.holds;
  expect(told).toBeNull();
  back.shut();
});

test('a lost ear is there again, and what was said meanwhile is told', async () => {
  const job = (await tech.get('/jobs')).body.jobs[0] as { id: string };
  const line = await Line.open(tech, 1, `/jobs/${job.id}/live`);
  await line.next('log');
  const cut = () =>
    testServer.asAdmin(
      `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE query LIKE 'LISTEN brook_job' AND datname = current_database()`,
    );
  await cut();
  await testServer.db.query(`UPDATE jobs SET version = version + 1 WHERE id = '${job.id}'`);
  const [row] = await testServer.db.query<{ version: number }>(
    `SELECT version FROM jobs WHERE id = '${job.id}'`,
    { type: QueryTypes.SELECT },
  );
  let told = await line.next('log');
  while (told.version < row!.version) told = await line.next('log');
  expect(told.version).toBe(row!.version);
  line.shut();
});

test('whose session ended hears no more, and another workshop’s job has no line', async () => {
  const job = (await tech.get('/jobs')).body.jobs[0] as { id: string };
  const [caller, other] = [await testServer.signedIn('tech'), await testServer.signedIn('other')];
  const line = await Line.open(caller, 0, `/jobs/${job.id}/live`);
  await line.next('beat');
  await caller.agent.delete('/api/v1/session').expect(204);
  await line.end();
  await other.get(`/jobs/${job.id}/live`).expect(404);
});

test('a session that is over is told to every server process at once, by its hash alone', async () => {
  const caller = await testServer.signedIn('tech');
  const sid = decodeURIComponent(await caller.cookie()).replace(/^brook\.sid=s:([^.]+)\..*$/, '$1');
  const told = new Promise<void>((resolve) => {
    const leave = testServer.news.subscribe(hashOf(sid), () => {
      leave();
      resolve();
    });
  });
  await caller.agent.delete('/api/v1/session').expect(204);
  await told;
});

test('what may be driven is told to every page of the workshop the moment it changes, and to no other workshop', async () => {
  const lines = await Promise.all([0, 1].map((at) => Line.open(tech, at, '/news')));
  const other = await testServer.signedIn('other');
  const theirs = await Line.open(other, 0, '/news');
  for (const line of [...lines, theirs]) await line.next('beat');
  const jobs = (await tech.get('/jobs')).body.jobs as { id: string; vehicleId: string }[];
  const ofVehicle = await tech.end(jobs[0]!);
  expect(ofVehicle.stage).toBe('ended');
  const id = ofVehicle.vehicleId;
  // The list beside a job is told of by the job's own line, whatever vehicle the job is of.
  const elsewhere = jobs.find((j) => j.vehicleId !== id)!;
  const [ofJob, itsOwn] = await Promise.all(
    [elsewhere, ofVehicle].map((j) => Line.open(tech, 0, `/jobs/${j.id}/live`)),
  );
  const before = await itsOwn!.next('log');
  await Promise.all([ofJob, itsOwn].map((line) => line!.next('beat')));
  lines.push(ofJob!, itsOwn!);
  const mark = {
    id: randomUUID(),
    deviceId: randomUUID(),
    deviceSeq: 1,
    atMs: NOW.getTime(),
    planId: null,
    kind: 'marked',
    reason: 'Towed in, no pedal',
  };
  await tech.send('post', `/vehicles/${id}/events`, { events: [mark] }).expect(200);
  for (const line of lines) await line.next('changed');
  // Nothing came into the job's own log: its line tells of its vehicle all the same.
  const told = await itsOwn!.next('log');
  expect(told).toMatchObject({ events: [], drive: { state: 'do not drive' } });
  expect(told.lastPlace).toBeGreaterThan(before.lastPlace);
  // Whoever signs out hears no more; and by then they would have heard what was told before.
  await other.agent.delete('/api/v1/session').expect(204);
  await theirs.end();
  expect(theirs.has('changed')).toBe(false);
  for (const line of lines) line.shut();
});

describe('as many lines as there may be', () => {
  const rows = (person: string, count: number, seenAt = NOW) =>
    testServer.db.query(
      `INSERT INTO live_lines (id, workshop_id, person, seen_at)
       SELECT gen_random_uuid(), workshop_id, ${person}, '${seenAt.toISOString()}' FROM users, generate_series(1, ${count}) WHERE login = 'tech'`,
    );
  const jobId = async () => ((await tech.get('/jobs')).body.jobs[0] as { id: string }).id;
  beforeEach(() => testServer.db.query('DELETE FROM live_lines'));
  afterAll(() => testServer.db.query('DELETE FROM live_lines'));

  test.each([
    ['of a person', 'users.id', 30],
    ['of a workshop', 'gen_random_uuid()', 300],
  ])('%s: one more is not opened, and is where one has ended', async (_, person, most) => {
    await rows(person, most - 1);
    const path = `/jobs/${await jobId()}/live`;
    const last = await Line.open(tech, 0, path);
    await last.next('beat');
    // Counted in the database: the other process knows of it.
    await tech.get(path).expect(204);
    await tech.get('/news').expect(204);
    const lead = await testServer.signedIn('lead');
    if (most === 30) (await Line.open(lead, 1, path)).shut();
    else await lead.get(path).expect(204);
    last.shut();
    while ((await LiveLineRow.count()) > most - 1);
    (await Line.open(tech, 1, path)).shut();
  });

  test('a line whose process died counts no longer', async () => {
    await rows('users.id', 30, new Date(NOW.getTime() - 16_000));
    const path = `/jobs/${await jobId()}/live`;
    await tech.get(path).expect(204);
    await testServer.db.query(`UPDATE live_lines SET seen_at = seen_at - interval '1 ms'`);
    (await Line.open(tech, 0, path)).shut();
  });

  test('a helper’s phone is counted by its link', async () => {
    const workshop = `(SELECT workshop_id FROM users WHERE login = 'tech')`;
    const of = {
      workshopId: (
        await testServer.db.query<{ id: string }>(`SELECT ${workshop} AS id`, {
          type: QueryTypes.SELECT,
        })
      )[0]!.id,
      person: randomUUID(),
    };
    const lines = [];
    for (let i = 0; i < LINES_OF_PERSON; i++) lines.push(await takeLine(of, NOW));
    expect(lines).not.toContain(null);
    expect(await takeLine(of, NOW)).toBeNull();
    expect(await takeLine({ ...of, person: randomUUID() }, NOW)).not.toBeNull();
  });
});

test('where a helper’s call stands is told by every server, and what changes the call by theirs to the helper', async () => {
  const job = await tech
    .running('H 1')
    .catch(async () =>
      (await tech.get('/jobs')).body.jobs.find((j: Job) => j.vehicleTag === 'H 1'),
    );
  const whole = await tech.job(job.id);
  const run = fullRun(whole);
  await tech.say(
    job,
    run.slice(
      0,
      run.findIndex((e) => e.kind === 'stroke'),
    ),
  );
  const { code } = (await tech.send('post', `/jobs/${job.id}/helper`).expect(201)).body;
  const wrench = await Line.open(tech, 1, `/jobs/${job.id}/live`);
  expect(await wrench.next('helper')).toMatchObject({ name: null, inStep: false });
  const send = (path: string, body: object) => tech.send('post', path, body);
  const { token } = (await send('/help', { code, name: 'Ana' }).expect(201)).body;
  expect(await wrench.next('helper')).toMatchObject({ name: 'Ana', phase: 'ready', inStep: true });
  const helper = await Line.open(null, 1, `/help/live?token=${token}`);
  const { view } = await helper.next('said');
  if (view.kind !== 'call') throw new Error('no call');
  const tap = { token, id: randomUUID(), signal: 'at the end', openingId: view.openingId };
  await send('/help/signal', tap).expect(200);
  expect(await wrench.next('helper')).toMatchObject({
    phase: 'at the end',
    openingId: view.openingId,
  });
  expect((await helper.next('said')).view).toMatchObject({ word: 'Hold' });
  // What the technician says reaches the helper over another server.
  const halt = { ...run[0]!, id: randomUUID(), kind: 'halted', reason: 'leak', openingId: null };
  const { step: _, ...halted } = halt as typeof halt & { step?: unknown };
  await tech.say(job, [halted]);
  expect((await helper.next('said')).view).toMatchObject({ kind: 'wait', word: 'Hold' });
  // The link ends, and with it the line.
  await tech.agent.delete(`/api/v1/jobs/${job.id}/helper`).expect(204);
  await helper.end();
  wrench.shut();
});

test('a helper’s phone that comes back begins its round anew', async () => {
  const { jobs } = (await tech.get('/jobs')).body as { jobs: { id: string; stage: string }[] };
  const { id } = jobs.find((j) => j.stage === 'run')!;
  const { code } = (await tech.send('post', `/jobs/${id}/helper`).expect(201)).body;
  const { token } = (await tech.send('post', '/help', { code, name: 'Ana' }).expect(201)).body;
  const phase = async () =>
    (
      await testServer.db.query<{ phase: string }>(
        `SELECT phase FROM helper_links WHERE ended_at IS NULL`,
        { type: QueryTypes.SELECT },
      )
    )[0]!.phase;
  await testServer.db.query(`UPDATE helper_links SET phase = 'at the end' WHERE ended_at IS NULL`);
  expect(await phase()).toBe('at the end');
  const line = await Line.open(null, 0, `/help/live?token=${token}`);
  await line.next('said');
  expect(await phase()).toBe('ready');
  line.shut();
});
