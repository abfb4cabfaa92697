import type { Job, JobPage, Vehicle } from '@brook/contract';
import { partOf } from '@brook/core/job/events';
import { randomUUID } from 'node:crypto';
import { fullRun, NOW, planOfJob, stateOfJob, TestServer, type Caller } from '../../testing';

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

test('good news of a phone that had not heard of what was done since proves nothing; of one that had, it does', async () => {
  const { job } = await bled();
  const proved = await tech.prove(await tech.recordFluid(job));
  const good = proved.events.filter((e) => partOf(e.kind) === 'proof');
  // After the proof something comes off and is put back, on another phone.
  const { heard } = proved;
  const off = event({ kind: 'came off', what: 'Clip or bracket', elementId: null });
  const back = event({ kind: 'back on', eventId: off.id, openItemId: null });
  const other = randomUUID();
  const opened = await tech.recordFluid(
    await tech.say(
      proved,
      [off, back].map((e) => ({ ...e, deviceId: other })),
    ),
  );
  const said = (upTo: number) =>
    good.map(({ id: _, deviceSeq: __, order: ___, person: ____, ...e }) =>
      event({ ...e, deviceId: PHONE, heard: upTo }),
    );
  const asleep = await tech.say(opened, said(heard));
  expect(stateOfJob(asleep).proof.answers).toEqual([]);
  expect(await driveRefused(asleep)).toMatch(/not judged yet/);
  const awake = await tech.say(asleep, said(asleep.heard));
  expect(stateOfJob(awake).proof.answers).toHaveLength(good.length);
  await tech.driveAndRelease(awake);
});

const drive = async ({ vehicleId }: Pick<Job, 'vehicleId'>) =>
  (await tech.vehicle(vehicleId)).drive.state;
const reservoirOf = (job: Job) => planOfJob(job).reservoirs[0]!.id;
const holding = async (job: Job) =>
  (await vehicleOf(job)).openItems.filter((m) => m.weight === 'holds').map((m) => m.kind);
const driveRefused = async (job: Job): Promise<string> =>
  (
    await tech
      .send('post', `/jobs/${job.id}/test-drive`, undefined, (await tech.job(job.id)).version)
      .expect(409)
  ).body.detail;

// Silicone and glycol do not mix (SAE J1703, J1705); what must be done then is common practice, no source.
test('a: another product that was poured holds, though its halt is taken back; so does a container that nobody knows', async () => {
  const [silicone] = await tech.shelve({ grade: 'DOT 5', count: 1 });
  const { job } = await bled();
  const pour = (containerId: string) => ({
    kind: 'topped up',
    reservoirId: reservoirOf(job),
    containerId,
  });
  const halt = event({ kind: 'halted', reason: 'other product', openingId: null });
  await tech.say(job, [event(pour(silicone!.id)), halt]);
  await tech.say(job, [event({ kind: 'undone', eventId: halt.id })]);
  const proved = await tech.prove(await tech.recordFluid(await tech.job(job.id)));
  expect(await driveRefused(proved)).toMatch(/wrong fluid inside/i);
  await tech.end(proved);
  // The next job takes it over, and a clean look ends nothing of it.
  const next = await tech.accepted({ id: job.vehicleId });
  expect(next.before.map((m) => m.kind)).toContain('wrong fluid');
  await tech.say(
    next,
    fullRun(next).filter((e) => e.kind !== 'rubber renewed'),
  );
  await expect(tech.release(next)).rejects.toThrow(/when the run is through/);
  const paper = { kind: 'stripped elsewhere', workshop: 'Harbour garage', paper: 'H 12' };
  await expect(tech.sayOf({ id: job.vehicleId }, { ...paper, date: '2099-01-01' })).rejects.toThrow(
    /should be a day up to today/,
  );
  await tech.sayOf({ id: job.vehicleId }, { ...paper, date: '1999-01-01' });
  expect(await holding(job)).toContain('wrong fluid');
  await tech.sayOf({ id: job.vehicleId }, { ...paper, date: NOW.toISOString().slice(0, 10) });
  expect(await holding(job)).not.toContain('wrong fluid');

  const unknown = await bled();
  const said = { ...pour(randomUUID()), reservoirId: reservoirOf(unknown.job) };
  const after = await tech.say(unknown.job, [event(said)]);
  // Kept as it was said; that nobody knows the product is what the server adds.
  expect(after.events.at(-1)).toMatchObject({ ...said, product: null });
  expect(await holding(unknown.job)).toContain('product not known');
});

test('c: all rubber renewed part by part, flushed and tested, frees it; a part that is left out does not', async () => {
  const [oil] = await tech.shelve({ grade: 'mineral oil', count: 1 });
  const poured = async () => {
    const { job } = await bled();
    const said = { kind: 'topped up', reservoirId: reservoirOf(job), containerId: oil!.id };
    await tech.say(job, [event(said)]);
    await tech.end(job);
    expect(await holding(job)).toContain('wrong fluid');
    return tech.accepted({ id: job.vehicleId });
  };
  const whole = await poured();
  expect(planOfJob(whole).stages.map((s) => s.kind)).toEqual(
    expect.arrayContaining(['strip', 'bleed', 'water test']),
  );
  const unknown = event({
    kind: 'rubber renewed',
    stageId: planOfJob(whole).stages.find((s) => s.kind === 'strip')!.id,
    part: 'the ashtray',
    how: 'renewed',
  });
  await expect(tech.say(whole, [unknown])).rejects.toThrow(/no part "the ashtray" with rubber/);
  const freed = await tech.release(await tech.runOn(whole));
  expect(freed.vehicleDrive).toBe('free');
  const lacking = await poured();
  await tech.say(
    lacking,
    fullRun(lacking).filter((e) => e.kind !== 'rubber renewed' || e.part !== 'master'),
  );
  await expect(tech.release(lacking)).rejects.toThrow(/when the run is through/);
});

