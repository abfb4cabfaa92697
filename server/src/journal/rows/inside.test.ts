import type { Vehicle, VehicleHistory } from '@brook/contract';
import { oldestPart, oldMl, toFillMl, wayTo, type Inside } from '@brook/core/fluid/inside';
import { fluidHistory } from '@brook/core/fluid/ageing';
import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import { TestServer, NOW, planOfJob, stateOfJob, type Caller } from '../../testing';
import { followCalls, insideNow } from '@brook/core/job/run';

let testServer: TestServer;
let tech: Caller;
beforeEach(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn();
});
afterEach(() => testServer.stop());

const flush = async (vehicle: Vehicle) =>
  tech.release(await tech.runOn(await tech.accepted(vehicle)));
const historyOf = async (id: string): Promise<VehicleHistory> =>
  (await tech.get(`/vehicles/${id}/history`).expect(200)).body;
const shareSince = (inside: Inside, id: string, atMs: number): number =>
  inside[id]!.old.reduce((sum, p) => sum + (p.lot.filledAtMs === atMs ? p.ml : 0), 0) /
  oldMl(inside[id]!);

test('a released job leaves what it filled; the next one begins there, with that fill and its date', async () => {
  const car = await tech.addVehicle('hatchback-diagonal');
  expect((await tech.vehicle(car.id)).inside).toBeNull();
  await flush(car);
  const inside = (await tech.vehicle(car.id)).inside!;
  expect(shareSince(inside, 'left-rear-caliper', NOW.getTime())).toBeGreaterThan(0.9);
  expect(Object.values(inside).every((c) => c.newMl === 0)).toBe(true);
  const next = await tech.accepted(car);
  expect(next.inside).toEqual(inside);
  expect(planOfJob(next).inside['left-rear-caliper']!.old).toEqual(
    inside['left-rear-caliper']!.old,
  );
  // The reservoir stands where the last fill of that job left it.
  expect(planOfJob(next).inside.reservoir!.emptyMl).toBeCloseTo(inside.reservoir!.emptyMl, 6);
});

test('a dry job that was ended half-way: the next one finds the other ways empty still', async () => {
  const car = await tech.addVehicle('hatchback-diagonal');
  const job = await tech.accepted(car, { purpose: 'new or dry' });
  const plan = planOfJob(job);
  const events = followCalls(plan, {
    deviceId: randomUUID(),
    nextId: randomUUID,
    startMs: NOW.getTime(),
  });
  const firstShut = events.findIndex((e) => e.kind === 'shut');
  await tech.say(job, events.slice(0, firstShut + 1));
  const halfWay = insideNow(stateOfJob(await tech.job(job.id)).run!);
  await tech.end(await tech.job(job.id));
  const inside = (await tech.vehicle(car.id)).inside!;
  const [first, ...others] = plan.openings.map((s) => s.bleeder.id);
  const emptyTo = (bleederId: string) =>
    wayTo(plan.layout, bleederId).reduce(
      (sum, id) => sum + (inside[id] ? toFillMl(inside[id]!) : 0),
      0,
    );
  expect(emptyTo(first!)).toBeCloseTo(0, 6);
  expect(others.some((id) => emptyTo(id) > 20)).toBe(true);
  for (const [id, content] of Object.entries(halfWay))
    expect(toFillMl(inside[id]!)).toBeCloseTo(toFillMl(content), 6);
  const next = await tech.accepted(car, { purpose: 'soft pedal' });
  expect(planOfJob(next).totals.filledMl.value).toBeGreaterThan(20);
});

test('due goes by what each part holds: one axle of new fluid does not make the vehicle young', async () => {
  const car = await tech.addVehicle('estate-front-rear');
  const told = async () => {
    const { inside, layout, samples, changes, rules } = await historyOf(car.id);
    return fluidHistory({
      samples,
      changes,
      oldest: oldestPart(layout, inside),
      climate: rules.climate,
      interval: { months: 24, by: 'house rule' },
    });
  };
  // The rear axle is flushed and the job ended: the front is as old as before, and nobody knows how old.
  const job = await tech.accepted(car);
  const events = followCalls(planOfJob(job), {
    deviceId: randomUUID(),
    nextId: randomUUID,
    startMs: NOW.getTime(),
  });
  const shuts = events.flatMap((e, i) => (e.kind === 'shut' ? [i] : []));
  await tech.say(job, events.slice(0, shuts[1]! + 1));
  await tech.end(await tech.job(job.id));
  const one = await historyOf(car.id);
  for (const rear of ['left-rear-cylinder', 'right-rear-cylinder'])
    expect(shareSince(one.inside!, rear, NOW.getTime())).toBeGreaterThan(0.8);
  expect(oldestPart(one.layout, one.inside)).toMatchObject({ since: null });
  expect(oldestPart(one.layout, one.inside)!.elementId).toContain('front');
  expect((await told()).next).toBeNull();
  // A whole flush: from here on it counts.
  await flush(car);
  const { inside, layout } = await historyOf(car.id);
  expect(oldestPart(layout, inside)!.since).toEqual({
    grade: 'DOT 4',
    filledAtMs: NOW.getTime(),
  });
  expect((await told()).next!.dueMs).toBeGreaterThan(NOW.getTime());
});

