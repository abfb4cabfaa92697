import { layoutOf } from '@brook/core/testing';
import { vehicle as vehicleSchema, type VehiclePage } from '@brook/contract';
import { type Layout } from '@brook/core/vehicle/circuit';
import { Vehicle } from '../db/models';
import { TestServer, planOfJob, SOUND_FLUID, type Caller } from '../testing';

let testServer: TestServer;
let tech: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn();
});
afterAll(() => testServer.stop());

const hatchback = layoutOf('hatchback-diagonal', 'right');
const add = (body: object) => tech.send('post', '/vehicles', body);
const faults = async (body: object) => {
  const before = await Vehicle.count();
  const res = await add(body).expect(422);
  expect(await Vehicle.count()).toBe(before);
  return res.body.faults as { field: string; sentence: string }[];
};

test('from a template, with the driver on the side that was said', async () => {
  const res = await add({
    name: 'Post van',
    tag: 'PV 1',
    templateId: 'hatchback-diagonal',
    driverSide: 'left',
  }).expect(201);
  expect(vehicleSchema.parse(res.body)).toMatchObject({
    layout: { driverSide: 'left' },
    drive: { state: 'free' },
    jobs: { jobs: [], next: null },
  });
  expect(res.get('location')).toBe(`/api/v1/vehicles/${res.body.id}`);
});

test('with a layout of its own', async () => {
  const res = await add({ name: 'Trailer', tag: 'T 1', layout: hatchback }).expect(201);
  expect(res.body.layout).toEqual(hatchback);
});

test('a plate that is there already is refused at its field', async () => {
  expect(
    await faults({ name: 'Twin', tag: 'H 1', templateId: 'hatchback-diagonal' }),
  ).toMatchObject([{ field: 'tag' }]);
});

test.each<[string, object, string]>([
  ['no name', { tag: 'X', templateId: 'hatchback-diagonal' }, 'name'],
  ['neither template nor layout', { name: 'Car', tag: 'X' }, 'templateId'],
  [
    'a template that is not there',
    { name: 'Car', tag: 'X', templateId: 'hovercraft' },
    'templateId',
  ],
  [
    'a side that the template has not',
    { name: 'Car', tag: 'X', templateId: 'sidecar-outfit', driverSide: 'left' },
    'driverSide',
  ],
])('%s is refused at its field', async (_, body, field) => {
  expect((await faults(body)).map((f) => f.field)).toContain(field);
});

describe('layouts are refused with the element named', () => {
  const broken: [string, Layout, string, RegExp][] = [
    [
      'a loop',
      {
        ...hatchback,
        stretches: [
          ...hatchback.stretches,
          {
            ...hatchback.stretches[0]!,
            id: 'across',
            name: 'Line across',
            from: 'left-front-bracket',
            to: 'modulator-secondary',
          },
        ],
      },
      'across',
      /loop at Modulator, secondary/,
    ],
    [
      'an orphan bleeder',
      { ...hatchback, stretches: hatchback.stretches.filter((s) => s.id !== 'left-rear-hose') },
      'left-rear',
      /cannot be reached/,
    ],
    [
      'a zero bore',
      {
        ...hatchback,
        stretches: hatchback.stretches.map((s) =>
          s.id === 'primary-feed' ? { ...s, insideMm: 0 } : s,
        ),
      },
      'primary-feed',
      /between 1 and 10 mm/,
    ],
    [
      'a 40 m line',
      {
        ...hatchback,
        stretches: hatchback.stretches.map((s) =>
          s.id === 'left-rear-floor' ? { ...s, lengthMm: 40_000 } : s,
        ),
      },
      'left-rear-floor',
      /between 10 and 15000 mm/,
    ],
  ];

  test.each(broken)('%s', async (_, layout, element, words) => {
    const found = (await faults({ name: 'Car', tag: 'X', layout })).find(
      (f) => f.field === `layout.${element}`,
    );
    expect(found!.sentence).toMatch(words);
  });

  test('a length that is no number', async () => {
    const layout = {
      ...hatchback,
      stretches: [
        { ...hatchback.stretches[0]!, lengthMm: 'long' },
        ...hatchback.stretches.slice(1),
      ],
    };
    expect((await faults({ name: 'Car', tag: 'X', layout }))[0]!.field).toBe(
      'layout.stretches.0.lengthMm',
    );
  });
});

test('a unit under high pressure: the vehicle is kept, its plan is refused by name, and no run begins', async () => {
  const { id: vehicleId } = (
    await add({ name: 'Tourer', tag: 'ABS 1', templateId: 'motorcycle-integral-abs' }).expect(201)
  ).body;
  const opened = (await tech.send('post', '/jobs', { vehicleId }).expect(201)).body;
  const job = await tech.change(opened, 'put', 'fluid', SOUND_FLUID);
  expect(job.planResult).toMatchObject({
    verdict: 'refused',
    reasons: [{ code: 'high pressure', element: 'modulator-front' }],
  });
  const res = await tech
    .send('post', `/jobs/${job.id}/plan/accept`, undefined, job.version)
    .expect(409);
  expect(res.body.detail).toContain('under high pressure');
});

