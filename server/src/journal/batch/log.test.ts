import type { Appended, Job, JobPage } from '@brook/contract';
import { followCalls, nextStep } from '@brook/core/job/run';
import { type RunEvent } from '@brook/core/job/events';
import { randomUUID } from 'node:crypto';
import { JobDevice, JobEventRow } from '../../db/models';
import {
  TestServer,
  fullRun,
  goodProof,
  NOW,
  planOfJob,
  stateOfJob,
  usedFluid,
  type Caller,
} from '../../testing';

let testServer: TestServer;
let tech: Caller;
beforeEach(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn();
});
afterEach(() => testServer.stop());

/** What a phone said of a job's log, without what the server did. */
const ofPhone = (job: Job) => job.events.filter((e) => e.deviceSeq > 0);
const sent = (job: Job) => ofPhone(job).map(({ person: _, order: __, ...e }) => e);
const results = (body: unknown) => (body as Appended).answers.map((a) => a.result);
/** One more event behind a log, of the same phone. */
const next = (
  log: readonly { deviceId: string; planId: string | null }[],
  said: object,
  n = 1,
) => ({
  id: randomUUID(),
  deviceId: log[0]!.deviceId,
  deviceSeq: log.length + n,
  atMs: NOW.getTime(),
  planId: log[0]!.planId,
  ...said,
});

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
  expect(sent(await tech.job(job.id))).toEqual(log);
});

test('two phones sending the same batch at once add it once', async () => {
  const job = await tech.running();
  const before = await JobEventRow.count();
  const log = fullRun(job, 6);
  const answers = await Promise.all([tech.events(job, log), tech.events(job, log)]);
  const fresh = answers.map((a) => results(a.body).filter((r) => r === 'new').length);
  expect(fresh.sort((a, b) => a - b)).toEqual([0, log.length]);
  expect(await JobEventRow.count()).toBe(before + log.length);
});

describe('each event is answered by itself', () => {
  test('an id that comes again with other content is refused, and nothing else with it', async () => {
    const job = await tech.running();
    const log = fullRun(job, 2);
    await tech.say(job, log);
    const changed = { ...log[0]!, atMs: log[0]!.atMs + 1 };
    const { body } = await tech.events(job, [changed, next(log, { kind: 'note', text: 'x' })]);
    expect(results(body)).toEqual(['refused', 'new']);
    expect((body as Appended).answers[0]!.sentence).toContain('keeps its content');
  });

  test('unknown ids and malformed ones are refused with what would be right; what is behind them is taken', async () => {
    const job = await tech.running();
    const log = fullRun(job, 2);
    const stroke = { kind: 'stroke', openingId: 'front' };
    const { body } = await tech.events(job, [
      ...log,
      next(log, { kind: 'stroke', openingId: 'nowhere' }),
      next(log, { kind: 'stroke', openingId: 'front', extra: 1 }, 2),
      'not even an event',
      next(log, stroke, 3),
    ]);
    expect(results(body).slice(log.length)).toEqual(['refused', 'refused', 'refused', 'new']);
    expect((body as Appended).answers[log.length]!.sentence).toContain('front');
    expect(stateOfJob(await tech.job(job.id)).run!.bleeders[0]!.strokes).toBe(3);
  });

  test('what depends on a refused one is refused with it', async () => {
    const job = await tech.running();
    const log = fullRun(job, 2);
    const bad = next(log, { kind: 'halted', reason: 'leak', openingId: 'nowhere' });
    const { body } = await tech.events(job, [
      ...log,
      bad,
      next(log, { kind: 'decided', haltId: bad.id, decision: 'end job' }, 2),
      next(log, { kind: 'undone', eventId: bad.id }, 3),
    ]);
    expect(results(body).slice(log.length)).toEqual(['refused', 'refused', 'refused']);
    expect((await tech.job(job.id)).stage).toBe('run');
  });

  test('an undo of what was taken back already is known, not refused', async () => {
    const job = await tech.running();
    const log = fullRun(job, 2);
    const eventId = log.at(-1)!.id;
    await tech.say(job, [...log, next(log, { kind: 'undone', eventId })]);
    const { body } = await tech.events(job, [next(log, { kind: 'undone', eventId }, 2)]);
    expect(results(body)).toEqual(['known']);
    expect((await tech.job(job.id)).events).toHaveLength(log.length + 4);
  });

  test('a time that cannot be is refused, with what to do about it', async () => {
    const job = await tech.running();
    const late = { ...fullRun(job, 1)[0]!, atMs: NOW.getTime() + 2 * 86_400_000 };
    const { body } = await tech.events(job, [late]);
    expect((body as Appended).answers[0]!).toMatchObject({
      result: 'refused',
      sentence: expect.stringContaining('clock'),
    });
  });

  test('numbers of a phone come in any order, and a gap shuts nobody out', async () => {
    const job = await tech.running();
    const log = fullRun(job, 2);
    await tech.events(job, log.slice(1, 3)).expect(200);
    const { body } = await tech.events(job, log.slice(0, 1), { lowestWaiting: 9 });
    expect(results(body)).toEqual(['new']);
    const [device] = await JobDevice.findAll({ where: { jobId: job.id } });
    expect(device).toMatchObject({ lowestWaiting: 9, highestSeq: 3, person: 'Tech One' });
  });
});

