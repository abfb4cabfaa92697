import type { Overview } from '@brook/contract';
import { DEFAULT_RULES } from '@brook/core/bleed/rules';
import { randomUUID } from 'node:crypto';
import { TestServer, type Caller } from '../../testing';

jest.setTimeout(120_000);

let testServer: TestServer;
let lead: Caller;
beforeAll(async () => {
  testServer = await TestServer.start();
  lead = await testServer.signedIn('lead');
}, 60_000);
afterAll(() => testServer.stop());

const seen = async (caller = lead): Promise<Overview> =>
  (await caller.get('/overview').expect(200)).body as Overview;

test('a workshop with nothing open says so', async () => {
  expect(await seen()).toMatchObject({ held: [], lookAgain: [], worse: [], letGo: [] });
});

test('what holds a vehicle, what is looked at again and what was let go stand in one look, each with its record, in this workshop alone', async () => {
  await lead.send('put', '/house-rules', { ...DEFAULT_RULES, proofPhotos: 'level and joints' }, 1);
  const job = await lead.proved('M 1');
  const joint = {
    id: randomUUID(),
    deviceId: '4c1d8f0e-0000-4000-8000-00000000000e',
    deviceSeq: 1,
    atMs: testServer.now.getTime(),
    planId: null,
    kind: 'joint tightened',
    elementId: (await lead.job(job.id)).layout.bleeders[0]!.id,
    manualNm: 8,
    // Above its value, and not so far that it holds the vehicle.
    appliedNm: 9.4,
  };
  await lead.say(job, [joint]);
  expect(await seen()).toMatchObject({
    held: [{ vehicleTag: 'M 1', drive: { state: 'do not drive' } }],
  });
  for (const of of ['level', 'joints dry'])
    await lead
      .send(
        'post',
        `/jobs/${job.id}/overrides`,
        { code: 'photo asked for', of, why: 'No phone at hand' },
        (await lead.job(job.id)).version,
      )
      .expect(200);
  await lead.change(job, 'post', 'test-drive');
  expect((await seen()).held).toMatchObject([{ drive: { state: 'test drive only' } }]);
  await lead.change(job, 'post', 'test-drive/result', { result: 'good' });
  await lead.change(job, 'post', 'release');
  const after = await seen();
  expect(after.held).toEqual([]);
  expect(after.lookAgain).toMatchObject([
    {
      vehicleTag: 'M 1',
      openItems: [{ kind: 'tightness', weight: 'owed', jobNumber: job.number }],
    },
  ]);
  expect(after.letGo.map((o) => [o.jobId, o.why, o.by])).toEqual([
    [job.id, 'No phone at hand', 'Lead One'],
    [job.id, 'No phone at hand', 'Lead One'],
  ]);
  expect(await seen(await testServer.signedIn('other'))).toMatchObject({
    held: [],
    lookAgain: [],
    letGo: [],
  });
  // Whoever works here sees it; whoever does not, does not.
  await (await testServer.signedIn('tech')).get('/overview').expect(200);
});
