import type { Job } from '@brook/contract';
import { DEFAULT_RULES } from '@brook/core/bleed/rules';
import { randomUUID } from 'node:crypto';
import { TestServer, type Caller } from '../../testing';

jest.setTimeout(120_000);

let testServer: TestServer;
let lead: Caller;
let tech: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  lead = await testServer.signedIn('lead');
  tech = await testServer.signedIn('tech');
  const { version } = (await lead.get('/house-rules').expect(200)).body;
  await lead
    .send(
      'put',
      '/house-rules',
      { ...DEFAULT_RULES, proofPhotos: 'level and joints', jointTightness: 'by the manual' },
      version,
    )
    .expect(200);
}, 60_000);
afterAll(() => testServer.stop());

const base = () => ({
  id: randomUUID(),
  deviceId: '4c1d8f0e-0000-4000-8000-00000000000d',
  atMs: testServer.now.getTime(),
  planId: null,
});
const letGo = async (caller: Caller, job: Job, code: string, of: string, why = 'Rain') =>
  caller.send(
    'post',
    `/jobs/${job.id}/overrides`,
    { code, of, why },
    (await lead.job(job.id)).version,
  );
const driveRefused = async (job: Job) =>
  (
    await lead
      .send('post', `/jobs/${job.id}/test-drive`, undefined, (await lead.job(job.id)).version)
      .expect(409)
  ).body.faults.map((f: { field: string }) => f.field);

test('paper keeps the gate shut until it is there or a lead lets it go, by name and with a reason; nobody lets a look go', async () => {
  const job = await tech.proved('M 1');
  const bleeder = (await lead.job(job.id)).layout.bleeders[0]!.id;
  expect(await driveRefused(job)).toEqual([
    'torque not written',
    'photo asked for',
    'photo asked for',
  ]);
  // Not a technician, not another workshop's lead, not what the gate does not ask for, not a look.
  expect((await letGo(tech, job, 'photo asked for', 'level')).status).toBe(403);
  expect(
    (await letGo(await testServer.signedIn('other'), job, 'photo asked for', 'level')).status,
  ).toBe(404);
  expect((await letGo(lead, job, 'photo asked for', 'lamps out')).status).toBe(409);
  const look = await letGo(lead, job, 'not checked', 'level');
  expect(look.status).toBe(422);
  expect(look.body.faults[0].sentence).toMatch(/one of torque not written, photo asked for/);
  expect((await letGo(lead, job, 'photo asked for', 'level', '')).body.faults[0].field).toBe('why');

  const photo = {
    ...base(),
    deviceSeq: 1,
    kind: 'media note',
    medium: 'photo',
    elementId: null,
    proof: { masterId: null, item: 'joints dry' },
  };
  await tech.say(job, [photo]);
  expect((await letGo(lead, job, 'photo asked for', 'joints dry')).status).toBe(409);
  expect((await letGo(lead, job, 'photo asked for', 'level', 'No phone got in')).status).toBe(200);
  expect(await driveRefused(job)).toEqual(['torque not written']);
  const joint = {
    ...base(),
    deviceSeq: 2,
    kind: 'joint tightened',
    elementId: bleeder,
    manualNm: 9,
    appliedNm: 9,
  };
  await tech.say(job, [joint]);
  await tech.change(job, 'post', 'test-drive');
  await tech.change(job, 'post', 'test-drive/result', { result: 'good' });
  const released = await tech.change(job, 'post', 'release');

  // The manual's value is known to the next job of this vehicle, and to no other's.
  const next = await tech.open('M 1');
  expect((await lead.job(next.id)).manualTorques).toEqual([
    { elementId: bleeder, manualNm: 9, by: `Tech One, job ${job.number}` },
  ]);
  await tech.change(next, 'post', 'end', { reason: 'Only to look' });
  const another = await tech.open('H 1');
  expect((await lead.job(another.id)).manualTorques).toEqual([]);
  await tech.change(another, 'post', 'end', { reason: 'Only to look' });
  const card = (await lead.get(`/jobs/${job.id}/card`).expect(200)).body;
  expect(card.overridden).toEqual([
    {
      what: 'photo of: level between MIN and MAX, standing level',
      why: 'No phone got in',
      by: 'Lead One',
    },
  ]);
  expect(
    card.checks.filter((c: { photo: boolean }) => c.photo).map((c: { what: string }) => c.what),
  ).toEqual(['Joints and bleeders dry under a firm push']);
  expect((await letGo(lead, released, 'photo asked for', 'level')).status).toBe(409);
});

test('a phone cannot say that a lead let something go', async () => {
  const job = await tech.proved('M 1');
  const said = {
    ...base(),
    deviceSeq: 1,
    kind: 'overridden',
    code: 'photo asked for',
    of: 'level',
    why: 'Friday',
  };
  await expect(tech.say(job, [said])).rejects.toThrow(/not one of the forms/);
  expect(await driveRefused(job)).toContain('photo asked for');
  await lead.change(job, 'post', 'end', { reason: 'Not today' });
});

test('a note on a closed record is signed, stands beside it, and changes nothing of it', async () => {
  const job = await tech.open('H 1');
  const ended = await tech.change(job, 'post', 'end', { reason: 'The owner took it back' });
  const note = {
    ...base(),
    deviceSeq: 1,
    kind: 'note',
    text: 'The owner rang: a rear boot is torn',
  };
  await lead.say(ended, [note]);
  const after = await lead.job(job.id);
  expect(after.additions).toMatchObject([{ text: note.text, person: 'Lead One' }]);
  // It has a place in the order of its vehicle, and that is all.
  const { heard } = after;
  expect({ ...after, additions: [] }).toEqual({ ...ended, additions: [], heard });
  await expect(
    testServer.asOwner((db) => db.query(`UPDATE job_additions SET person = 'Somebody'`)),
  ).rejects.toThrow();
});
