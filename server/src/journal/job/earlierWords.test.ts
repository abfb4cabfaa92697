import { randomUUID } from 'node:crypto';
import type { Vehicle } from '@brook/contract';
import { TestServer, type Caller } from '../../testing';

jest.setTimeout(120_000);

let testServer: TestServer;
let tech: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn();
}, 60_000);
afterAll(() => testServer.stop());

const needs = (more: object = {}) => ({
  kind: 'clutch needs',
  masterId: 'clutch-master',
  slaveTravelMm: 12.5,
  window: { leastMm: 55, mostMm: 75 },
  pitchMm: null,
  ...more,
});
const accepted = (van: Vehicle) => tech.accepted(van, { masterIds: ['clutch-master'] });

test('what a clutch needs is known to every later job of its vehicle, the last word of it, and to no other’s', async () => {
  const van = await tech.addVehicle('clutch-concentric');
  let job = await accepted(van);
  expect(job.clutchNeeds).toEqual([]);
  job = await tech.say(job, [needs()]);
  await tech.end(job);
  let next = await accepted(van);
  expect(next.clutchNeeds).toEqual([
    {
      masterId: 'clutch-master',
      slaveTravelMm: 12.5,
      window: { leastMm: 55, mostMm: 75 },
      pitchMm: null,
      by: `Tech One, job ${job.number}`,
    },
  ]);
  // Said anew it is what the job after knows; what was taken back, nobody does.
  next = await tech.say(next, [needs({ window: null, pitchMm: 1.25 })]);
  const undone = randomUUID();
  next = await tech.say(next, [{ ...needs({ slaveTravelMm: 20 }), id: undone }]);
  next = await tech.say(next, [{ kind: 'undone', eventId: undone }]);
  await tech.end(next);
  const third = await accepted(van);
  expect(third.clutchNeeds).toMatchObject([
    { slaveTravelMm: 12.5, window: null, pitchMm: 1.25, by: `Tech One, job ${next.number}` },
  ]);
  expect((await accepted(await tech.addVehicle('clutch-concentric'))).clutchNeeds).toEqual([]);
});

test.each([
  [{ slaveTravelMm: 0 }, 'Slave travel should be 1 to 300 mm.'],
  [{ pitchMm: 3.1 }, 'The thread should be 0.5 to 3 mm.'],
  [{ window: { leastMm: 75, mostMm: 55 } }, 'it should end above where it begins.'],
])('%j is refused with what would be right', async (more, sentence) => {
  const job = await accepted(await tech.addVehicle('clutch-concentric'));
  const event = {
    id: randomUUID(),
    deviceId: randomUUID(),
    deviceSeq: 1,
    atMs: testServer.now.getTime(),
    planId: job.planResult?.verdict === 'planned' ? job.planResult.plan.id : null,
    ...needs(more),
  };
  const { body } = await tech.send('post', `/jobs/${job.id}/events`, {
    events: [event],
    lowestWaiting: 1,
    since: 0,
  });
  expect(JSON.stringify(body)).toContain(sentence);
  const kept = (await tech.job(job.id)).events.filter((e) => e.kind === 'clutch needs');
  expect(kept).toEqual([]);
});
