import {
  recall as recallSchema,
  shelf as shelfSchema,
  waste as wasteSchema,
  type Container,
  type Job,
  type Seed,
  type Shelf,
} from '@brook/contract';
import { randomUUID } from 'node:crypto';
import {
  TestServer,
  fullRun,
  NOW,
  planOfJob,
  SEED,
  SOUND_FLUID,
  stateOfJob,
  usedFluid,
  type Caller,
} from '../testing';

const seed = (deliveries: Seed['workshops'][number]['deliveries']): Seed => ({
  workshops: SEED.workshops.map((w, i) => (i === 0 ? { ...w, deliveries } : w)),
});
const delivery = (batch: string, sizeMl: number, count: number, more: object = {}) => ({
  daysAgo: 30,
  grade: 'DOT 4' as const,
  isoClass: null,
  batch,
  sizeMl,
  count,
  justCarried: false,
  ...more,
});

let testServer: TestServer;
let tech: Caller;
const start = async (deliveries = [delivery('K-117', 250, 4), delivery('K-118', 1000, 2)]) => {
  testServer = await TestServer.start({ seed: seed(deliveries) });
  tech = await testServer.signedIn();
};
afterEach(() => testServer.stop());

const shelf = async (): Promise<Shelf> =>
  shelfSchema.parse((await tech.get('/shelf').expect(200)).body) as Shelf;
const leftOf = async (batch: string) =>
  (await shelf()).containers.filter((c) => c.batch === batch).reduce((sum, c) => sum + c.leftMl, 0);
/** A released job on a vehicle. */
async function released(tag = 'M 1'): Promise<Job> {
  let job = await tech.change(await tech.proved(tag), 'post', 'test-drive');
  job = await tech.change(job, 'post', 'test-drive/result', { result: 'good' });
  return tech.change(job, 'post', 'release');
}

/** The container that a job has at hand first. */
const pickedOf = (job: Job): string =>
  job.pick?.kind === 'enough' ? job.pick.containers[0]!.id : 'none was picked';

test('a released job shows what it was filled from, and the shelf agrees to the millilitre', async () => {
  await start();
  const before = (await shelf()).containers.reduce((sum, c) => sum + c.leftMl, 0);
  const job = await released();
  const used = job.fluidUsed!;
  const poured = used.containers.reduce((sum, c) => sum + c.pouredMl, 0);
  expect(poured).toBeGreaterThan(0);
  expect((await shelf()).containers.reduce((sum, c) => sum + c.leftMl, 0)).toBeCloseTo(
    before - poured,
    6,
  );
  for (const c of used.containers) {
    const standing = (await shelf()).containers.find((s) => s.id === c.containerId);
    expect(standing?.leftMl ?? 0).toBeCloseTo(c.leftMl, 6);
    if (standing) expect(standing).toMatchObject({ state: 'opened', openedDays: 0 });
  }
});

test('putting it down again replaces it; nothing is drawn twice', async () => {
  await start();
  const job = await tech.bled();
  const all = usedFluid(job);
  await tech.change(job, 'put', 'fluid-used', all);
  const once = (await leftOf('K-117')) + (await leftOf('K-118'));
  await tech.change(job, 'put', 'fluid-used', all);
  expect((await leftOf('K-117')) + (await leftOf('K-118'))).toBeCloseTo(once, 6);
  const none = await tech.change(job, 'put', 'fluid-used', {
    ...all,
    containers: [],
    bledMl: 0,
    removedMl: 0,
    gap: 'still inside',
  });
  expect(none.fluidUsed!.containers).toEqual([]);
  expect((await leftOf('K-117')) + (await leftOf('K-118'))).toBe(3000);
});

test('the plan picks what leaves least over, and what one job was promised no other gets', async () => {
  await start([delivery('K-117', 250, 2), delivery('K-118', 1000, 1)]);
  const first = await tech.running('M 1');
  const promised = first.pick!.kind === 'enough' ? first.pick!.containers.map((c) => c.id) : [];
  expect(promised).not.toEqual([]);
  const second = await tech.change(await tech.open('H 1'), 'put', 'fluid', SOUND_FLUID);
  if (second.pick!.kind === 'enough')
    expect(second.pick!.containers.some((c) => promised.includes(c.id))).toBe(false);
  else expect(second.pick!.missingMl.value).toBeGreaterThan(0);
});

