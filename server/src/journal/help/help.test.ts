import {
  CODE_LETTERS,
  type HelperScreen,
  type HelpSignal,
  type Job,
  type JobPage,
} from '@brook/contract';
import { OUT_OF_STEP_MS } from '@brook/contract/beats';
import { OPERATIONS } from '@brook/contract/openapi';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { TestServer, fullRun, NOW, planOfJob, stateOfJob, type Caller } from '../../testing';

let testServer: TestServer;
let tech: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn('tech');
});
afterAll(() => testServer.stop());
// Each test has the car to itself.
afterEach(async () => {
  testServer.now = NOW;
  const { jobs } = (await tech.get('/jobs').expect(200)).body as JobPage;
  for (const { id } of jobs.filter((j) => j.closedAt === null))
    await tech.change(await tech.job(id), 'post', 'end', { reason: 'The test is over.' });
});

const anybody = () => request(testServer.app);
const join = (code: string, name = 'Ana') =>
  anybody().post('/api/v1/help').send({ code, name }).set('accept-encoding', 'identity');
const codeOf = async (job: Pick<Job, 'id'>): Promise<string> =>
  (await tech.send('post', `/jobs/${job.id}/helper`).expect(201)).body.code;

/** A helper's phone that joined. */
class Helper {
  private constructor(readonly token: string) {}

  static async at(code: string, name?: string): Promise<Helper> {
    return new Helper((await join(code, name).expect(201)).body.token);
  }

  send(signal: HelpSignal['signal'], openingId: string | null, id: string = randomUUID()) {
    return anybody().post('/api/v1/help/signal').send({ token: this.token, id, openingId, signal });
  }

  async tap(
    signal: HelpSignal['signal'],
    openingId: string | null,
    id?: string,
  ): Promise<HelperScreen> {
    return (await this.send(signal, openingId, id).expect(200)).body;
  }

  here() {
    return anybody().post('/api/v1/help/here').send({ token: this.token });
  }

  async said(): Promise<HelperScreen> {
    return (await this.here().expect(200)).body;
  }
}

/** A car whose first bleeder waits for its first stroke, and a helper at the pedal. */
async function atThePedal() {
  const job = await tech.running('H 1');
  const run = fullRun(job);
  const first = run.findIndex((e) => e.kind === 'stroke');
  await tech.say(job, run.slice(0, first));
  const code = await codeOf(job);
  const helper = await Helper.at(code);
  const [opening] = planOfJob(job).openings;
  const state = async () => stateOfJob(await tech.job(job.id)).run!;
  const strokes = async () => (await state()).bleeders[0]!.strokes;
  return { job, code, helper, openingId: opening!.id, state, strokes, run };
}

test('a code joins; at the end and shut count one stroke, in the helper’s name', async () => {
  const { job, helper, openingId, strokes, state } = await atThePedal();
  expect((await helper.said()).view).toMatchObject({ kind: 'call', word: 'Push', openingId });
  expect((await helper.tap('at the end', openingId)).view).toMatchObject({ word: 'Hold' });
  expect(await strokes()).toBe(0);
  expect((await helper.tap('shut', openingId)).view).toMatchObject({
    word: 'Push',
    first: { word: 'Let go' },
    strokes: 1,
  });
  expect(await strokes()).toBe(1);
  const { events } = await tech.job(job.id);
  expect(events.at(-1)).toMatchObject({ kind: 'stroke', person: 'Ana (helper)' });
  expect((await state()).counting).toEqual({ way: 'helper', deviceId: events.at(-1)!.deviceId });
});

test('sent twice, or tapped out of its order, it is one stroke', async () => {
  const { helper, openingId, strokes } = await atThePedal();
  await helper.tap('shut', openingId);
  expect(await strokes()).toBe(0);
  await helper.tap('at the end', openingId);
  const id = randomUUID();
  await Promise.all([helper.tap('shut', openingId, id), helper.tap('shut', openingId, id)]);
  await helper.tap('shut', openingId);
  expect(await strokes()).toBe(1);
  await helper.tap('at the end', openingId);
  // The stroke that stands under this id is not made again.
  await helper.tap('shut', openingId, id);
  expect(await strokes()).toBe(1);
});

test('a tap about another bleeder counts nowhere', async () => {
  const { job, helper, strokes } = await atThePedal();
  const other = planOfJob(job).openings[1]!.id;
  await helper.tap('at the end', other);
  await helper.tap('shut', other);
  expect(await strokes()).toBe(0);
  expect((await helper.said()).view).toMatchObject({ word: 'Push' });
});

test('let go too soon is on the record, the round is no stroke, and the bleeder is not done without clean ones', async () => {
  const { helper, openingId, state } = await atThePedal();
  await helper.tap('at the end', openingId);
  expect((await helper.tap('let go too soon', openingId)).view).toMatchObject({ word: 'Stop' });
  await helper.tap('shut', openingId);
  expect((await state()).bleeders[0]).toMatchObject({ strokes: 0, broken: 1 });
});

test('a mis-tap is taken back by the phone that made it', async () => {
  const { helper, openingId, strokes, job } = await atThePedal();
  await helper.tap('at the end', openingId);
  await helper.tap('shut', openingId);
  await helper.tap('take it back', openingId);
  expect(await strokes()).toBe(0);
  // There is none of its own left; what the other phone did is not the helper's to take back.
  const before = (await tech.job(job.id)).events.length;
  await helper.tap('take it back', openingId);
  expect((await tech.job(job.id)).events).toHaveLength(before);
});

