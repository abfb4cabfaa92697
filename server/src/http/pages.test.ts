import type { Seed } from '@brook/contract';
import { OPERATIONS, QUERIES } from '@brook/contract/openapi';
import { randomUUID } from 'node:crypto';
import { ControlResultRow, Job, MediaRow } from '../db/models';
import { TestServer, fluidSeen, SEED, usedFluid, type Caller } from '../testing';

const [first, ...others] = SEED.workshops;
const SEEDED: Seed = {
  workshops: [
    {
      ...first!,
      users: [
        ...first!.users,
        // Some go by the same name: then the id tells them apart.
        ...['Hand', 'Hand', 'Hand', 'Another Hand'].map((name, n) => ({
          login: `hand ${n}`,
          name,
          password: 'hand-password',
          role: 'technician' as const,
        })),
      ],
      vehicles: [
        ...first!.vehicles!,
        ...['T 1', 'T 2', 'T 3'].map((tag) => ({ ...first!.vehicles![0]!, name: 'Trailer', tag })),
      ],
    },
    ...others,
  ],
};

let testServer: TestServer;
let lead: Caller;
/** The lists of the document, filled in, each with how to find what it lists in an answer. */
let lists: Record<string, { path: string; of: (body: never) => readonly object[]; count: number }>;

beforeAll(async () => {
  testServer = await TestServer.start({ seed: SEEDED });
  lead = await testServer.signedIn('lead');
  // Two jobs that poured the same batch, and two more on one of the vehicles.
  for (const tag of ['H 1', 'M 1']) {
    const job = await lead.bled(tag);
    await lead.change(job, 'put', 'fluid-used', usedFluid(job));
    const judged = await lead.prove(job, { result: 'springy' });
    await lead.change(judged, 'post', 'end', { reason: 'Not today' });
  }
  for (let n = 0; n < 2; n++) {
    const job = await lead.change(await lead.open('M 1'), 'put', 'fluid', fluidSeen({}));
    await lead.change(job, 'post', 'end', { reason: 'Not today' });
  }
  const job = await lead.open('M 1');
  const { workshopId } = (await Job.findByPk(job.id))!;
  await lead.say(
    job,
    Array.from({ length: 5 }, (_, n) => ({
      id: randomUUID(),
      deviceId: '4c1d8f0e-0000-4000-8000-000000000009',
      deviceSeq: n + 1,
      // Two of the same moment: then the id tells them apart.
      atMs: testServer.now.getTime() - Math.floor(n / 2) * 1000,
      planId: null,
      kind: 'media note',
      medium: 'photo',
      elementId: null,
    })),
  );
  for (let n = 0; n < 5; n++)
    await MediaRow.create({
      workshopId,
      id: randomUUID(),
      jobId: job.id,
      medium: 'photo',
      contentType: 'image/jpeg',
      content: Buffer.from([n]),
      sentSha256: `${n}`,
      person: 'Lead One',
      receivedAt: testServer.now,
    });
  for (const masterId of ['a', 'b', 'c', 'd'])
    await ControlResultRow.create({
      jobId: job.id,
      masterId,
      vehicleId: job.vehicleId,
      at: testServer.now,
      released: false,
      found: {
        masterId,
        control: 'brake lever',
        result: 'sinks',
        byMeasure: 'sinks',
        byFeel: null,
        measured: [],
        takeUp: null,
      },
    });
  // What went into the drum, handed over three times, and what is in it since.
  const discard = async (times: number) => {
    const { containers } = (await lead.get('/shelf').expect(200)).body;
    for (const c of containers.slice(0, times))
      await lead.send('post', `/shelf/${c.id}/discard`, { caught: true }, c.version).expect(200);
  };
  for (let n = 0; n < 3; n++) {
    await discard(1);
    await lead
      .send('post', '/waste/hand-overs', { toWhom: 'Ferry', document: `W ${n}` })
      .expect(201);
  }
  await discard(3);
  lists = {
    '/people': { path: '/people', of: (b: { people: [] }) => b.people, count: 6 },
    '/vehicles': { path: '/vehicles', of: (b: { vehicles: [] }) => b.vehicles, count: 5 },
    '/vehicles/{id}/history': {
      path: `/vehicles/${job.vehicleId}/history`,
      of: (b: { samples: [] }) => b.samples,
      count: 3,
    },
    '/vehicles/{id}/paces': {
      path: `/vehicles/${await lead.vehicleId('H 1')}/paces`,
      of: (b: { paces: [] }) => b.paces,
      count: 4,
    },
    '/vehicles/{id}/controls': {
      path: `/vehicles/${await lead.vehicleId('M 1')}/controls`,
      of: (b: { controls: [] }) => b.controls,
      count: 5,
    },
    '/vehicles/{id}/notes': {
      path: `/vehicles/${await lead.vehicleId('M 1')}/notes`,
      of: (b: { notes: [] }) => b.notes,
      count: 5,
    },
    '/shelf': { path: '/shelf', of: (b: { containers: [] }) => b.containers, count: 8 },
    '/shelf/recall': { path: '/shelf/recall?batch=a-1', of: (b: { uses: [] }) => b.uses, count: 2 },
    '/waste/entries': { path: '/waste/entries', of: (b: { entries: [] }) => b.entries, count: 3 },
    '/waste/hand-overs': {
      path: '/waste/hand-overs',
      of: (b: { handOvers: [] }) => b.handOvers,
      count: 3,
    },
    '/jobs': { path: '/jobs', of: (b: { jobs: [] }) => b.jobs, count: 5 },
    '/jobs/{id}/media': {
      path: `/jobs/${job.id}/media`,
      of: (b: { media: [] }) => b.media,
      count: 5,
    },
  };
}, 60_000);
afterAll(() => testServer.stop());

