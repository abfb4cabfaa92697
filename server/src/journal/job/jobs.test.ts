import { proofOf } from '@brook/core/job/log';
import { job as jobSchema, jobPage } from '@brook/contract';
import { Job } from '../../db/models';
import {
  TestServer,
  fluidSeen,
  fullRun,
  SOUND_FLUID,
  stateOfJob,
  usedFluid,
  type Caller,
} from '../../testing';

let testServer: TestServer;
let tech: Caller;
beforeEach(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn();
});
afterEach(() => testServer.stop());

test('from intake to release, as the way goes', async () => {
  let job = await tech.open('H 1');
  expect(job).toMatchObject({
    number: 1,
    stage: 'fluid',
    vehicleDrive: 'free',
    openedBy: 'Tech One',
  });
  job = await tech.change(job, 'put', 'fluid', SOUND_FLUID);
  expect(job).toMatchObject({
    stage: 'plan',
    fluid: { verdict: { verdict: 'fill', fill: { grade: 'DOT 4' } } },
    planResult: { verdict: 'planned' },
    pick: { kind: 'enough', lookedBy: null, openRule: '30 days capped' },
  });
  job = await tech.change(job, 'post', 'plan/accept');
  expect(job).toMatchObject({ stage: 'run', planAccepted: { by: 'Tech One' } });
  const appended = await tech.events(job, fullRun(job)).expect(200);
  expect(appended.body).toMatchObject({ stage: 'proof', drive: { state: 'do not drive' } });
  job = await tech.change(job, 'put', 'fluid-used', usedFluid(await tech.job(job.id)));
  job = await tech.prove(job);
  job = await tech.change(job, 'post', 'test-drive');
  expect(job).toMatchObject({ stage: 'test drive', vehicleDrive: 'test drive only' });
  job = await tech.change(job, 'post', 'test-drive/result', { result: 'good' });
  job = await tech.change(job, 'post', 'release');
  expect(job).toMatchObject({
    stage: 'released',
    vehicleDrive: 'free',
    released: { by: 'Tech One' },
  });
  expect(() => jobSchema.parse(job)).not.toThrow();

  const vehicle = await tech.get(`/vehicles/${job.vehicleId}`).expect(200);
  expect(vehicle.body.jobs.jobs).toMatchObject([{ id: job.id, stage: 'released' }]);
});

test('a released record is read-only, through the API and in the database itself', async () => {
  let job = await tech.proved();
  job = await tech.change(job, 'post', 'test-drive');
  job = await tech.change(job, 'post', 'test-drive/result', { result: 'good' });
  job = await tech.change(job, 'post', 'release');
  for (const [method, step, body] of [
    ['post', 'end', { reason: 'changed my mind' }],
    ['put', 'fluid', SOUND_FLUID],
  ] as const) {
    const res = await tech.send(method, `/jobs/${job.id}/${step}`, body, job.version).expect(409);
    expect(res.body.detail).toContain('read-only');
  }
  await expect(Job.update({ stage: 'run' }, { where: { id: job.id } })).rejects.toThrow(
    /only be added to/,
  );
  await expect(testServer.asOwner((db) => db.query('DELETE FROM job_events'))).rejects.toThrow(
    /only be added to/,
  );
});

test('the gate lists what is missing and lets nothing past', async () => {
  const job = await tech.bled();
  const shut = await tech
    .send('post', `/jobs/${job.id}/test-drive`, undefined, job.version)
    .expect(409);
  expect(shut.body.faults.map((f: { field: string }) => f.field)).toContain('control not judged');
  const soft = await tech.prove(job, { result: 'springy' });
  const res = await tech
    .send('post', `/jobs/${job.id}/test-drive`, undefined, soft.version)
    .expect(409);
  expect(res.body.detail).toContain('Only firm and high passes');
  await tech.send('post', `/jobs/${job.id}/release`, undefined, soft.version).expect(409);
  expect(await tech.drive('M 1')).toBe('do not drive');
});