test('a shelf that is short says by how much, and the run does not start', async () => {
  await start([delivery('K-117', 250, 1)]);
  const job = await tech.change(await tech.open('H 1'), 'put', 'fluid', SOUND_FLUID);
  expect(job.pick).toMatchObject({ kind: 'short' });
  const res = await tech.send('post', `/jobs/${job.id}/plan/accept`, {}, job.version).expect(409);
  expect(res.body.detail).toMatch(/short of DOT 4/);
  await tech
    .send('post', '/shelf', {
      grade: 'DOT 4',
      isoClass: null,
      batch: 'K-119',
      sizeMl: 1000,
      count: 2,
      justCarried: false,
    })
    .expect(201);
  await tech.change(job, 'post', 'plan/accept');
});

test('an opened container is picked with a second look that stays on the record', async () => {
  await start([delivery('K-117', 1000, 1, { openedDaysAgo: 5 })]);
  const job = await tech.change(await tech.open(), 'put', 'fluid', SOUND_FLUID);
  const refused = await tech
    .send('post', `/jobs/${job.id}/plan/accept`, {}, job.version)
    .expect(422);
  expect(refused.body.faults[0].field).toBe('lookedAtOpened');
  expect(
    (await tech.change(job, 'post', 'plan/accept', { lookedAtOpened: true })).pick,
  ).toMatchObject({ lookedBy: 'Tech One', containers: [{ reasons: [{ code: 'opened' }] }] });
});

// Open at most 30 days, a date that nobody knows counts as too old: common practice, no source.
test.each([
  [31, 'short'],
  [null, 'short'],
  [30, 'enough'],
])('a container opened %p days ago: %s', async (openedDaysAgo, kind) => {
  await start([delivery('K-117', 1000, 2, { openedDaysAgo })]);
  expect((await tech.change(await tech.open(), 'put', 'fluid', SOUND_FLUID)).pick!.kind).toBe(kind);
});

describe('what cannot have been poured is refused at its container', () => {
  const put = async (
    change: (containers: readonly Container[]) => object[],
    field: string,
    words: RegExp,
  ) => {
    const job = await tech.bled();
    const res = await tech
      .send(
        'put',
        `/jobs/${job.id}/fluid-used`,
        { ...usedFluid(job), containers: change((await shelf()).containers) },
        job.version,
      )
      .expect(422);
    expect(res.body.faults).toContainEqual({ field, sentence: expect.stringMatching(words) });
    expect((await tech.job(job.id)).fluidUsed).toBeNull();
  };
  const of = (c: Container, pouredMl: number) => ({ containerId: c.id, pouredMl, discardedMl: 0 });
  test('more than it can ever have held', async () => {
    await start();
    await put(
      (all) => [of(all.find((c) => c.batch === 'K-117')!, 251)],
      'containers.0.pouredMl',
      /holds 250 mL when full; 251 mL cannot have been in it. Name the other container/,
    );
  });
  test('of another chemistry, whatever stands on the shelf', async () => {
    await start([delivery('K-117', 1000, 2), delivery('S-5', 500, 1, { grade: 'DOT 5' })]);
    await put(
      (all) => [of(all.find((c) => c.batch === 'S-5')!, 100)],
      'containers.0.containerId',
      /Silicone and glycol never mix/,
    );
  });
  test('open for too long', async () => {
    await start([delivery('K-117', 1000, 2), delivery('K-1', 500, 1, { openedDaysAgo: 60 })]);
    await put(
      (all) => [of(all.find((c) => c.batch === 'K-1')!, 100)],
      'containers.0.containerId',
      /longer than this workshop allows/,
    );
  });
  test('of another workshop', async () => {
    await start();
    await put(
      () => [{ containerId: '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a11', pouredMl: 1, discardedMl: 0 }],
      'containers.0.containerId',
      /no such container/,
    );
  });
});