test('what one person tapped is not taken in another’s name, and goes once they are signed in', async () => {
  const job = await tech.running();
  const lead = await testServer.signedIn('lead');
  const [event] = fullRun(job, 1);
  const personId = (await lead.get('/session')).body.user.id as string;
  const { body } = await tech.events(job, [event], { personId }).expect(409);
  expect(body.detail).toBe(
    'Somebody else tapped this; it is taken when they sign in. Now Tech One is signed in.',
  );
  expect((await tech.job(job.id)).events).toHaveLength(job.events.length);
  await lead.events(job, [event], { personId }).expect(200);
  expect((await tech.job(job.id)).events.at(-1)).toMatchObject({
    id: event!.id,
    person: 'Lead One',
  });
});

test('a batch is answered with what the phone does not know, not with the whole job', async () => {
  const job = await tech.running();
  const lead = await testServer.signedIn('lead');
  const log = fullRun(job, 4);
  const { length: first } = (await tech.say(job, log.slice(0, 3))).events;
  await lead.say(job, log.slice(3, 5));
  const { body } = await tech.events(job, log.slice(5, 6), { since: first });
  expect((body as Appended).events.map((e) => [e.id, e.person])).toEqual([
    [log[3]!.id, 'Lead One'],
    [log[4]!.id, 'Lead One'],
    [log[5]!.id, 'Tech One'],
  ]);
  expect((body as Appended).position).toBe(first + 3);
  expect(body).not.toHaveProperty('planResult');
});

test.each([
  [{ kind: 'stroke' }, /Opening is missing/],
  [{ kind: 'bubbles', openingId: 'front', reading: 'lots' }, /Bubbles is "lots"/],
  [{ kind: 'stroke', openingId: 'front', extra: 1 }, /extra/],
  [{ kind: 'shut', openingId: 'front', tightened: 'very' }, /Torque/],
  [{ kind: 'shut', openingId: 'front', tightened: { torqueNm: 0.4 } }, /Torque/],
  [{ kind: 'bleeder opened', openingId: 'front', turns: 3.1 }, /Turns/],
])('%j is refused before it touches the log', async (said, sentence) => {
  const job = await tech.running();
  const res = await tech
    .events(job, [next([{ deviceId: randomUUID(), planId: null }], said)])
    .expect(200);
  expect(res.body.answers[0]).toMatchObject({
    result: 'refused',
    sentence: expect.stringMatching(sentence),
  });
});

test('no run before the plan is accepted', async () => {
  const opened = await tech.open('H 1');
  const stroke = {
    id: randomUUID(),
    deviceId: randomUUID(),
    deviceSeq: 1,
    atMs: NOW.getTime(),
    planId: null,
    kind: 'stroke',
    openingId: 'front',
  };
  const { body } = await tech.events(opened, [stroke]).expect(200);
  expect((body as Appended).answers[0]!.sentence).toContain('Accept the plan');
});