test('a failed drive means "do not drive" again, and everything is proved anew', async () => {
  let job = await tech.change(await tech.proved(), 'post', 'test-drive');
  job = await tech.change(job, 'post', 'test-drive/result', { result: 'bad' });
  expect(job).toMatchObject({
    stage: 'proof',
    vehicleDrive: 'do not drive',
    drives: [{ result: 'bad', setBy: 'Tech One' }],
  });
  const { again, ...rest } = proofOf(stateOfJob(job));
  expect(rest).toEqual({ controls: {}, checks: {}, photos: new Set(), fluidPutDown: true });
  expect(again).toContainEqual({ masterId: 'master', item: 'result' });
  job = await tech.prove(job);
  job = await tech.change(job, 'post', 'test-drive');
  job = await tech.change(job, 'post', 'test-drive/result', { result: 'good' });
  expect((await tech.change(job, 'post', 'release')).drives).toMatchObject([
    { result: 'bad' },
    { result: 'good' },
  ]);
});

// What stops a flush: facts of the trade, common practice, no source.
test.each<[Parameters<typeof fluidSeen>[0], string]>([
  [{ foreign: 'purple or beads in water' }, 'Silicone'],
  [{ foreign: 'oil film, green or red' }, 'Mineral oil'],
  [{ foreign: 'thick or greasy' }, 'hub or axle seal'],
  [{ foreign: 'layers' }, 'layers'],
  [{ colour: null, dye: 'green', dropsInWater: 'part' }, 'part instead of dissolving'],
])('fluid with %j ends the job with a stop and the vehicle stays', async (look, words) => {
  const job = await tech.change(await tech.open(), 'put', 'fluid', {
    ...fluidSeen(look),
    fill: null,
    newColour: null,
  });
  expect(job).toMatchObject({
    stage: 'ended',
    planResult: null,
    ended: { reason: expect.stringContaining(words) },
    fluid: { verdict: { verdict: 'stop' } },
  });
  expect(await tech.drive('M 1')).toBe('do not drive');
});

test('the wrong fluid inside ends the job with what it costs', async () => {
  const job = await tech.change(await tech.open(), 'put', 'fluid', {
    ...SOUND_FLUID,
    inSystem: 'DOT 5',
    fill: null,
    newColour: null,
  });
  expect(job).toMatchObject({
    stage: 'ended',
    ended: { reason: expect.stringContaining('Strip the system, renew the seals') },
    fluid: { verdict: { remedy: 'strip, new seals, dry system' } },
  });
});

test('particles are replaced now: the flush goes on', async () => {
  expect(
    await tech.change(await tech.open(), 'put', 'fluid', fluidSeen({ clarity: 'particles' })),
  ).toMatchObject({ stage: 'plan', fluid: { verdict: { condition: { verdict: 'replace now' } } } });
});

test('a job can be ended unreleased with its reason; before anything was opened the vehicle stays free', async () => {
  const job = await tech.change(await tech.open(), 'post', 'end', { reason: 'Wanted back.' });
  expect(job).toMatchObject({ stage: 'ended', ended: { by: 'Tech One', reason: 'Wanted back.' } });
  expect(await tech.drive('M 1')).toBe('free');
});

test('ended after it was opened, the vehicle is "do not drive" until a later job releases it', async () => {
  const opened = await tech.running();
  await tech.events(opened, fullRun(opened, 3)).expect(200);
  await tech.change(opened, 'post', 'end', { reason: 'No more time.' });
  expect(await tech.drive('M 1')).toBe('do not drive');
  const later = await tech.open();
  expect(later.vehicleDrive).toBe('do not drive');
  let job = await tech.change(
    await tech.change(later, 'put', 'fluid', SOUND_FLUID),
    'post',
    'plan/accept',
    { lookedAtOpened: true },
  );
  await tech.events(job, fullRun(job)).expect(200);
  job = await tech.change(job, 'put', 'fluid-used', usedFluid(await tech.job(job.id)));
  job = await tech.prove(job);
  job = await tech.change(job, 'post', 'test-drive');
  job = await tech.change(job, 'post', 'test-drive/result', { result: 'good' });
  expect((await tech.change(job, 'post', 'release')).vehicleDrive).toBe('free');
});

