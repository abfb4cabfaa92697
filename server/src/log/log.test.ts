import { foldRun, followCalls, type RunEvent } from '@brook/core/run';
import { randomUUID } from 'node:crypto';
import { RunEventRow } from '../db/models';
import { Brook, fullRun, planOfJob, type Caller } from '../testing';

let brook: Brook;
let tech: Caller;
beforeEach(async () => {
  brook = await Brook.start();
  tech = await brook.signedIn();
});
afterEach(() => brook.stop());

test('a log sent in pieces, each piece twice and overlapping, is there once and in order', async () => {
  const job = await tech.running();
  const log = fullRun(job, 12);
  for (const [from, to] of [
    [0, 5],
    [0, 5],
    [3, 14],
    [10, log.length],
  ] as const)
    await tech.events(job, log.slice(from, to)).expect(200);
  expect((await tech.job(job.id)).events).toEqual(log);
});

test('two phones sending the same batch at once add it once', async () => {
  const job = await tech.running();
  const log = fullRun(job, 6);
  const answers = await Promise.all([tech.events(job, log), tech.events(job, log)]);
  expect(answers.map((a) => a.body.added as number).sort((a, b) => a - b)).toEqual([0, log.length]);
  expect(await RunEventRow.count()).toBe(log.length);
});

test('an id that comes again with other content is refused', async () => {
  const job = await tech.running();
  const log = fullRun(job, 2);
  await tech.events(job, log).expect(200);
  const changed = { ...log[0]!, atMs: log[0]!.atMs + 1 };
  const res = await tech.events(job, [changed]).expect(409);
  expect(res.body.type).toBe('/problems/conflict');
});

test('a batch with one bad event saves none of it', async () => {
  const job = await tech.running();
  const log = fullRun(job, 2);
  const bad: RunEvent = {
    ...log.at(-1)!,
    id: randomUUID(),
    deviceSeq: 99,
    kind: 'stroke',
    stopId: 'nowhere',
  } as RunEvent;
  const res = await tech.events(job, [...log, bad]).expect(409);
  expect(res.body.faults).toMatchObject([
    { field: `events.${bad.id}`, sentence: expect.stringContaining('front') },
  ]);
  expect((await tech.job(job.id)).events).toEqual([]);
});

test('a device’s events come in its own order', async () => {
  const job = await tech.running();
  const log = fullRun(job, 2);
  await tech.events(job, log.slice(1, 3)).expect(200);
  const res = await tech.events(job, log.slice(0, 1)).expect(409);
  expect(res.body.faults[0].field).toBe('deviceSeq');
});

test.each([
  [{ kind: 'stroke' }, 'stopId'],
  [{ kind: 'bubbles', stopId: 'front', reading: 'lots' }, 'reading'],
  [{ kind: 'stroke', stopId: 'front', extra: 1 }, 'events'],
  [{ kind: 'shut', stopId: 'front', tightened: 'very' }, 'tightened'],
])('%j is refused before it touches the log', async (said, field) => {
  const job = await tech.running();
  const res = await tech
    .send('post', `/jobs/${job.id}/events`, {
      events: [{ id: randomUUID(), deviceId: randomUUID(), deviceSeq: 1, atMs: 1, ...said }],
    })
    .expect(422);
  expect(res.body.faults[0].field).toContain(field);
});

test('no run before the plan is accepted, and none once the vehicle is out or the job is closed', async () => {
  const opened = await tech.open('H 1');
  const stroke = {
    id: randomUUID(),
    deviceId: randomUUID(),
    deviceSeq: 1,
    atMs: 1,
    kind: 'stroke',
    stopId: 'front',
  } as RunEvent;
  expect((await tech.events(opened, [stroke]).expect(409)).body.detail).toContain(
    'Accept the plan',
  );
  const out = await tech.change(await tech.proved(), 'post', 'test-drive');
  expect(
    (await tech.events(out, [{ ...stroke, deviceSeq: 1000 }]).expect(409)).body.detail,
  ).toContain('test drive');
  const ended = await tech.change(opened, 'post', 'end', { reason: 'Not today' });
  expect((await tech.events(ended, [stroke]).expect(409)).body.detail).toContain('closed');
});

test('the vehicle is "do not drive" from the first step that opens it, since that moment', async () => {
  const job = await tech.running();
  const log = fullRun(job, 0);
  const opening = log.findIndex((e) => e.kind === 'prepared' && e.step === 'empty reservoir');
  await tech.events(job, log.slice(0, opening)).expect(200);
  expect(await tech.drive('M 1')).toBe('free');
  const res = await tech.events(job, log.slice(opening)).expect(200);
  expect(res.body.drive).toMatchObject({
    state: 'do not drive',
    since: new Date(log[opening]!.atMs).toISOString(),
  });
});