test('a: one press is one undo: pour and halt go together at once, and later what is in stays in', async () => {
  const [silicone] = await tech.shelve({ grade: 'DOT 5', count: 1 });
  const { job } = await bled();
  const group = randomUUID();
  const press = () => [
    event({
      kind: 'topped up',
      reservoirId: reservoirOf(job),
      containerId: silicone!.id,
      group,
    }),
    event({ kind: 'halted', reason: 'other product', openingId: null, group }),
  ];
  const [poured, halted] = press();
  await tech.say(job, [poured!, halted!]);
  expect(await holding(job)).toContain('wrong fluid');
  const after = await tech.say(job, [event({ kind: 'undone', eventId: halted!.id })]);
  expect(await holding(job)).not.toContain('wrong fluid');
  expect(after.stage).toBe('proof');
  const [again, , note] = [...press(), event({ kind: 'note', text: 'Hm' })];
  await tech.say(job, [again!, note!, event({ kind: 'undone', eventId: again!.id })]);
  expect(await holding(job)).toContain('wrong fluid');
});

test('d: a line that was off after the bleed is bled again; “back on” in an empty job frees nothing', async () => {
  const { job, openingId } = await bled();
  const off = event({ kind: 'came off', what: 'Line or hose', elementId: 'left-rear' });
  const back = (more: object) =>
    event({ kind: 'back on', eventId: null, openItemId: null, ...more });
  const proved = await tech.prove(
    await tech.recordFluid(await tech.say(job, [off, back({ eventId: off.id })])),
  );
  expect(await driveRefused(proved)).toMatch(/air may be behind the left rear/i);
  // By the phone that counts.
  const { deviceId } = stateOfJob(proved).run!.counting!;
  const strokes = Array.from({ length: 6 }, () => event({ kind: 'stroke', openingId, deviceId }));
  await tech.say(proved, [
    event({ kind: 'opened again', openingId }),
    ...strokes,
    event({ kind: 'bubbles', openingId, reading: 'none' }),
    event({ kind: 'shut', openingId, tightened: 'by feel' }),
  ]);
  expect((await vehicleOf(job)).openItems.map((m) => m.kind)).not.toContain('air possible');

  const car = await tech.addVehicle('hatchback-diagonal', 'left');
  const torn = await tech.say(await tech.openJob(car), [
    event({ kind: 'came off', what: 'Caliper or slave, hose off', elementId: null }),
  ]);
  const ended = await tech.end(torn);
  const openItem = ended.leaves.find((m) => m.kind === 'not back on')!;
  const empty = await tech.say(await tech.openJob(car), [back({ openItemId: openItem.id })]);
  await tech.end(empty);
  expect(await drive(empty)).toBe('do not drive');
  expect((await tech.vehicle(car.id)).openItems.map((m) => m.kind)).toEqual(
    expect.arrayContaining(['air possible', 'control not proved']),
  );
});

test('h: a layout that moves what is open to another wheel is refused, with what is open there', async () => {
  const car = await tech.addVehicle('hatchback-diagonal', 'left');
  const torn = await tech.say(await tech.openJob(car), [
    event({ kind: 'came off', what: 'Line or hose', elementId: null }),
  ]);
  await tech.end(torn);
  const text = JSON.stringify(car.layout)
    .replaceAll('"left-rear"', '"-"')
    .replaceAll('"right-rear"', '"left-rear"')
    .replaceAll('"-"', '"right-rear"');
  const saved = tech.saveLayout(car, JSON.parse(text) as Vehicle['layout']);
  await expect(saved).rejects.toThrow(/Its place should stay what it is/);
  await tech.saveLayout(car, { ...car.layout, name: 'The same, by another name' });
});

test('i: a leak at a place that nobody knows is refused, and the vehicle marked for it', async () => {
  const { job } = await bled();
  const released = await tech.release(job);
  expect(await drive(job)).toBe('free');
  const leak = event({ kind: 'halted', reason: 'leak', openingId: 'nowhere' });
  for (let sent = 0; sent < 2; sent++)
    await expect(tech.say(released, [{ ...leak, atMs: NOW.getTime(), heard: 0 }])).rejects.toThrow(
      /There is no bleeder "nowhere".*marked “do not drive” for it/,
    );
  expect((await vehicleOf(job)).openItems.filter((m) => m.weight === 'holds')).toMatchObject([
    { kind: 'marked', because: 'Said on a phone and not taken: a halt: a joint or hose leaks' },
  ]);
  // A clock that is days ahead loses bad news as little; good news with such a clock is only refused.
  const { job: other } = await bled();
  const far = NOW.getTime() + 5 * 86_400_000;
  const say = (said: object) => tech.say(other, [event({ ...said, atMs: far })]);
  await expect(say({ kind: 'checked', item: 'joints dry', passes: true })).rejects.toThrow(
    /Set the clock of this phone\.$/,
  );
  expect(await holding(other)).not.toContain('marked');
  await expect(say({ kind: 'checked', item: 'joints dry', passes: false })).rejects.toThrow(
    /marked/,
  );
  expect(await holding(other)).toContain('marked');
});