describe('what was done on the vehicle is kept, whenever it arrives', () => {
  const stroke = (job: Job) =>
    next(ofPhone(job), { kind: 'stroke', openingId: planOfJob(job).openings[0]!.id }, 1000);

  test('while the vehicle is out for its test drive: the drive holds no longer, and it is proved again', async () => {
    const out = await tech.change(await tech.proved(), 'post', 'test-drive');
    const body = await tech.say(out, [{ ...stroke(out), deviceId: randomUUID() }]);
    // Another phone's stroke is asked about; it touched the vehicle all the same.
    expect(body).toMatchObject({ stage: 'proof', drive: { state: 'do not drive' } });
    const job = await tech.job(out.id);
    expect(stateOfJob(job).proof.voided[0]).toMatchObject({
      because: { kind: 'stroke', person: 'Tech One' },
    });
    await tech.send('post', `/jobs/${job.id}/release`, undefined, job.version).expect(409);
  });

  test('after the release: beside the record, which stays as it was, and the vehicle is held again', async () => {
    let job = await tech.change(await tech.proved(), 'post', 'test-drive');
    job = await tech.change(job, 'post', 'test-drive/result', { result: 'good' });
    job = await tech.change(job, 'post', 'release');
    const late = stroke(job);
    const { body } = await tech.events(job, [late]).expect(200);
    expect(results(body)).toEqual(['added after the end']);
    expect(results((await tech.events(job, [late])).body)).toEqual(['known']);
    const after = await tech.job(job.id);
    expect(after.events).toEqual(job.events);
    expect(after.additions).toMatchObject([{ id: late.id, person: 'Tech One' }]);
    expect(after).toMatchObject({ stage: 'released', vehicleDrive: 'do not drive' });
    await expect(testServer.asOwner((db) => db.query('DELETE FROM job_additions'))).rejects.toThrow(
      /only be added to/,
    );
  });

  test('after the next job was released as well: it holds by when it was done, not by whose log it is in', async () => {
    const released = async () => {
      let job = await tech.change(await tech.proved(), 'post', 'test-drive');
      job = await tech.change(job, 'post', 'test-drive/result', { result: 'good' });
      return tech.change(job, 'post', 'release');
    };
    const first = await released();
    expect((await released()).vehicleDrive).toBe('free');
    await tech.say(first, [{ ...stroke(first), atMs: NOW.getTime() + 1000 }]);
    expect(await tech.drive('M 1')).toBe('do not drive');
  });

  test('after the end of a job that opened nothing: a note changes nothing, a stroke holds the vehicle', async () => {
    const job = await tech.running();
    await tech.change(job, 'post', 'end', { reason: 'Not today' });
    const ended = await tech.job(job.id);
    const base = [{ deviceId: randomUUID(), planId: null }];
    const note = await tech.say(ended, [next(base, { kind: 'note', text: 'Boot torn' })]);
    expect(note.drive.state).toBe('free');
    const body = await tech.say(ended, [
      next(base, { kind: 'stroke', openingId: planOfJob(job).openings[0]!.id }, 2),
    ]);
    expect(body).toMatchObject({ stage: 'ended', drive: { state: 'do not drive' } });
  });

  test('what comes behind a decision that ended the job goes beside the record', async () => {
    const job = await tech.running();
    const log = fullRun(job, 4);
    const halt = next(log, { kind: 'halted', reason: 'leak', openingId: null });
    const { body } = await tech.events(job, [
      ...log,
      halt,
      next(log, { kind: 'decided', haltId: halt.id, decision: 'end job' }, 2),
      next(log, { kind: 'stroke', openingId: planOfJob(job).openings[0]!.id }, 3),
    ]);
    expect(results(body).slice(-2)).toEqual(['new', 'added after the end']);
  });
});

