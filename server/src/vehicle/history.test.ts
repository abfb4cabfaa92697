import { fluidHistory } from '@brook/core/fluid/ageing';
import { oldestPart } from '@brook/core/fluid/inside';
import { vehicleHistory, type Seed } from '@brook/contract';
import { TestServer, SEED, seen, SOUND_FLUID, type Caller } from '../testing';

const visit = (
  daysAgo: number,
  samples: object[],
  reach: 'released' | 'ended' = 'released',
): NonNullable<Seed['workshops'][number]['jobs']>[number] => ({
  vehicleTag: 'M 1',
  daysAgo,
  by: 'tech',
  reach,
  fluid: {
    ...SOUND_FLUID,
    samples: samples as typeof SOUND_FLUID.samples,
    ...(reach === 'ended' ? { fill: null, newColour: null } : {}),
  },
  ...(reach === 'ended' ? { endReason: 'Looked at only.' } : {}),
});
const wet = (point: string, percent: number, more: object = {}) =>
  seen(point, { water: { percent, meterGrade: 'DOT 4' }, ...more });

let testServer: TestServer;
let tech: Caller;
beforeAll(async () => {
  const jobs = [
    visit(800, [wet('reservoir', 2.4)]),
    visit(400, [wet('reservoir', 2.2), wet('front', 2.8)]),
    visit(
      90,
      [
        wet('reservoir', 0.9, { practice: true }),
        seen('front', { boiling: { observedC: 205, ambientHpa: 950 } }),
      ],
      'ended',
    ),
  ];
  const deliveries = [
    {
      daysAgo: 900,
      grade: 'DOT 4' as const,
      isoClass: null,
      batch: 'K-1',
      sizeMl: 1000,
      count: 12,
      justCarried: false,
    },
  ];
  testServer = await TestServer.start({
    seed: { workshops: SEED.workshops.map((w, i) => (i === 0 ? { ...w, deliveries, jobs } : w)) },
  });
  tech = await testServer.signedIn();
});
afterAll(() => testServer.stop());

test('samples, changes and batches of a vehicle, oldest first, practice readings left out', async () => {
  const { body } = await tech.get(`/vehicles/${await tech.vehicleId('M 1')}/history`).expect(200);
  const history = vehicleHistory.parse(body);
  expect(history.samples.map((s) => [s.point, s.waterPercent])).toEqual([
    ['reservoir', 2.4],
    ['reservoir', 2.2],
    ['front', 2.8],
    ['front', null],
  ]);
  // FMVSS 116 S6.1: 0.040 °C for each mmHg above 190 °C observed; 63 hPa are 47.25 mmHg.
  expect(history.samples[3]!.boilingC).toBeCloseTo(205 + 0.04 * 47.25, 1);
  expect(history.changes.map((c) => c.batches)).toEqual([['K-1'], ['K-1']]);
});

test('the history is what the forecast of core takes', async () => {
  const { samples, changes, rules, inside, layout } = vehicleHistory.parse(
    (await tech.get(`/vehicles/${await tech.vehicleId('M 1')}/history`)).body,
  );
  const told = fluidHistory({
    samples,
    changes,
    oldest: oldestPart(layout, inside),
    climate: rules.climate,
    interval: { months: 12, by: 'house rule' },
  });
  expect(told.next).toMatchObject({ by: 'measurement' });
  expect(told.ageing!.fit.measurements).toBe(2);
});

test('the maker’s entry is kept with the vehicle, joins the demands of the next job and beats what was typed', async () => {
  const id = await tech.vehicleId('H 1');
  const { version } = (await tech.get(`/vehicles/${id}`)).body as { version: number };
  await tech
    .send(
      'put',
      `/vehicles/${id}/maker-entry`,
      { grades: ['DOT 4'], lowViscosity: true, intervalMonths: 36 },
      version + 1,
    )
    .expect(409);
  const changed = await tech
    .send(
      'put',
      `/vehicles/${id}/maker-entry`,
      { grades: ['DOT 4'], lowViscosity: true, intervalMonths: 36 },
      version,
    )
    .expect(200);
  expect(changed.body.makerEntry).toMatchObject({ intervalMonths: 36 });
  const job = await tech.open('H 1');
  expect(job.makerEntry).toMatchObject({ lowViscosity: true });
  const refused = await tech
    .send(
      'put',
      `/jobs/${job.id}/fluid`,
      { ...SOUND_FLUID, demands: [{ source: 'maker', grades: ['DOT 3'] }] },
      job.version,
    )
    .expect(422);
  expect(refused.body.faults).toMatchObject([
    { field: 'fill', sentence: expect.stringContaining('750 mm²/s') },
  ]);
});

test('an interval that cannot be right is refused', async () => {
  const id = await tech.vehicleId('M 1');
  const res = await tech
    .send('put', `/vehicles/${id}/maker-entry`, { grades: [], intervalMonths: 0 }, 1)
    .expect(422);
  expect(res.body.faults).toMatchObject([
    { field: 'intervalMonths', sentence: expect.stringContaining('1 to 120') },
  ]);
});

test('another workshop’s vehicle has no history for you', async () => {
  const other = await testServer.signedIn('other');
  await other.get(`/vehicles/${await tech.vehicleId('M 1')}/history`).expect(404);
});
