import { layoutOf } from '@brook/core/testing';
import { layoutTemplates } from '@brook/core/vehicle/circuit/templates';
import { routineFlush } from '@brook/core/bleed/scope';
import { TestServer, fullRun, planOfJob, SOUND_FLUID, usedFluid, type Caller } from '../../testing';

let testServer: TestServer;
let tech: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn();
});
afterAll(() => testServer.stop());

const FLUSH = { purpose: 'routine flush', masterIds: ['master'] };

describe('what if', () => {
  const ask = (body: object) =>
    tech.send('post', '/plans/preview', {
      fillGrade: 'DOT 4',
      isoClass: null,
      newColour: 'straw',
      ...body,
    });

  test.each(layoutTemplates.map((t) => t.id))(
    '%s: a whole plan with its comparison, or the reason why not',
    async (id) => {
      const { result, orders } = (await ask({ layout: layoutOf(id) }).expect(200)).body;
      if (id === 'motorcycle-integral-abs')
        return expect(result).toMatchObject({
          verdict: 'refused',
          reasons: [{ code: 'high pressure' }],
        });
      expect(result.verdict).toBe('planned');
      expect(result.plan.openings.length).toBeGreaterThan(0);
      expect(orders.length).toBeGreaterThan(0);
    },
  );

  test('nothing is saved, and what is asked for counts', async () => {
    const layout = layoutOf('van-four-channel', 'left');
    const soft = (
      await ask({
        layout,
        work: { ...FLUSH, purpose: 'soft pedal' },
        method: 'vacuum',
        means: {
          helper: true,
          bottle: true,
          vacuumPump: true,
          pressurePot: false,
          syringe: false,
          selfRefilling: false,
          scanTool: false,
        },
      }).expect(200)
    ).body;
    expect(soft.result.plan.stages.map((s: { purpose: string }) => s.purpose)).toEqual([
      'bleed',
      'finish with strokes',
    ]);
    expect(soft.orders).toEqual([]);
    expect((await tech.get('/jobs')).body.jobs).toEqual([]);
  });

  test('the house rules hold where nothing is asked for, and what is asked for wins', async () => {
    const layout = layoutOf('van-four-channel', 'left');
    const order = async (preferences: object) =>
      (await ask({ layout, preferences }).expect(200)).body.result.plan.order as string;
    expect(await order({})).toBe('farthest first');
    expect(await order({ order: 'nearest first' })).toBe('nearest first');
    const res = await ask({ layout, preferences: { strokeShape: 'wild' } }).expect(422);
    expect(res.body.faults[0].field).toBe('preferences.strokeShape');
  });

  test('bad input names its field', async () => {
    const layout = layoutOf('van-four-channel', 'left');
    for (const [body, field] of [
      [{ layout: { ...layout, bleeders: [] } }, 'layout.bleeders'],
      [{ layout, method: 'magic' }, 'method'],
      [{ layout, work: { purpose: 'routine flush', masterIds: [] } }, 'work.masterIds'],
      [{}, 'layout'],
    ] as const) {
      const res = await ask(body).expect(422);
      expect(res.body.faults.map((f: { field: string }) => f.field)).toContain(field);
    }
  });
});

describe('choices of a job', () => {
  const CHOICES = { work: FLUSH, method: 'gravity', order: 'nearest first' };

  test('make the plan anew and are kept', async () => {
    const job = await tech.change(await tech.open('H 1'), 'put', 'fluid', SOUND_FLUID);
    expect(planOfJob(job)).toMatchObject({ method: 'two people', order: 'farthest first' });
    const chosen = await tech.change(job, 'put', 'plan/choices', CHOICES);
    expect(planOfJob(chosen)).toMatchObject({ method: 'gravity', order: 'nearest first' });
    expect(chosen.planChoices).toMatchObject(CHOICES);
    // Read again, the fluid does not undo what was chosen.
    const again = await tech.change(chosen, 'put', 'fluid', SOUND_FLUID);
    expect(planOfJob(again)).toMatchObject({ method: 'gravity' });
    await tech.change(again, 'post', 'end', { reason: 'Wanted elsewhere' });
  });

  test('before the fluid is read they wait for it; after the run has begun they are closed', async () => {
    const opened = await tech.open('M 1');
    const open = await tech.change(opened, 'put', 'plan/choices', { ...CHOICES, order: null });
    expect(open.planResult).toBeNull();
    const read = await tech.change(open, 'put', 'fluid', SOUND_FLUID);
    expect(planOfJob(read).method).toBe('gravity');
    const running = await tech.change(read, 'post', 'plan/accept', { lookedAtOpened: true });
    const res = await tech
      .send('put', `/jobs/${running.id}/plan/choices`, { work: { ...FLUSH } }, running.version)
      .expect(409);
    expect(res.body.detail).toContain('before the run');
    await tech.change(running, 'post', 'end', { reason: 'Wanted elsewhere' });
  });

  test('a job is taken in for what it is about, and an unknown master is refused', async () => {
    const vehicleId = await tech.vehicleId('M 1');
    const bad = await tech.send('post', '/jobs', { vehicleId, masterIds: ['nowhere'] }).expect(422);
    expect(bad.body.faults[0].field).toBe('masterIds');
    const job = (await tech.send('post', '/jobs', { vehicleId, purpose: 'soft pedal' }).expect(201))
      .body;
    expect(job).toMatchObject({
      purpose: 'soft pedal',
      planChoices: { work: { ...routineFlush(['master']), purpose: 'soft pedal' } },
    });
    const { jobs } = (await tech.get('/jobs')).body as { jobs: { id: string; purpose: string }[] };
    expect(jobs.find((j) => j.id === job.id)!.purpose).toBe('soft pedal');
  });
});

test('a partner that a job advised to renew and left stands on the next one', async () => {
  const parts = [
    { partId: 'left-front-caliper', cappedAtOnce: true, keptFull: true, newPart: false },
  ];
  const job = await tech.change(await tech.open('H 1'), 'put', 'plan/choices', {
    work: { ...FLUSH, purpose: 'after work', parts },
  });
  expect(job.notDone).toEqual([]);
  const read = await tech.change(job, 'put', 'fluid', SOUND_FLUID);
  const running = await tech.change(read, 'post', 'plan/accept', { lookedAtOpened: true });
  await tech.events(running, fullRun(running)).expect(200);
  await tech.change(running, 'put', 'fluid-used', usedFluid(await tech.job(job.id)));
  await tech.prove(running);
  await tech.change(running, 'post', 'test-drive');
  await tech.change(running, 'post', 'test-drive/result', { result: 'good' });
  const released = await tech.change(running, 'post', 'release');
  expect(released.notDone).toEqual([]);
  expect((await tech.open('H 1')).notDone).toEqual([
    { what: 'Caliper right front', advise: 'same job', at: released.closedAt },
  ]);
});

test('the schema of a layout file is published', async () => {
  const schema = (await tech.get('/layout.schema.json').expect(200)).body;
  expect(schema).toMatchObject({
    title: 'Hydraulic layout of a vehicle',
    properties: { version: { const: 2 } },
  });
});