test('one source at a time: who goes on by voice counts, and the helper takes it up again by one tap', async () => {
  const { job, helper, openingId, strokes, run } = await atThePedal();
  const base = { ...run[0]!, kind: 'counting', way: 'tap' } as Record<string, unknown>;
  delete base.step;
  await helper.tap('at the end', openingId);
  await tech.say(job, [{ ...base, id: randomUUID() }]);
  // It is open still: it is held until "shut" is heard, and that stroke is the voice's.
  expect((await helper.said()).view).toMatchObject({ kind: 'by voice', word: 'Hold' });
  expect((await helper.tap('shut', openingId)).view).toMatchObject({
    kind: 'by voice',
    word: 'By voice',
  });
  await helper.tap('at the end', openingId);
  await helper.tap('take it back', openingId);
  expect(await strokes()).toBe(0);
  expect((await helper.tap('count here', null)).view).toMatchObject({ kind: 'call' });
  await helper.tap('at the end', openingId);
  await helper.tap('shut', openingId);
  expect(await strokes()).toBe(1);
});

test('a phone that is not heard of is out of step, and is in step again when it is', async () => {
  const { job, helper } = await atThePedal();
  expect((await helper.said()).inStep).toBe(true);
  testServer.now = new Date(NOW.getTime() + OUT_OF_STEP_MS - 1);
  expect((await helper.said()).inStep).toBe(true);
  testServer.now = new Date(NOW.getTime() + OUT_OF_STEP_MS);
  expect((await helper.said()).inStep).toBe(false);
  await tech.send('post', `/jobs/${job.id}/helper/here`).expect(204);
  expect((await helper.said()).inStep).toBe(true);
});

describe('the link', () => {
  test('a code is read as it is typed, and one that nobody made joins nothing', async () => {
    const { code } = await atThePedal();
    await join(` ${code.slice(0, 4).toLowerCase()} ${code.slice(4)}`).expect(201);
    const wrong =
      [...code].reverse().join('') === code ? `2${code.slice(1)}` : [...code].reverse().join('');
    await join(wrong).expect(404);
    await join('ABC').expect(422);
    await join(`0${code.slice(1)}`).expect(422);
    expect(CODE_LETTERS).not.toMatch(/[01IO]/);
  });

  test('however many wrong ones were typed from here, a right one goes through', async () => {
    const { code } = await atThePedal();
    for (let i = 0; i < 11; i++) await join('22222222').expect(404);
    await join(code).expect(201);
  });

  test('a second phone takes it over, a new code ends it, the technician ends it', async () => {
    const { job, code, helper } = await atThePedal();
    const second = await Helper.at(code, 'Bo');
    await helper.here().expect(401);
    await second.here().expect(200);
    const next = await codeOf(job);
    await second.here().expect(401);
    await join(code).expect(404);
    const third = await Helper.at(next);
    await tech.agent.delete(`/api/v1/jobs/${job.id}/helper`).expect(204);
    await third.here().expect(401);
  });

  test('it dies with the run: nothing is counted any more, and no code is made', async () => {
    const { job, code, helper, openingId, strokes } = await atThePedal();
    await tech.change(job, 'post', 'end', { reason: 'Customer came early.' });
    expect((await helper.said()).view).toEqual({ kind: 'over' });
    const made = await strokes();
    await helper.tap('at the end', openingId);
    await helper.tap('shut', openingId);
    await helper.tap('count here', null);
    expect(await strokes()).toBe(made);
    await tech.send('post', `/jobs/${job.id}/helper`).expect(409);
    const late = await Helper.at(code);
    expect((await late.said()).view).toEqual({ kind: 'over' });
  });

  test('another workshop neither makes nor ends nor feeds it', async () => {
    const { job, helper } = await atThePedal();
    const other = await testServer.signedIn('other');
    await other.send('post', `/jobs/${job.id}/helper`).expect(404);
    await other.agent.delete(`/api/v1/jobs/${job.id}/helper`).expect(404);
    await other.send('post', `/jobs/${job.id}/helper/here`).expect(404);
    await helper.here().expect(200);
  });

  test('what joins opens nothing else: neither as a cookie nor as a bearer, on no address of the document', async () => {
    const { job, helper, code } = await atThePedal();
    // What anybody may read, the doors of an account, and the helper's own addresses.
    const open = /^\/(health|openapi\.json|layout\.schema\.json|session(\/join)?|help(\/.*)?)$/;
    const shut = OPERATIONS.filter((op) => !open.test(op.path));
    expect(shut.length).toBeGreaterThan(40);
    for (const o of shut)
      for (const secret of [helper.token, code])
        await anybody()
          [o.method](`/api/v1${o.path.replace('{id}', job.id)}`)
          .set({ cookie: `brook.sid=${secret}`, authorization: `Bearer ${secret}` })
          .send({ token: secret })
          .expect(401);
  });

  test('what it shows holds neither vehicle nor person nor plan', async () => {
    const { job, helper } = await atThePedal();
    const text = JSON.stringify(await helper.said());
    for (const secret of [job.id, job.vehicleId, job.vehicleName, 'Tech One', planOfJob(job).id])
      expect(text).not.toContain(secret);
    expect(Object.keys((await helper.said()).view).sort()).toEqual([
      'bleeder',
      'first',
      'firstS',
      'kind',
      'openingId',
      'say',
      'signal',
      'strokes',
      'strokesLeft',
      'word',
    ]);
  });

  test('neither code nor token stands in the database', async () => {
    const { code, helper } = await atThePedal();
    const [rows] = await testServer.db.query('SELECT * FROM helper_links');
    const text = JSON.stringify(rows);
    expect(text).toContain('Ana');
    for (const secret of [code, helper.token]) expect(text).not.toContain(secret);
  });
});