describe('the layout as it was measured', () => {
  test('is saved, and a plan that waits is made anew by it', async () => {
    const vehicleId = await tech.vehicleId('H 1');
    const vehicle = (await tech.get(`/vehicles/${vehicleId}`)).body;
    const job = await tech.change(await tech.open('H 1'), 'put', 'fluid', SOUND_FLUID);
    const longer: Layout = {
      ...hatchback,
      stretches: hatchback.stretches.map((s) =>
        s.id === 'left-rear-floor' ? { ...s, lengthMm: s.lengthMm + 1500 } : s,
      ),
    };
    await tech.send('put', `/vehicles/${vehicleId}/layout`, longer, vehicle.version).expect(200);
    const again = await tech.job(job.id);
    expect(planOfJob(again).openings[0]!.bledMl.value).toBeGreaterThan(
      planOfJob(job).openings[0]!.bledMl.value,
    );
    expect(again.version).toBe(job.version + 1);
    await tech.send('put', `/vehicles/${vehicleId}/layout`, longer, vehicle.version).expect(409);
    await tech.change(again, 'post', 'plan/accept', { lookedAtOpened: true });
    const res = await tech
      .send('put', `/vehicles/${vehicleId}/layout`, hatchback, vehicle.version + 1)
      .expect(409);
    expect(res.body.detail).toContain('when the job is through');
  });

  test('one with a fault is refused with the element, and nothing is saved', async () => {
    const vehicleId = await tech.vehicleId('M 1');
    const { layout, version } = (await tech.get(`/vehicles/${vehicleId}`)).body as {
      layout: Layout;
      version: number;
    };
    const res = await tech
      .send('put', `/vehicles/${vehicleId}/layout`, { ...layout, bleeders: [] }, version)
      .expect(422);
    expect(res.body.faults[0]).toMatchObject({ field: 'bleeders' });
    expect((await tech.get(`/vehicles/${vehicleId}`)).body.layout).toEqual(layout);
  });

  test('a maker’s order names bleeders of this layout, and wins', async () => {
    const { id: vehicleId, version } = (
      await add({
        name: 'Other',
        tag: 'H 7',
        templateId: 'hatchback-diagonal',
        driverSide: 'right',
      }).expect(201)
    ).body;
    const order = ['right-front', 'left-front', 'right-rear', 'left-rear'];
    const bad = await tech
      .send(
        'put',
        `/vehicles/${vehicleId}/maker-entry`,
        { grades: [], order: ['nowhere'] },
        version,
      )
      .expect(422);
    expect(bad.body.faults[0]).toMatchObject({
      field: 'order',
      sentence: expect.stringContaining('left-front (left front)'),
    });
    await tech
      .send('put', `/vehicles/${vehicleId}/maker-entry`, { grades: [], order }, version)
      .expect(200);
    const job = await tech.change(await tech.open('H 7'), 'put', 'fluid', SOUND_FLUID);
    expect(planOfJob(job)).toMatchObject({ order: 'maker', openings: order.map((id) => ({ id })) });
  });
});

test('the list comes page by page, each vehicle once and in the order of names, whatever names are alike', async () => {
  const other = await testServer.signedIn('other');
  for (const [name, tag] of [
    ['Twin', 'B'],
    ['Twin', 'A'],
    ['Éclair', 'Z 1'],
    ['a small one', 'Z 2'],
  ])
    await other
      .send('post', '/vehicles', {
        name,
        tag,
        templateId: 'hatchback-diagonal',
        driverSide: 'left',
      })
      .expect(201);
  const whole = (await other.get('/vehicles?limit=500')).body as VehiclePage;
  expect(whole.next).toBeNull();
  expect(whole.vehicles.filter((v) => v.name === 'Twin').map((v) => v.tag)).toEqual(['A', 'B']);
  for (const limit of [1, 2, whole.vehicles.length]) {
    const ids: string[] = [];
    for (let cursor: string | null = ''; cursor !== null; ) {
      const query: string = `?limit=${limit}${cursor ? `&cursor=${cursor}` : ''}`;
      const page = (await other.get(`/vehicles${query}`).expect(200)).body as VehiclePage;
      expect(page.vehicles.length).toBeLessThanOrEqual(limit);
      ids.push(...page.vehicles.map((v) => v.id));
      cursor = page.next;
    }
    expect(ids).toEqual(whole.vehicles.map((v) => v.id));
  }
  for (const query of ['limit=0', 'limit=501', 'cursor=e30', 'cursor=%25'])
    await other.get(`/vehicles?${query}`).expect(422);
});
