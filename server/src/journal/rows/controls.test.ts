import type { ControlPage, Job, Overview } from '@brook/contract';
import { airLeft } from '@brook/core/control/air';
import { FIRST_MEASURE, pedalSetup } from '@brook/core/control/pedal';
import { TestServer, planOfJob, type Caller } from '../../testing';

// Whole jobs through the API: a busy machine takes its time.
jest.setTimeout(120_000);

let testServer: TestServer;
let lead: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  lead = await testServer.signedIn('lead');
}, 60_000);
afterAll(() => testServer.stop());

const measure = (job: Job, firmMm: number, lightMm = 140): Promise<void> =>
  lead.measure(job, { first: 168, light: lightMm, firm: firmMm, pumped: firmMm + 2 });

test('a word does not release what was measured soft: by no route, until it is measured firm', async () => {
  const job = await lead.proved('H 1');
  await measure(job, 118);
  const refused = await lead
    .send('post', `/jobs/${job.id}/test-drive`, undefined, (await lead.job(job.id)).version)
    .expect(409);
  expect(refused.body.detail).toMatch(/Brake pedal: springy\. Only firm and high passes/);
  const { openItems } = (await lead.get(`/vehicles/${job.vehicleId}`).expect(200)).body;
  expect(openItems).toEqual(
    expect.arrayContaining([
      expect.objectContaining({
        kind: 'control soft',
        because: expect.stringMatching(/^Measured: springy: 22 mm from light to firm/),
      }),
    ]),
  );
  await measure(job, 125);
  await lead.change(job, 'post', 'test-drive');
  await lead.change(job, 'post', 'test-drive/result', { result: 'good' });
  await lead.change(job, 'post', 'release');
  const owed = (await lead.get(`/vehicles/${job.vehicleId}`).expect(200)).body.openItems;
  expect(new Set(owed.map((m: { kind: string }) => m.kind))).toEqual(new Set(['by feel']));
});

test('what a released job measured is the baseline of the next, what one measured that ended is none', async () => {
  const first = await lead.bled('H 1');
  const [known] = first.baselines;
  expect(known!.readings.find((r) => r.at === 'rest')!.heightMm).toBe(180);
  expect(known!.readings).toHaveLength(5);
  // Two jobs of one moment have no order.
  testServer.now = new Date(testServer.now.getTime() + 3_600_000);
  await measure(first, 100);
  await lead.change(first, 'post', 'end', { reason: 'Bay needed' });
  const second = await lead.open('H 1');
  expect(second.baselines).toEqual(first.baselines);
  const { controls } = (await lead.get(`/vehicles/${second.vehicleId}/controls`).expect(200))
    .body as ControlPage;
  expect(controls.map((c) => [c.jobNumber, c.released, c.found.result])).toEqual([
    [first.number, false, 'springy'],
    [known!.jobNumber, true, 'firm and high'],
  ]);
  // Nobody else's car has one.
  expect((await lead.open('M 1')).baselines).toEqual([]);
  await lead.change(second, 'post', 'end', { reason: 'Bay needed' });
});

test('each measure is held against the first of its control; three that go down stand in what stands open', async () => {
  const worse = async () => ((await lead.get('/overview').expect(200)).body as Overview).worse;
  expect(await worse()).toEqual([]);
  testServer.pass(200);
  lead = await testServer.signedIn('lead');
  const job = await lead.bled('H 1');
  await measure(job, 88, 118);
  await lead.change(job, 'post', 'end', { reason: 'Bay needed' });
  const { controls } = (await lead.get(`/vehicles/${job.vehicleId}/controls`).expect(200))
    .body as ControlPage;
  // What core says of the same readings, against the oldest.
  const [third, second, first] = controls;
  const readings = (c: typeof third) => c!.found.measured.find((m) => m.when === 'after')!.readings;
  const setup = pedalSetup(planOfJob(job).layout, third!.found.masterId);
  const told = (c: typeof third) => {
    const { ml, sdMl } = airLeft(setup, readings(c), readings(first));
    return { first: false, ml, sdMl };
  };
  expect(controls.map((c) => c.air)).toEqual([
    told(third),
    told(second),
    { ...FIRST_MEASURE, first: true },
  ]);
  expect(third!.air!.ml).toBeGreaterThan(1);
  expect(await worse()).toMatchObject([
    {
      vehicleTag: 'H 1',
      control: 'brake pedal',
      measures: 3,
      since: first!.at,
      trend: { verdict: 'worse' },
    },
  ]);
  const other = (await (await testServer.signedIn('other')).get('/overview').expect(200)).body;
  expect((other as Overview).worse).toEqual([]);
});

test('what a job measured that ended unreleased is nobody’s first: it may have had air in it', async () => {
  const air = async (id: string) => {
    const { body } = await lead.get(`/vehicles/${id}/controls`).expect(200);
    return (body as ControlPage).controls.map((c) => c.air);
  };
  const given = { name: 'Another', tag: 'H 2', templateId: 'hatchback-diagonal' };
  await lead.send('post', '/vehicles', given).expect(201);
  const soft = await lead.bled('H 2');
  await measure(soft, 88, 118);
  await lead.change(soft, 'post', 'end', { reason: 'Bay needed' });
  const [ended] = await air(soft.vehicleId);
  expect(ended).toMatchObject({ first: false });
  expect(ended!.ml).toBeGreaterThan(0);
  testServer.pass(40);
  lead = await testServer.signedIn('lead');
  const job = await lead.proved('H 2');
  await measure(job, 125);
  await lead.change(job, 'post', 'test-drive');
  await lead.change(job, 'post', 'test-drive/result', { result: 'good' });
  await lead.change(job, 'post', 'release');
  expect(await air(job.vehicleId)).toEqual([{ ...FIRST_MEASURE, first: true }, ended]);
});