// A pour that happened is kept, so that a recall is true: it was the shelf that was wrong.
test('more than the shelf knew of asks for a count and is kept with it; recorded otherwise, the shelf is as it was', async () => {
  await start([delivery('K-117', 1000, 1), delivery('K-118', 1000, 1)]);
  const all = (await shelf()).containers;
  const from = (batch: string, more: object) => ({
    containerId: all.find((c) => c.batch === batch)!.id,
    discardedMl: 0,
    ...more,
  });
  const record = (job: Job, containers: object[]) =>
    tech.send('put', `/jobs/${job.id}/fluid-used`, { ...usedFluid(job), containers }, job.version);
  const bled = async () =>
    tech.runOn(await tech.accepted(await tech.addVehicle('motorcycle-front-disc')));
  const first = await bled();
  const pouredMl = stateOfJob(first).run!.pouredMl;
  await record(first, [from('K-117', { pouredMl, discardedMl: 940 - pouredMl })]).expect(200);
  expect(await leftOf('K-117')).toBeCloseTo(60, 6);

  const second = await bled();
  const more = stateOfJob(second).run!.pouredMl;
  const asked = await record(second, [from('K-117', { pouredMl: more })]).expect(422);
  expect(asked.body.faults).toEqual([
    {
      field: 'containers.0.countedLeftMl',
      sentence: `Batch K-117 was down as holding 60 mL, and ${Math.round(more)} mL came out of it. Count it: how much is left?`,
    },
  ]);
  expect((await tech.job(second.id)).fluidUsed).toBeNull();
  const full = { pouredMl: more, countedLeftMl: 1001 - more };
  const never = await record(second, [from('K-117', full)]).expect(422);
  expect(never.body.faults[0].field).toBe('containers.0.pouredMl');
  await record(second, [from('K-117', { pouredMl: more, countedLeftMl: 50 })]).expect(200);
  const kept = await tech.job(second.id);
  expect(kept.fluidUsed!.containers).toMatchObject([
    { batch: 'K-117', pouredMl: more, leftMl: 50 },
  ]);
  expect(await leftOf('K-117')).toBeCloseTo(50, 6);

  await record(kept, [from('K-118', { pouredMl: more })]).expect(200);
  expect(await leftOf('K-117')).toBeCloseTo(60, 6);
  expect(await leftOf('K-118')).toBeCloseTo(1000 - more, 6);
});

// Ended half-way nobody is asked: the pour is kept, and the shelf asks instead.
test('a job that ends half-way and took more than the shelf knew of leaves a container to be counted', async () => {
  await start([delivery('K-117', 1000, 1), delivery('K-118', 1000, 1)]);
  const bled = async () =>
    tech.runOn(await tech.accepted(await tech.addVehicle('motorcycle-front-disc')));
  const [first, second] = [await bled(), await bled()];
  const pouredMl = stateOfJob(first).run!.pouredMl;
  const containerId = pickedOf(second);
  const one = async () => (await shelf()).containers.find((c) => c.id === containerId)!;
  const count = async (leftMl: number) => {
    const { id, version } = await one();
    return tech.send('post', `/shelf/${id}/count`, { leftMl }, version);
  };
  expect(await one()).toMatchObject({ overdrawnMl: 0, leftMl: 1000 });
  const agreed = await count(10);
  expect([agreed.status, agreed.body.detail]).toEqual([409, expect.stringMatching(/agrees with/)]);

  const containers = [{ containerId, pouredMl, discardedMl: 995 - pouredMl }];
  await tech.change(first, 'put', 'fluid-used', { ...usedFluid(first), containers });
  expect((await one()).leftMl).toBeCloseTo(5, 6);
  await tech.change(second, 'post', 'end', { reason: 'Customer came early.' });
  expect((await one()).leftMl).toBe(0);
  expect((await one()).overdrawnMl).toBeCloseTo(pouredMl - 5, 6);

  expect((await count(1001 - pouredMl)).body.detail).toMatch(/at most \d+ mL can be left/);
  const counted = await count(40);
  expect([counted.status, counted.body.overdrawnMl]).toEqual([200, 0]);
  expect((await one()).leftMl).toBeCloseTo(40, 6);
  expect((await count(40)).status).toBe(409);
});

