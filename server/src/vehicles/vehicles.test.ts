import { vehicle as vehicleSchema } from '@brook/contract';
import { templateById, type Layout } from '@brook/core/circuit';
import { Vehicle } from '../db/models';
import { Brook, SOUND_FLUID, type Caller } from '../testing';

let brook: Brook;
let tech: Caller;
beforeAll(async () => {
  brook = await Brook.start();
  tech = await brook.signedIn();
});
afterAll(() => brook.stop());

const hatchback = templateById('hatchback-diagonal')!.build('right');
const add = (body: object) => tech.send('post', '/vehicles', body);
const faults = async (body: object) => {
  const before = await Vehicle.count();
  const res = await add(body).expect(422);
  expect(await Vehicle.count()).toBe(before);
  return res.body.faults as { field: string; sentence: string }[];
};

test('from a template, with the driver on the side that was said', async () => {
  const res = await add({ name: 'Post van', tag: 'PV 1', templateId: 'hatchback-diagonal', driverSide: 'left' }).expect(201);
  expect(vehicleSchema.parse(res.body)).toMatchObject({ layout: { driverSide: 'left' }, drive: { state: 'free' }, jobs: [] });
  expect(res.get('location')).toBe(`/api/v1/vehicles/${res.body.id}`);
});

test('with a layout of its own', async () => {
  const res = await add({ name: 'Trailer', tag: 'T 1', layout: hatchback }).expect(201);
  expect(res.body.layout).toEqual(hatchback);
});

test('a plate that is there already is refused at its field', async () => {
  expect(await faults({ name: 'Twin', tag: 'H 1', templateId: 'hatchback-diagonal' })).toMatchObject([{ field: 'tag' }]);
});

test.each<[string, object, string]>([
  ['no name', { tag: 'X', templateId: 'hatchback-diagonal' }, 'name'],
  ['neither template nor layout', { name: 'Car', tag: 'X' }, 'templateId'],
  ['a template that is not there', { name: 'Car', tag: 'X', templateId: 'hovercraft' }, 'templateId'],
  ['a side that the template has not', { name: 'Car', tag: 'X', templateId: 'veteran-single', driverSide: 'left' }, 'driverSide'],
])('%s is refused at its field', async (_, body, field) => {
  expect((await faults(body)).map((f) => f.field)).toContain(field);
});

describe('layouts are refused with the element named', () => {
  const broken: [string, Layout, string, RegExp][] = [
    ['a loop', { ...hatchback, stretches: [...hatchback.stretches, { ...hatchback.stretches[0]!, id: 'across', name: 'Line across', from: 'left-front-bracket', to: 'modulator-secondary' }] }, 'across', /loop at Modulator, secondary/],
    ['an orphan bleeder', { ...hatchback, stretches: hatchback.stretches.filter((s) => s.id !== 'left-rear-hose') }, 'left-rear', /cannot be reached/],
    ['a zero bore', { ...hatchback, stretches: hatchback.stretches.map((s) => (s.id === 'primary-feed' ? { ...s, insideMm: 0 } : s)) }, 'primary-feed', /between 1 and 10 mm/],
    ['a 40 m line', { ...hatchback, stretches: hatchback.stretches.map((s) => (s.id === 'left-rear-floor' ? { ...s, lengthMm: 40_000 } : s)) }, 'left-rear-floor', /between 10 and 15000 mm/],
  ];

  test.each(broken)('%s', async (_, layout, element, words) => {
    const found = (await faults({ name: 'Car', tag: 'X', layout })).find((f) => f.field === `layout.${element}`);
    expect(found!.sentence).toMatch(words);
  });

  test('a length that is no number', async () => {
    const layout = { ...hatchback, stretches: [{ ...hatchback.stretches[0]!, lengthMm: 'long' }, ...hatchback.stretches.slice(1)] };
    expect((await faults({ name: 'Car', tag: 'X', layout }))[0]!.field).toBe('layout.stretches.0.lengthMm');
  });
});

test('a modulator with a bleeder of its own: the vehicle is kept, its plan is refused with the reason, and no run begins', async () => {
  const layout: Layout = { ...hatchback, bleeders: [...hatchback.bleeders, { id: 'modulator', at: 'modulator-primary', place: 'modulator', wrenchMm: 8, type: 'screw' }] };
  const { id: vehicleId } = (await add({ name: 'Old ABS', tag: 'ABS 1', layout }).expect(201)).body;
  const opened = (await tech.send('post', '/jobs', { vehicleId, system: 'brakes', scope: 'routine flush' }).expect(201)).body;
  const job = await tech.change(opened, 'put', 'fluid', SOUND_FLUID);
  expect(job.planResult).toMatchObject({ verdict: 'refused', reasons: [{ code: 'modulator bleeder', element: 'modulator-primary' }] });
  const res = await tech.send('post', `/jobs/${job.id}/plan/accept`, undefined, job.version).expect(409);
  expect(res.body.detail).toContain('two passes');
});