test('it is written once, when the job is closed, and nobody changes it', async () => {
  const car = await tech.addVehicle('motorcycle-front-disc');
  const rows = () =>
    testServer.db.query<{ id: string }>(
      'SELECT job_id AS id FROM job_inside WHERE vehicle_id = :id',
      {
        type: QueryTypes.SELECT,
        replacements: { id: car.id },
      },
    );
  const job = await tech.runOn(await tech.accepted(car));
  expect(await rows()).toEqual([]);
  await tech.release(job);
  expect(await rows()).toEqual([{ id: job.id }]);
  for (const sql of ["UPDATE job_inside SET inside = '{}'", 'DELETE FROM job_inside'])
    await expect(testServer.asOwner((db) => db.query(sql))).rejects.toThrow(/only be added to/);
  // A job that was ended before anything was planned says nothing.
  const other = await tech.addVehicle('motorcycle-front-disc');
  const ended = (await tech.send('post', '/jobs', { vehicleId: other.id })).body;
  await tech.end(ended);
  expect((await tech.vehicle(other.id)).inside).toBeNull();
});

test('a look at the level beyond what the reservoir holds, or at a bleeder that is not there, gets a sentence', async () => {
  const car = await tech.addVehicle('hatchback-diagonal');
  const job = await tech.accepted(car, { purpose: 'new or dry' });
  const openingId = planOfJob(job).openings[0]!.id;
  const look = (more: object) =>
    tech.send('post', `/jobs/${job.id}/events`, {
      since: 0,
      lowestWaiting: 1,
      events: [
        {
          id: randomUUID(),
          deviceId: randomUUID(),
          deviceSeq: 1,
          atMs: NOW.getTime(),
          planId: null,
          kind: 'level seen',
          openingId,
          levelMl: 200,
          fluidComes: false,
          ...more,
        },
      ],
    });
  const said = async (more: object) => JSON.stringify((await look(more)).body);
  expect(await said({ levelMl: 221 })).toContain('between 0 and that');
  expect(await said({ levelMl: -1 })).toContain('0 to 2000 mL');
  expect(await said({ openingId: 'no such' })).toContain('no bleeder');
  expect(await said({ fluidComes: undefined })).toContain('is not said');
  expect(await said({ levelMl: 220 })).not.toContain('refused');
});

test('a bore that is found while a car is bled is the car’s at once and in its next job; taken back, it has what it had', async () => {
  const car = await tech.addVehicle('hatchback-diagonal');
  const job = await tech.accepted(car);
  const boreOf = async () =>
    (await tech.vehicle(car.id)).layout.masters[0]!.chambers.map((c) => c.boreMm);
  const found = (id: string, value: number) => ({
    id,
    kind: 'size found',
    elementId: 'primary',
    size: 'boreMm',
    value,
  });
  const first = randomUUID();
  await tech.say(job, [found(first, 22.2)]);
  expect(await boreOf()).toEqual([22.2, 20.6]);
  await tech.say(job, [{ kind: 'undone', eventId: first }]);
  expect(await boreOf()).toEqual([20.6, 20.6]);
  const again = randomUUID();
  const halted = await tech.say(job, [found(again, 22.2)]);
  expect(stateOfJob(halted).run!.halts.at(-1)).toMatchObject({ reason: 'other size' });
  const decided = { kind: 'decided', haltId: again, decision: 'plan anew' };
  await tech.release(await tech.runOn(await tech.say(job, [decided])));
  expect(await boreOf()).toEqual([22.2, 20.6]);
  const next = await tech.accepted(car);
  expect(planOfJob(next).layout.masters[0]!.chambers[0]!.boreMm).toBe(22.2);
});

test('a size that cannot be is refused with what would be right, and nothing is kept', async () => {
  const car = await tech.addVehicle('hatchback-diagonal');
  const job = await tech.accepted(car);
  const event = {
    id: randomUUID(),
    deviceId: randomUUID(),
    deviceSeq: 1,
    atMs: NOW.getTime(),
    planId: null,
    kind: 'size found',
    elementId: 'primary',
    size: 'boreMm',
    value: 3,
  };
  const { body } = await tech.events(job, [event]).expect(200);
  expect(JSON.stringify(body)).toContain('it should be between 8 and 40 mm');
  expect((await tech.vehicle(car.id)).layout.masters[0]!.chambers[0]!.boreMm).toBe(20.6);
});