test('the vehicle is "do not drive" from the first step that opens it, since that moment', async () => {
  const job = await tech.running();
  const log = fullRun(job, 0);
  const opening = log.findIndex((e) => e.kind === 'prepared' && e.step === 'crack bleeders');
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
  const base = { deviceId: log[0]!.deviceId, atMs: log.at(-1)!.atMs, planId: log[0]!.planId };
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
        openingId: 'front',
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
    const base = { deviceId: log[0]!.deviceId, atMs: log.at(-1)!.atMs, planId: log[0]!.planId };
    const halt = {
      ...base,
      id: randomUUID(),
      deviceSeq: log.length + 1,
      kind: 'halted',
      reason: 'ran dry',
      openingId: planOfJob(job).openings[0]!.id,
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
    expect(kept).toMatchObject({
      ...decided,
      plan: { work: { lowest: [{ reservoirId: 'reservoir' }] } },
    });
    const again = results((await tech.events(job, log).expect(200)).body);
    expect(again).toEqual(log.map(() => 'known'));
    // The phone folded it without the stored plan; both stand at the same step.
    const stored = await tech.job(job.id);
    const asTapped = stored.events.map((e) =>
      e.kind === 'decided' ? { ...decided, person: e.person } : e,
    ) as Job['events'];
    const [tapped, kept2] = [asTapped, stored.events].map(
      (events) => stateOfJob({ ...stored, events }).run!,
    );
    expect(nextStep(tapped!)).toEqual(nextStep(kept2!));
    expect(tapped!.plan.openings).toEqual(kept2!.plan.openings);
  });

  test('goes on by the new plan to the proof', async () => {
    const { job, log } = await ranDry();
    await tech.events(job, log).expect(200);
    const state = stateOfJob(await tech.job(job.id)).run!;
    const rest = followCalls(
      state.plan,
      {
        deviceId: log[0]!.deviceId,
        nextId: randomUUID,
        startMs: log.at(-1)!.atMs,
        lastSeq: log.length,
      },
      state,
    );
    expect((await tech.events(job, rest).expect(200)).body.stage).toBe('proof');
  });

  test('brings no plan of its own', async () => {
    const { job, log, decided } = await ranDry();
    const { body } = await tech.events(job, [
      ...log.slice(0, -1),
      { ...decided, plan: planOfJob(job) },
    ]);
    expect(results(body).at(-1)).toBe('refused');
    expect(stateOfJob(await tech.job(job.id)).run!.past).toEqual([]);
  });
});

test('undoing the last step of a finished run goes back from the proof, and says what it asks again and why', async () => {
  const job = await tech.proved();
  const last = ofPhone(job)
    .filter((e) => e.kind === 'topped up' || e.kind === 'shut')
    .at(-1)!;
  await tech.say(job, [next(ofPhone(job), { kind: 'undone', eventId: last.id })]);
  const after = await tech.job(job.id);
  expect(after).toMatchObject({ stage: 'run', fluidUsed: null });
  const { proof } = stateOfJob(after);
  expect(proof.voided[0]).toMatchObject({ because: { kind: 'undone', person: 'Tech One' } });
  expect(proof.voided[0]!.items).toContainEqual({ masterId: null, item: 'level' });
});

test('who did what stands in the log, event by event', async () => {
  const job = await tech.running();
  const lead = await testServer.signedIn('lead');
  const log = fullRun(job, 4);
  await tech.say(job, log.slice(0, 3));
  await lead.say(job, log.slice(3));
  expect(ofPhone(await tech.job(job.id)).map((e) => e.person)).toEqual([
    ...Array<string>(3).fill('Tech One'),
    ...Array<string>(log.length - 3).fill('Lead One'),
  ]);
});

test('what is done at the desk is an event too, with the phone that it was done on', async () => {
  const device = randomUUID();
  const job = await tech.bled();
  await tech
    .send('put', `/jobs/${job.id}/fluid-used`, usedFluid(job), job.version)
    .set('brook-device', device)
    .expect(200);
  const { events } = await tech.job(job.id);
  expect(events.map((e) => e.kind)).toEqual(
    expect.arrayContaining(['fluid read', 'plan accepted', 'fluid used']),
  );
  expect(events.at(-1)).toMatchObject({ kind: 'fluid used', deviceId: device, deviceSeq: 0 });
});