const paged = OPERATIONS.filter((o) => o.asks !== undefined).map((o) => o.path);
const asking = (path: string, more: string) => `${path}${path.includes('?') ? '&' : '?'}${more}`;

describe.each(paged)('%s', (name) => {
  test.each([1, 2, 3])(
    'by pages of %d it lists everything once, in the order of the whole',
    async (limit) => {
      const { path, of, count } = lists[name]!;
      const whole = (await lead.get(asking(path, 'limit=100')).expect(200)).body;
      expect(of(whole as never)).toHaveLength(count);
      expect(whole.next).toBeNull();
      const listed: object[] = [];
      for (let cursor: string | null = '', pages = 0; cursor !== null; pages++) {
        expect(pages).toBeLessThan(20);
        const more: string = `limit=${limit}${cursor ? `&cursor=${cursor}` : ''}`;
        const body = (await lead.get(asking(path, more)).expect(200)).body as {
          next: string | null;
        };
        expect(of(body as never).length).toBeLessThanOrEqual(limit);
        listed.push(...of(body as never));
        cursor = body.next;
      }
      expect(listed).toEqual(of(whole as never));
    },
  );

  test('a page of none or of too many, and a cursor that was not made here, are refused', async () => {
    const { path } = lists[name]!;
    const { asks } = OPERATIONS.find((o) => o.path === name && o.method === 'get')!;
    const most = asks === 'whole' || asks === 'recall' ? 500 : 100;
    await lead.get(asking(path, `limit=${most}`)).expect(200);
    for (const more of ['limit=0', `limit=${most + 1}`, 'limit=x', 'cursor=nonsense']) {
      const res = await lead.get(asking(path, more)).expect(422);
      expect(res.body.faults[0].field).toBe(more.split('=')[0]);
    }
    expect(Object.keys(QUERIES[asks!].shape)).toEqual(expect.arrayContaining(['cursor', 'limit']));
  });
});

// A moment of the year 0 is a moment to a reader, and none to the database.
test.each([
  ['/waste/entries', { at: '0000-01-01T00:00:00.000Z' }],
  ['/waste/hand-overs', { at: '0000-01-01T00:00:00.000Z' }],
  ['/jobs', { closed: true, openedAt: '0000-01-01T00:00:00.000Z' }],
  ['/jobs', { closed: true, openedAt: '1969-12-31T23:59:59.999Z' }],
])('%s: a cursor of %j is refused', async (path, place) => {
  const made = JSON.stringify({ ...place, id: randomUUID() });
  const cursor = Buffer.from(made).toString('base64url');
  const { body } = await lead.get(`${path}?cursor=${cursor}`).expect(422);
  expect(body.faults[0].field).toBe('cursor');
});

test('a vehicle comes with its newest jobs, and the earlier ones follow by its cursor', async () => {
  const id = await lead.vehicleId('M 1');
  const { jobs } = (await lead.get(`/vehicles/${id}`).expect(200)).body;
  expect(jobs.jobs).toHaveLength(4);
  expect(jobs.next).toBeNull();
  const [first] = jobs.jobs as { id: string; closedAt: string | null }[];
  expect(first!.closedAt).toBeNull();
  const { body } = await lead.get(`/jobs?vehicle=${id}&limit=1`).expect(200);
  expect(body.jobs).toEqual([jobs.jobs[0]]);
  const then = await lead.get(`/jobs?vehicle=${id}&cursor=${body.next}`).expect(200);
  expect(then.body.jobs).toEqual(jobs.jobs.slice(1));
  await lead.get('/jobs?vehicle=nobody').expect(422);
});