test('a decision to end ends the job, and the reason stands on the record', async () => {
  const job = await tech.running();
  const log = fullRun(job, 4);
  const base = { deviceId: log[0]!.deviceId, atMs: log.at(-1)!.atMs };
  const haltId = randomUUID();
  await tech
    .events(job, [
      ...log,
      {
        ...base,
        id: haltId,
        deviceSeq: log.length + 1,
        kind: 'halted',
        reason: 'grease',
        stopId: 'front',
      },
      {
        ...base,
        id: randomUUID(),
        deviceSeq: log.length + 2,
        kind: 'decided',
        haltId,
        decision: 'end job',
      },
    ])
    .expect(200);
  expect(await tech.job(job.id)).toMatchObject({
    stage: 'ended',
    ended: { reason: expect.stringContaining('grease') },
    vehicleDrive: 'do not drive',
  });
});

describe('a decision that plans the rest anew', () => {
  /** A run that went dry at its first bleeder, and the decision on it. */
  const ranDry = async () => {
    const job = await tech.running('H 1');
    const log = fullRun(job, 6);
    const base = { deviceId: log[0]!.deviceId, atMs: log.at(-1)!.atMs };
    const halt = {
      ...base,
      id: randomUUID(),
      deviceSeq: log.length + 1,
      kind: 'halted',
      reason: 'ran dry',
      stopId: planOfJob(job).stops[0]!.id,
    } as RunEvent;
    const decided = {
      ...base,
      id: randomUUID(),
      deviceSeq: log.length + 2,
      kind: 'decided',
      haltId: halt.id,
      decision: 'plan anew',
    } as RunEvent;
    return { job, log: [...log, halt, decided], decided };
  };

  test('is kept with the plan that followed, and sending it again changes nothing', async () => {
    const { job, log, decided } = await ranDry();
    await tech.events(job, log).expect(200);
    const kept = (await tech.job(job.id)).events.at(-1)!;
    expect(kept).toMatchObject({ ...decided, plan: { work: { lowest: [{ bowlId: 'bowl' }] } } });
    expect((await tech.events(job, log).expect(200)).body.added).toBe(0);
    // The phone folded it without the stored plan; both stand at the same step.
    expect(foldRun(planOfJob(job), log)).toEqual(
      foldRun(planOfJob(job), (await tech.job(job.id)).events),
    );
  });

  test('goes on by the new plan to the proof', async () => {
    const { job, log } = await ranDry();
    await tech.events(job, log).expect(200);
    const state = foldRun(planOfJob(job), log);
    const rest = followCalls(
      state.plan,
      { deviceId: randomUUID(), nextId: randomUUID, startMs: log.at(-1)!.atMs },
      state,
    );
    expect((await tech.events(job, rest).expect(200)).body.stage).toBe('proof');
  });

  test('brings no plan of its own', async () => {
    const { job, log, decided } = await ranDry();
    const res = await tech
      .send('post', `/jobs/${job.id}/events`, {
        events: [...log.slice(0, -1), { ...decided, plan: planOfJob(job) }],
      })
      .expect(422);
    expect(res.body.faults).toHaveLength(1);
    expect((await tech.job(job.id)).events).toEqual([]);
  });
});

test('undoing the last step of a finished run goes back from the proof and forgets its answers', async () => {
  const job = await tech.proved();
  const last = job.events.at(-1)!;
  await tech
    .events(job, [
      {
        id: randomUUID(),
        deviceId: last.deviceId,
        deviceSeq: last.deviceSeq + 1,
        atMs: last.atMs + 1,
        kind: 'undone',
        eventId: last.id,
      },
    ])
    .expect(200);
  expect(await tech.job(job.id)).toMatchObject({
    stage: 'run',
    proof: { pedal: null, checks: {} },
  });
});

test('who put down which events stands beside the log', async () => {
  const job = await tech.running();
  const lead = await brook.signedIn('lead');
  const log = fullRun(job, 4);
  await tech.events(job, log.slice(0, 3)).expect(200);
  await lead.events(job, log.slice(3)).expect(200);
  expect((await tech.job(job.id)).authors).toEqual([
    { by: 'Tech One', count: 3 },
    { by: 'Lead One', count: log.length - 3 },
  ]);
});