test('the gate waits for it', async () => {
  await start();
  const job = await tech.prove(await tech.bled());
  const shut = await tech
    .send('post', `/jobs/${job.id}/test-drive`, undefined, job.version)
    .expect(409);
  expect(shut.body.faults.map((f: { field: string }) => f.field)).toEqual(['fluid not put down']);
});

test('when the bleed goes on, what was put down is taken back and put down anew', async () => {
  await start();
  const job = await tech.bled();
  await tech.change(job, 'put', 'fluid-used', usedFluid(job));
  const before = await tech.job(job.id);
  const halt = {
    id: '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a21',
    deviceId: '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a22',
    deviceSeq: 1,
    atMs: NOW.getTime(),
    planId: null,
    kind: 'halted' as const,
    reason: 'pedal not right' as const,
    openingId: null,
  };
  const { openingId: _, reason: __, ...base } = halt;
  await tech.say(job, [
    halt,
    {
      ...base,
      id: '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a23',
      deviceSeq: 2,
      kind: 'decided',
      haltId: halt.id,
      decision: 'plan anew',
    },
  ]);
  expect(before.fluidUsed).not.toBeNull();
  expect(await tech.job(job.id)).toMatchObject({ stage: 'run', fluidUsed: null });
  expect((await leftOf('K-117')) + (await leftOf('K-118'))).toBe(3000);
});

test('two jobs that accept at once are never promised the same container', async () => {
  await start([delivery('K-117', 1000, 1), delivery('K-118', 1000, 1), delivery('K-119', 1000, 1)]);
  const jobs = [
    await tech.change(await tech.open('M 1'), 'put', 'fluid', SOUND_FLUID),
    await tech.change(await tech.open('H 1'), 'put', 'fluid', SOUND_FLUID),
  ];
  const answers = await Promise.all(
    jobs.map((j) => tech.send('post', `/jobs/${j.id}/plan/accept`, {}, j.version)),
  );
  const promised = answers.flatMap(({ status, body }) => {
    const { pick } = body as Job;
    return status === 200 && pick?.kind === 'enough' ? pick.containers.map((c) => c.id) : [];
  });
  expect(promised.length).toBeGreaterThan(0);
  expect(new Set(promised).size).toBe(promised.length);
});

test('a job that ends half-way is put down by its count, so that the shelf stays right', async () => {
  await start();
  const job = await tech.running();
  await tech.events(job, fullRun(job, 6)).expect(200);
  const ended = await tech.change(job, 'post', 'end', { reason: 'Called away.' });
  const used = ended.fluidUsed!;
  expect(used).toMatchObject({ bledBy: 'strokes', by: 'Tech One' });
  expect(used.bledMl).toBeGreaterThan(0);
  expect((await leftOf('K-117')) + (await leftOf('K-118'))).toBeCloseTo(
    3000 - used.containers.reduce((sum, c) => sum + c.pouredMl, 0),
    6,
  );
});

test('the shelf runs low by what may be used', async () => {
  await start([delivery('K-117', 500, 1), delivery('K-1', 2000, 1, { openedDaysAgo: 99 })]);
  expect((await shelf()).low).toMatchObject([{ grade: 'DOT 4', usableMl: { value: 500 } }]);
});

test('a container is opened and discarded once, by the version that was seen', async () => {
  await start();
  const [c] = (await shelf()).containers;
  await tech.send('post', `/shelf/${c!.id}/open`, {}).expect(422);
  const opened = await tech
    .send('post', `/shelf/${c!.id}/open`, { openedDaysAgo: 3, keptCapped: true }, c!.version)
    .expect(200);
  expect(opened.body).toMatchObject({
    state: 'opened',
    openedDays: 3,
    admit: { verdict: 'with caution' },
  });
  await tech.send('post', `/shelf/${c!.id}/discard`, { caught: true }, c!.version).expect(409);
  await tech
    .send('post', `/shelf/${c!.id}/discard`, { caught: true }, opened.body.version)
    .expect(200);
  expect((await shelf()).containers.map((s) => s.id)).not.toContain(c!.id);
  const waste = wasteSchema.parse((await tech.get('/waste').expect(200)).body);
  expect(waste).toMatchObject({
    wasteMl: c!.leftMl,
    wentIn: { count: 1, entries: [{ caughtMl: c!.leftMl, jobId: null }] },
  });
});