describe('two phones on one run', () => {
  test('one counts; what the other taps is kept and asked about, and judged once', async () => {
    const job = await tech.running();
    const lead = await testServer.signedIn('lead');
    const log = fullRun(job, 4);
    await tech.say(job, log);
    const other = [{ deviceId: randomUUID(), planId: null }];
    const openingId = planOfJob(job).openings[0]!.id;
    const late = next(other, { kind: 'stroke', openingId });
    await lead.say(job, [late]);
    const asked = stateOfJob(await tech.job(job.id)).run!;
    expect(asked.bleeders[0]!.strokes).toBe(4);
    expect(asked.asked).toMatchObject([{ eventId: late.id, person: 'Lead One' }]);
    await tech.say(job, [next(log, { kind: 'strokes judged', eventIds: [late.id], count: true })]);
    expect(stateOfJob(await tech.job(job.id)).run!).toMatchObject({ asked: [] });
    expect(stateOfJob(await tech.job(job.id)).run!.bleeders[0]!.strokes).toBe(5);
  });

  test('a stroke made under the plan before is booked on the opening that it was made at', async () => {
    const job = await tech.running('H 1');
    const log = fullRun(job, 6);
    const [opening] = planOfJob(job).openings;
    const halt = next(log, { kind: 'halted', reason: 'ran dry', openingId: opening!.id });
    const decided = next(log, { kind: 'decided', haltId: halt.id, decision: 'plan anew' }, 2);
    await tech.say(job, [...log, halt, decided]);
    await tech.say(job, [next(log, { kind: 'stroke', openingId: opening!.id }, 3)]);
    const run = stateOfJob(await tech.job(job.id)).run!;
    expect(run.past[0]!.bleeders[0]!.strokes).toBe(7);
    expect(run.bleeders.every((b) => b.strokes === 0)).toBe(true);
  });
});

test('500 undos in one batch are taken', async () => {
  const job = await tech.running('H 1');
  const openingId = planOfJob(job).openings[0]!.id;
  const phone = [{ deviceId: randomUUID(), planId: null }];
  const strokes = Array.from({ length: 500 }, (_, i) =>
    next(phone, { kind: 'stroke', openingId }, i),
  );
  await tech.say(job, strokes);
  await tech.say(
    job,
    strokes.map((s, i) => next(phone, { kind: 'undone', eventId: s.id }, 500 + i)),
  );
  expect(stateOfJob(await tech.job(job.id)).run!.bleeders[0]!.strokes).toBe(0);
});

test('answers of the proof come from any phone, and the last one holds', async () => {
  const job = await tech.bled();
  await tech.say(job, goodProof(job));
  const phone = [{ deviceId: randomUUID(), planId: null }];
  await tech.say(job, [next(phone, { kind: 'checked', item: 'level', passes: false })]);
  const { answers } = stateOfJob(await tech.job(job.id)).proof;
  const said = (item: string) => answers.filter((a) => a.item === item).map((a) => a.value);
  expect(said('level')).toEqual([false]);
  expect(said('joints dry')).toEqual([true]);
});

