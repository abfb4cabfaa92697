import type { Job, JobPage, Vehicle } from '@brook/contract';
import { randomUUID } from 'node:crypto';
import { NOW, planOfJob, TestServer, type Caller } from '../../testing';

let testServer: TestServer;
let tech: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn();
});
afterAll(() => testServer.stop());

const PHONE = randomUUID();
let seq = 500;
/** One event of a phone that has been in the pocket: it says what it had heard of, and nothing else of itself. */
const event = (said: object) => ({
  id: randomUUID(),
  deviceId: PHONE,
  deviceSeq: ++seq,
  planId: null,
  ...said,
});
const vehicleOf = ({ vehicleId }: Pick<Job, 'vehicleId'>): Promise<Vehicle> =>
  tech.vehicle(vehicleId);
const listed = async ({ vehicleId }: Pick<Job, 'vehicleId'>) =>
  (await tech.vehicles()).find((v) => v.id === vehicleId)!.drive.state;

/** A hatchback that is bled, with one opening at its left rear. */
async function bled(): Promise<{ readonly job: Job; readonly openingId: string }> {
  const vehicle = await tech.addVehicle('hatchback-diagonal', 'left');
  await tech.shelve();
  const job = await tech.runOn(await tech.accepted(vehicle));
  const openingId = planOfJob(job).openings.find((o) => o.bleeder.id === 'left-rear')!.id;
  return { job, openingId };
}

// Bad news of the trade, each by what a technician would say: common practice, no source.
const NEWS = (openingId: string): readonly (readonly [string, object])[] => [
  ['the pedal sinks', { kind: 'pedal judged', masterId: 'master', result: 'sinks' }],
  [
    'it sank 60 mm',
    { kind: 'sink watched', masterId: 'master', when: 'after', mm: 60, seconds: 30 },
  ],
  ['a joint is not dry', { kind: 'checked', item: 'joints dry', passes: false }],
  [
    'a wheel is not held',
    { kind: 'checked', item: 'wheels held and free', masterId: 'master', passes: false },
  ],
  ['a lamp is lit', { kind: 'checked', item: 'lamps out', passes: false }],
  ['many bubbles', { kind: 'bubbles', openingId, reading: 'many' }],
  ['the pot is under pressure', { kind: 'pressure set', on: true }],
  ['a line came off', { kind: 'came off', what: 'Line or hose', elementId: null }],
  ['shut before it was clear', { kind: 'shut early', openingId, reason: 'bay needed' }],
];

test('b: bad news after the release holds the vehicle at once, on its page, in lists and on the next job in hand', async () => {
  const { job, openingId } = await bled();
  const released = await tech.release(job);
  expect(await listed(job)).toBe('free');
  for (const [what, said] of NEWS(openingId)) {
    const bad = event(said);
    await tech.say(released, [bad]);
    expect([what, await listed(job)]).toEqual([what, 'do not drive']);
    // At once by the same phone: a slip.
    await tech.say(released, [event({ kind: 'undone', eventId: bad.id })]);
    expect([what, await listed(job)]).toEqual([what, 'free']);
  }
  // The record stays as it was; what came after it says so.
  const answer = released.events.find((e) => e.kind === 'pedal judged')!;
  await tech.say(released, [event({ kind: 'undone', eventId: answer.id })]);
  const vehicle = await vehicleOf(job);
  expect(vehicle.drive.state).toBe('do not drive');
  expect(vehicle.openItems.filter((m) => m.weight === 'holds')).toMatchObject([
    {
      kind: 'done after close',
      because: expect.stringMatching(/^After its job was closed, taken back: brake pedal/),
      jobNumber: job.number,
    },
  ]);
  // The next job is in hand when more arrives: it takes both over, and the first page of jobs says so.
  const next = await tech.openJob(vehicle);
  expect(next.before.map((m) => m.kind)).toContain('done after close');
  await tech.say(released, [event(NEWS(openingId)[2]![1])]);
  expect((await tech.job(next.id)).before.map((m) => m.kind)).toContain('leak');
  const { body } = await tech.get('/jobs').expect(200);
  const row = (body as JobPage).jobs.find((j) => j.id === next.id)!;
  expect(row.vehicleDrive).toBe('do not drive');
  expect(row.owes).toBe((await tech.job(next.id)).owes);
});

test('f: “test drive only” falls with anything else that holds, and is set anew by a person', async () => {
  const { job, openingId } = await bled();
  let proved = await tech.prove(await tech.recordFluid(job));
  const drive = async () => (await vehicleOf(job)).drive.state;
  for (const [what, said] of NEWS(openingId).filter(([, e]) => !('openingId' in e))) {
    proved = await tech.change(proved, 'post', 'test-drive');
    expect(await drive()).toBe('test drive only');
    const bad = event(said);
    proved = await tech.say(proved, [bad]);
    expect([what, await drive()]).toEqual([what, 'do not drive']);
    // Taken back it is set anew, not of itself; what came off made the proof void for good.
    proved = await tech.say(proved, [event({ kind: 'undone', eventId: bad.id })]);
    expect([what, await drive()]).toEqual([what, 'do not drive']);
  }
});

test('e: a mark by a phone three hours behind holds; a proof by one twenty hours ahead hides no mark', async () => {
  const { job } = await bled();
  const ahead = NOW.getTime() + 20 * 3_600_000;
  let proved = await tech.prove(await tech.recordFluid(job));
  const answers = proved.events.filter((e) => e.kind === 'checked' || e.kind === 'pedal judged');
  // Every answer once more, by a phone that lives tomorrow.
  proved = await tech.say(
    proved,
    answers.map((a) => ({
      kind: a.kind,
      ...(a.kind === 'checked' ? { item: a.item, passes: true } : {}),
      ...('masterId' in a ? { masterId: a.masterId } : {}),
      ...(a.kind === 'pedal judged' ? { result: a.result } : {}),
      atMs: ahead,
    })),
  );
  const behind = NOW.getTime() - 3 * 3_600_000;
  const mark = { kind: 'marked', reason: 'Rolled into the wall', atMs: behind };
  await tech.sayOf({ id: job.vehicleId }, mark);
  expect(await listed(job)).toBe('do not drive');
  const refused = await tech
    .send('post', `/jobs/${job.id}/test-drive`, undefined, (await tech.job(job.id)).version)
    .expect(409);
  expect(refused.body.detail).toMatch(/marked by hand/);
  // Answered again by somebody who has heard of it.
  await tech.driveAndRelease(await tech.prove(await tech.job(job.id)));
  expect(await listed(job)).toBe('free');
  await tech.sayOf({ id: job.vehicleId }, mark);
  expect(await listed(job)).toBe('do not drive');
});

test('good news of a phone that had not heard of the last stroke proves nothing', async () => {
  const { job } = await bled();
  const heard = job.heard - 3;
  const before = await tech.recordFluid(job);
  const proved = await tech.prove(before);
  const asleep = await tech.say(proved, [
    { kind: 'stroke', openingId: planOfJob(job).openings[0]!.id },
  ]);
  const again = asleep.events
    .filter((e) => e.kind === 'checked')
    .map(({ item, masterId = null }) => ({
      ...event({ kind: 'checked', item, passes: true, heard, atMs: NOW.getTime() }),
      ...(masterId === null ? {} : { masterId }),
    }));
  const now = await tech.say(asleep, again);
  const { body } = await tech
    .send('post', `/jobs/${job.id}/test-drive`, undefined, now.version)
    .expect(409);
  expect(body.detail).toMatch(/not looked at|not tried|not judged/i);
});