test('the drum holds what was bled, removed and caught, until it is handed over', async () => {
  await start();
  await tech.send('post', '/waste/hand-overs', { toWhom: 'Ferry', document: 'W 1' }).expect(409);
  const job = await tech.bled();
  const used = usedFluid(job);
  const withLoss = {
    ...used,
    // What is lost did not come out at the bleeder.
    spilledMl: 12,
    bledMl: used.bledMl - 32,
    containers: used.containers.map((c, i) =>
      i === 0 ? { ...c, pouredMl: c.pouredMl - 20, discardedMl: 20 } : c,
    ),
  };
  await tech.change(job, 'put', 'fluid-used', withLoss);
  const { wasteMl } = wasteSchema.parse((await tech.get('/waste').expect(200)).body);
  expect(wasteMl).toBeCloseTo(used.bledMl - 32 + used.removedMl + 20, 6);
  const handed = await tech
    .send('post', '/waste/hand-overs', { toWhom: 'Harbour collection', document: 'W 2' })
    .expect(201);
  expect(handed.body).toMatchObject({
    wasteMl: 0,
    wentIn: { count: 0, entries: [] },
    handedOver: {
      count: 1,
      handOvers: [
        { toWhom: 'Harbour collection', by: 'Tech One', wasteMl: expect.closeTo(wasteMl, 6) },
      ],
    },
  });
  const again = await tech
    .send('put', `/jobs/${job.id}/fluid-used`, used, (await tech.job(job.id)).version)
    .expect(409);
  expect(again.body.detail).toContain('handed over with the drum already');
  await expect(testServer.asOwner((db) => db.query('DELETE FROM hand_overs'))).rejects.toThrow(
    /only be added to/,
  );
});

test.each(['goes on and is recorded anew', 'ends by its count'] as const)(
  'after the drum was handed over a job %s',
  async (way) => {
    await start();
    const job = await tech.recordFluid(await tech.bled());
    const before = (await tech.job(job.id)).fluidUsed!;
    await tech
      .send('post', '/waste/hand-overs', { toWhom: 'Harbour collection', document: 'W 3' })
      .expect(201);
    const { id: openingId } = planOfJob(job).openings[0]!;
    await tech.say(job, [{ kind: 'opened again', openingId }]);
    await tech.runOn(job, { strokes: 2 });
    if (way === 'ends by its count') {
      expect((await tech.end(job)).stage).toBe('ended');
    } else {
      const again = await tech.recordFluid(await tech.runOn(job));
      expect(again.fluidUsed!.bledMl).toBeGreaterThan(before.bledMl);
      // Once more, after a second hand-over.
      await tech
        .send('post', '/waste/hand-overs', { toWhom: 'Harbour collection', document: 'W 4' })
        .expect(201);
      await tech.say(job, [{ kind: 'shut', openingId, tightened: 'by feel' }]);
      await tech.recordFluid(await tech.runOn(job));
    }
    const after = (await tech.job(job.id)).fluidUsed!;
    expect(after.bledMl).toBeGreaterThan(before.bledMl);
    const { wasteMl } = wasteSchema.parse((await tech.get('/waste').expect(200)).body);
    const expected = way === 'ends by its count' ? after.bledMl - before.bledMl : 0;
    expect(wasteMl).toBeCloseTo(expected, 6);
    // The vehicle got the batch once.
    const { uses } = recallSchema.parse(
      (await tech.get(`/shelf/recall?batch=${after.containers[0]!.batch}`).expect(200)).body,
    );
    expect(uses.map((u) => u.jobId)).toEqual([job.id]);
  },
);