describe('a vehicle’s own log', () => {
  const mark = (reason: string) => ({
    id: randomUUID(),
    deviceId: randomUUID(),
    deviceSeq: 1,
    atMs: NOW.getTime(),
    planId: null,
    kind: 'marked',
    reason,
  });
  const say = (vehicleId: string, events: readonly object[]) =>
    tech.send('post', `/vehicles/${vehicleId}/events`, { events });

  test('a mark holds the vehicle until a job that was taken in after it releases it', async () => {
    const id = await tech.vehicleId('M 1');
    const marked = mark('Towed in, no pedal');
    expect((await say(id, [marked]).expect(200)).body.answers).toMatchObject([{ result: 'new' }]);
    expect((await say(id, [marked])).body.answers).toMatchObject([{ result: 'known' }]);
    expect(await tech.drive('M 1')).toBe('do not drive');
    let job = await tech.change(await tech.proved(), 'post', 'test-drive');
    // The job took the mark over and proved every control: the slow drive is the last of it.
    expect(job.drive).toMatchObject({ state: 'test drive only' });
    expect(job.before).toMatchObject([{ kind: 'marked', because: 'Towed in, no pedal' }]);
    job = await tech.change(job, 'post', 'test-drive/result', { result: 'good' });
    expect((await tech.change(job, 'post', 'release')).vehicleDrive).toBe('free');
  });

  test('a mark is taken back at once, or by a look; another id, another content and a short reason are refused', async () => {
    const id = await tech.vehicleId('M 1');
    const marked = mark('Leaks at the rear');
    await say(id, [marked]).expect(200);
    const { body } = await say(id, [
      { ...marked, reason: 'Something else' },
      { ...mark('x') },
      { ...mark(''), kind: 'undone', eventId: randomUUID(), reason: undefined },
    ]);
    expect(body.answers.map((a: { result: string }) => a.result)).toEqual([
      'refused',
      'refused',
      'refused',
    ]);
    const { reason: _, ...undo } = { ...mark(''), kind: 'undone', eventId: marked.id };
    Object.assign(undo, { deviceId: marked.deviceId });
    await say(id, [undo]).expect(200);
    expect(await tech.drive('M 1')).toBe('free');
    // Not by another phone, and not once something else was said: then somebody says what they looked at.
    const late = async (more: object, between: readonly object[]) => {
      const again = mark('Leaks at the rear');
      await say(id, [again, ...between]).expect(200);
      const { reason: __, ...back } = { ...mark(''), kind: 'undone', eventId: again.id };
      const answer = await say(id, [{ ...back, deviceId: again.deviceId, ...more }]).expect(200);
      expect(answer.body.answers[0]).toMatchObject({
        result: 'refused',
        sentence: 'A mark is taken back by whoever looked; say what was looked at.',
      });
    };
    await late({ deviceId: randomUUID() }, []);
    await late({}, [mark('It rolls')]);
    expect(await tech.drive('M 1')).toBe('do not drive');
    const vehicle = await tech.vehicle(id);
    await expect(
      tech.sayOf(vehicle, { kind: 'looked at', openItemId: 'nothing', saw: 'All dry' }),
    ).rejects.toThrow(/nothing open/);
    for (const { id: openItemId } of vehicle.openItems)
      await tech.sayOf(vehicle, { kind: 'looked at', openItemId, saw: 'All dry' });
    expect(await tech.drive('M 1')).toBe('free');
  });
});

test('clocks stand in the list of jobs until somebody looked, and overtake nobody’s form', async () => {
  const job = await tech.open('M 1');
  const [id, other] = [randomUUID(), randomUUID()];
  const base = { deviceId: randomUUID(), deviceSeq: 1, atMs: NOW.getTime(), planId: null };
  const started = { ...base, kind: 'clock started', minutes: 15, elementId: null };
  await tech.say(job, [
    { ...started, id, clock: 'penetrant' },
    { ...started, id: other, deviceSeq: 2, clock: 'settling', minutes: 5 },
  ]);
  const listed = async () =>
    ((await tech.get('/jobs').expect(200)).body as JobPage).jobs.find((j) => j.id === job.id)!;
  expect((await listed()).clocks.map((c) => [c.clock, c.dueMs])).toEqual([
    ['settling', NOW.getTime() + 5 * 60_000],
    ['penetrant', NOW.getTime() + 15 * 60_000],
  ]);
  expect((await tech.job(job.id)).version).toBe(job.version);
  await tech.say(job, [
    { ...base, id: randomUUID(), deviceSeq: 3, kind: 'clock ended', eventId: other },
  ]);
  expect((await listed()).clocks.map((c) => c.eventId)).toEqual([id]);
  expect((await tech.job(job.id)).clocks).toEqual((await listed()).clocks);
  await tech.say(job, [{ ...base, id: randomUUID(), deviceSeq: 4, kind: 'undone', eventId: id }]);
  expect((await listed()).clocks).toEqual([]);
  const wrong = { ...started, id: randomUUID(), deviceSeq: 5, clock: 'penetrant' };
  for (const minutes of [0, 1441, 1.5]) {
    const { body } = await tech.events(job, [{ ...wrong, minutes }]).expect(200);
    expect(body.answers[0]).toMatchObject({
      result: 'refused',
      sentence: expect.stringContaining('A clock should be'),
    });
  }
});