test('a change must name the version it saw, and a stale one saves nothing', async () => {
  const job = await tech.open();
  const missing = await tech.send('put', `/jobs/${job.id}/fluid`, SOUND_FLUID).expect(422);
  expect(missing.body.faults[0].field).toBe('If-Match');
  await tech.change(job, 'put', 'fluid', SOUND_FLUID);
  const stale = await tech
    .send('post', `/jobs/${job.id}/end`, { reason: 'Too late' }, job.version)
    .expect(409);
  expect(stale.body).toMatchObject({ type: '/problems/conflict' });
  expect((await tech.job(job.id)).stage).toBe('plan');
});

test('of two changes at once exactly one goes through', async () => {
  const job = await tech.open();
  const other = await testServer.signedIn('lead');
  const answers = await Promise.all(
    [tech, other].map((c) =>
      c.send('post', `/jobs/${job.id}/end`, { reason: 'Both at once' }, job.version),
    ),
  );
  expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
});

test('the same new job sent twice is one job; a second open job on a vehicle is refused', async () => {
  const body = {
    id: '5d1d3b74-6b0f-4d0e-9f0b-0c8a5c1e7a11',
    vehicleId: await tech.vehicleId('H 1'),
  };
  await tech.send('post', '/jobs', body).expect(201);
  await tech.send('post', '/jobs', body).expect(201);
  expect(await Job.count()).toBe(1);
  const second = await tech.send('post', '/jobs', { ...body, id: undefined }).expect(409);
  expect(second.body.detail).toContain('open job already');
  await tech.send('post', '/jobs', { ...body, vehicleId: await tech.vehicleId('M 1') }).expect(409);
});

const sampled = (more: object) => fluidSeen(more).samples;
test.each<[object, string, string]>([
  [{ demands: [{ source: 'cap', grades: ['DOT 6'] }] }, 'demands.0.grades.0', 'DOT 5.1'],
  [{ demands: [] }, 'demands', 'Ask the handbook'],
  [
    {
      demands: [
        { source: 'cap', grades: ['DOT 5'] },
        { source: 'part', grades: ['DOT 4'] },
      ],
    },
    'follow',
    'decided and written why',
  ],
  [
    { samples: sampled({ water: { percent: 11, meterGrade: 'DOT 4' } }) },
    'samples.0.water.percent',
    'between 0 and 10 %',
  ],
  [
    { samples: sampled({ water: { percent: 'wet', meterGrade: 'DOT 4' } }) },
    'samples.0.water.percent',
    'number from 0 to 10 %',
  ],
  [{ samples: sampled({ colour: 'blue' }) }, 'samples.0.colour', 'straw'],
  [{ samples: sampled({ colour: null, dye: 'blue' }) }, 'samples', 'Glycol dissolves'],
  [{ samples: [...sampled({}), ...sampled({})] }, 'samples', 'stand once'],
  [
    { samples: sampled({}).map((s) => ({ ...s, point: 'fifth-wheel' })) },
    'samples.0.point',
    'reservoir, ',
  ],
  [{ fill: { grade: 'DOT 3', isoClass: null } }, 'fill', 'Below what is asked for'],
  [{ fill: { grade: 'DOT 5', isoClass: null } }, 'fill', 'never mix'],
  [{ fill: { grade: 'DOT 5.1', isoClass: null } }, 'fill.labelRead', 'DOT 5 (five) is silicone'],
  [
    { fill: { grade: 'DOT 5.1', isoClass: null, labelRead: 'DOT 5' } },
    'fill.labelRead',
    'label once more',
  ],
  [{ newColour: null }, 'newColour', 'in its container'],
])('fluid %j is refused at its field, and nothing is saved', async (wrong, field, words) => {
  const job = await tech.open();
  const res = await tech
    .send('put', `/jobs/${job.id}/fluid`, { ...SOUND_FLUID, ...wrong }, job.version)
    .expect(422);
  expect(res.body.faults).toMatchObject([{ field, sentence: expect.stringContaining(words) }]);
  expect(await tech.job(job.id)).toEqual(job);
});

