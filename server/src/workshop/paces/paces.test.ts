import type { HouseRulesRecord, Job, PacePage, PaceProposals } from '@brook/contract';
import { PROPOSE_FROM } from '@brook/core/job/run';
import { type RunEvent } from '@brook/core/job/events';
import { TestServer, fullRun, type Caller } from '../../testing';

let testServer: TestServer;
let tech: Caller;
let lead: Caller;
beforeEach(async () => {
  testServer = await TestServer.start();
  [tech, lead] = [await testServer.signedIn('tech'), await testServer.signedIn('lead')];
});
afterEach(() => testServer.stop());

/** A run whose strokes came so many seconds apart, ended and so on record. */
async function ranAt(secondsApart: number): Promise<Job> {
  const job = await tech.running('H 1');
  let atMs = testServer.now.getTime() - 3 * 3_600_000;
  const timed = fullRun(job).map((e): RunEvent => {
    atMs += e.kind === 'stroke' ? secondsApart * 1000 : 90_000;
    return { ...e, atMs };
  });
  await tech.say(job, timed);
  await tech.change(job, 'post', 'end', { reason: 'Customer came early.' });
  return job;
}
const pacesOf = async (job: Pick<Job, 'vehicleId'>): Promise<PacePage> =>
  (await tech.get(`/vehicles/${job.vehicleId}/paces`).expect(200)).body;
const proposals = async (): Promise<PaceProposals['proposals']> =>
  ((await lead.get('/house-rules/paces').expect(200)).body as PaceProposals).proposals;

test('what a run took stands at its vehicle once the job is closed, and not before', async () => {
  const open = await tech.bled('H 1');
  expect((await pacesOf(open)).paces).toEqual([]);
  await tech.change(open, 'post', 'end', { reason: 'Customer came early.' });
  const { paces } = await pacesOf(open);
  expect(paces).toHaveLength(4);
  expect(paces[0]).toMatchObject({
    jobNumber: open.number,
    pace: { method: 'two people', person: 'Tech One' },
  });
  for (const { pace } of paces) expect(pace.strokes).toBe(pace.plannedStrokes);
});

test('a lead is shown the middle one once ten bleeders told it, and taken it is shown no more', async () => {
  // Four bleeders a run.
  await ranAt(5);
  await ranAt(5);
  expect(PROPOSE_FROM).toBe(10);
  expect(await proposals()).toEqual([]);
  await ranAt(20);
  expect(await proposals()).toContainEqual({
    key: 'secondsPerStrokeTwoPeople',
    value: 5,
    openings: 12,
  });
  const { rules, version } = (await lead.get('/house-rules')).body as HouseRulesRecord;
  const own = { ...rules, secondsPerStrokeTwoPeople: 5 };
  await lead.send('put', '/house-rules', own, version).expect(200);
  expect((await proposals()).map((p) => p.key)).not.toContain('secondsPerStrokeTwoPeople');
});

test('another workshop learns nothing of it', async () => {
  const job = await ranAt(5);
  const other = await testServer.signedIn('other');
  await other.get(`/vehicles/${job.vehicleId}/paces`).expect(404);
  await ranAt(5);
  await ranAt(5);
  expect((await other.get('/house-rules/paces').expect(200)).body).toEqual({ proposals: [] });
});