test('strokes that are taken back after the drum was handed over let the job end', async () => {
  await start();
  const job = await tech.recordFluid(await tech.bled());
  await tech
    .send('post', '/waste/hand-overs', { toWhom: 'Harbour collection', document: 'W 5' })
    .expect(201);
  const strokes = (await tech.job(job.id)).events.filter((e) => e.kind === 'stroke').slice(-3);
  await tech.say(
    job,
    strokes.map((e) => ({ kind: 'undone', eventId: e.id })),
  );
  expect((await tech.end(job)).stage).toBe('ended');
});

test('who got the batch, in one search, and nobody else’s', async () => {
  await start([delivery('K-117', 1000, 3)]);
  const job = await released('M 1');
  const found = recallSchema.parse((await tech.get('/shelf/recall?batch=k-117').expect(200)).body);
  expect(found.uses).toMatchObject([{ jobId: job.id, vehicleTag: 'M 1', stillInside: true }]);
  expect(found.uses[0]!.pouredMl).toBeCloseTo(
    job.fluidUsed!.containers.reduce((sum, c) => sum + c.pouredMl, 0),
    6,
  );
  expect(recallSchema.parse((await tech.get('/shelf/recall?batch=K-999')).body)).toMatchObject({
    containers: [],
    uses: [],
  });
  await tech.get('/shelf/recall?batch=').expect(422);
  const other = await testServer.signedIn('other');
  expect((await other.get('/shelf/recall?batch=K-117')).body).toMatchObject({
    containers: [],
    uses: [],
  });
  expect((await other.get('/shelf')).body.containers).toEqual([]);
});

test.each([
  [{ sizeMl: 10 }, 'sizeMl', /50 to 20000/],
  [{ count: 0 }, 'count', /1 to 48/],
  [{ batch: '' }, 'batch', /^Batch is missing.$/],
  [{ batch: 'K'.repeat(41) }, 'batch', /give 1 to 40/],
  [{ grade: 'DOT 6' }, 'grade', /DOT 5.1/],
])('containers with %j are refused', async (wrong, field, words) => {
  await start();
  const res = await tech
    .send('post', '/shelf', {
      grade: 'DOT 4',
      isoClass: null,
      batch: 'K',
      sizeMl: 500,
      count: 1,
      justCarried: false,
      ...wrong,
    })
    .expect(422);
  expect(res.body.faults).toContainEqual({ field, sentence: expect.stringMatching(words) });
});

// A recall is only true if what happened is kept: facts of the trade, common practice, no source.
test('what was poured from another container, of a grade that must not go in too, is kept with its batch', async () => {
  await start([delivery('K-117', 1000, 2), delivery('S-5', 500, 1, { grade: 'DOT 5' })]);
  let job = await tech.running();
  const wrong = (await shelf()).containers.find((c) => c.batch === 'S-5')!;
  const [reservoir] = planOfJob(job).reservoirs;
  const base = { deviceId: randomUUID(), planId: null, atMs: NOW.getTime() };
  const haltId = randomUUID();
  const prepared = fullRun(job, 0).map((e) =>
    e.kind === 'prepared' && e.step === 'fill reservoir' ? { ...e, containerId: wrong.id } : e,
  );
  await tech.say(job, [
    ...prepared,
    {
      ...base,
      id: randomUUID(),
      deviceSeq: 1,
      kind: 'topped up',
      reservoirId: reservoir!.id,
      containerId: wrong.id,
    },
    { ...base, id: haltId, deviceSeq: 2, kind: 'halted', reason: 'other product', openingId: null },
    { ...base, id: randomUUID(), deviceSeq: 3, kind: 'decided', haltId, decision: 'end job' },
  ]);
  job = await tech.job(job.id);
  expect(job.stage).toBe('ended');
  const from = job.fluidUsed!.containers.find((c) => c.containerId === wrong.id)!;
  expect(from).toMatchObject({ grade: 'DOT 5', batch: 'S-5' });
  expect(from.pouredMl).toBeCloseTo(reservoir!.maxMl - reservoir!.airDrawnMl);
  expect(job.leaves.map((m) => m.kind)).toContain('wrong fluid');
});