test('what was only looked at is kept, with its verdict and without a plan', async () => {
  const job = await tech.change(await tech.open(), 'put', 'fluid', {
    ...SOUND_FLUID,
    fill: null,
    newColour: null,
  });
  expect(job).toMatchObject({
    stage: 'fluid',
    planResult: null,
    pick: null,
    fluid: {
      verdict: {
        verdict: 'wait',
        hold: 'choose a fluid',
        condition: { verdict: 'replace at this visit' },
      },
    },
  });
  expect(await tech.change(job, 'put', 'fluid', SOUND_FLUID)).toMatchObject({ stage: 'plan' });
});

test('whom to follow where two cannot both be obeyed is decided by a person, who says why', async () => {
  const demands = [
    { source: 'cap', grades: ['DOT 5'], lowViscosity: false },
    { source: 'part', grades: ['DOT 4'], lowViscosity: false },
  ];
  const job = await tech.change(await tech.open(), 'put', 'fluid', {
    ...SOUND_FLUID,
    demands,
    follow: { source: 'part', why: 'Converted with new seals last year.' },
  });
  expect(job).toMatchObject({
    stage: 'plan',
    fluid: {
      follow: { why: 'Converted with new seals last year.' },
      verdict: { advice: { conflict: ['cap', 'part'], minimum: { grade: 'DOT 4' } } },
    },
  });
});

test('steps out of order are refused with a sentence', async () => {
  const job = await tech.open();
  for (const [method, step, body] of [
    ['post', 'plan/accept', undefined],
    ['post', 'test-drive', undefined],
    ['post', 'test-drive/result', { result: 'good' }],
    ['post', 'release', undefined],
  ] as const) {
    const res = await tech.send(method, `/jobs/${job.id}/${step}`, body, job.version).expect(409);
    expect(res.body.detail).toMatch(/\.$/);
  }
  expect((await tech.job(job.id)).stage).toBe('fluid');
});

describe('the list', () => {
  test('open before closed, newest first, each once over all pages', async () => {
    const vehicles = [];
    for (let i = 0; i < 7; i++) {
      vehicles.push(
        (
          await tech
            .send('post', '/vehicles', {
              name: `Car ${i}`,
              tag: `C ${i}`,
              templateId: 'hatchback-diagonal',
              driverSide: 'left',
            })
            .expect(201)
        ).body.id as string,
      );
    }
    const ids: string[] = [];
    for (const vehicleId of vehicles)
      ids.push((await tech.send('post', '/jobs', { vehicleId })).body.id as string);
    for (const id of ids.slice(0, 3))
      await tech.change(await tech.job(id), 'post', 'end', { reason: 'Not today' });
    const seen: { id: string; closedAt: string | null }[] = [];
    let cursor = '';
    do {
      const page = jobPage.parse((await tech.get(`/jobs?limit=2${cursor}`).expect(200)).body);
      seen.push(...page.jobs);
      cursor = page.next ? `&cursor=${page.next}` : '';
    } while (cursor);
    expect(seen.map((j) => j.id).sort()).toEqual([...ids].sort());
    // By plate, by name and by number, in any case; a sign of SQL means itself.
    const found = async (q: string) =>
      jobPage.parse((await tech.get(`/jobs?q=${encodeURIComponent(q)}`).expect(200)).body).jobs;
    expect((await found('c 1')).map((j) => j.vehicleTag)).toContain('C 1');
    const { number } = await tech.job(ids[0]!);
    expect((await found(String(number))).map((j) => j.id)).toContain(ids[0]);
    for (const nothing of ['%', '_', 'c 1 nowhere', "'"]) expect(await found(nothing)).toEqual([]);
    expect(await found('  ')).toHaveLength((await found('')).length);
    const closed = seen.map((j) => j.closedAt !== null);
    expect(closed).toEqual([...closed].sort((a, b) => Number(a) - Number(b)));
  });

  test.each([
    ['limit=0', 'limit'],
    ['limit=101', 'limit'],
    ['limit=x', 'limit'],
    ['cursor=nonsense', 'cursor'],
    [`q=${'x'.repeat(61)}`, 'q'],
  ])('%s is refused', async (query, field) => {
    const res = await tech.get(`/jobs?${query}`).expect(422);
    expect(res.body.faults[0].field).toBe(field);
  });
});
