import type { Job, Vehicle } from '@brook/contract';
import { TestServer, stateOfJob, type Caller } from '../../testing';

let testServer: TestServer;
let tech: Caller;
beforeEach(async () => {
  testServer = await TestServer.start();
  tech = await testServer.signedIn();
});
afterEach(() => testServer.stop());

describe('what is said at intake', () => {
  const take = async (more: object) => {
    const vehicleId = await tech.vehicleId('M 1');
    return tech.send('post', '/jobs', { vehicleId, purpose: 'after work', ...more });
  };

  test('goes to the plan, the log, the vehicle and its history', async () => {
    const part = { cappedAtOnce: true, keptFull: true, newPart: true, notYet: true };
    const res = await take({
      also: ['soft'],
      parts: [{ partId: 'front-caliper', ...part }],
      found: [{ what: 'wet joint', where: 'banjo at the caliper' }],
      odometerKm: 84_200,
      helper: false,
      helperName: 'Ode',
    });
    expect(res.status).toBe(201);
    const job = res.body as Job;
    expect(job.planChoices).toMatchObject({
      means: { helper: false },
      work: {
        purpose: 'after work',
        also: ['soft'],
        parts: [{ partId: 'front-caliper', notYet: true }],
        found: [{ what: 'wet joint', where: 'banjo at the caliper' }],
      },
    });
    expect(stateOfJob(job)).toMatchObject({
      said: { work: { also: ['soft'] } },
      takenIn: { odometerKm: 84_200, helper: 'Ode' },
    });
    const vehicle = (await tech.get(`/vehicles/${job.vehicleId}`).expect(200)).body as Vehicle;
    expect(vehicle.drive.state).toBe('do not drive');
    expect(vehicle.openItems.map((m) => m.kind).sort()).toEqual(['control soft', 'leak']);
    const history = (await tech.get(`/vehicles/${job.vehicleId}/history`).expect(200)).body;
    expect(history.odometer).toMatchObject([{ jobNumber: job.number, km: 84_200 }]);
    // Nothing was read or done: it may still be moved to the vehicle that was meant, and what was found goes with it.
    const given = { name: 'The right one', tag: 'R 1', templateId: 'motorcycle-front-disc' };
    const other = (await tech.send('post', '/vehicles', given).expect(201)).body as Vehicle;
    const moved = await tech.change(job, 'put', 'vehicle', { vehicleId: other.id });
    expect(moved.planChoices.work).toMatchObject({
      also: ['soft'],
      found: [{ what: 'wet joint' }],
    });
    expect(moved.planChoices.means.helper).toBe(false);
    expect(await tech.drive('R 1')).toBe('do not drive');
    // What was said counts for both until a named person looked which it was.
    expect(await tech.drive('M 1')).toBe('do not drive');
    const first = (await tech.get(`/vehicles/${vehicle.id}`).expect(200)).body as Vehicle;
    expect(first.openItems.map((m) => m.because)).toContainEqual(
      expect.stringMatching(/banjo.*; its job was moved to another vehicle$/),
    );
    for (const { id } of first.openItems)
      await tech.sayOf(vehicle, { kind: 'looked at', openItemId: id, saw: 'Dry, lever firm' });
    expect(await tech.drive('M 1')).toBe('free');
    expect(await tech.drive('R 1')).toBe('do not drive');
  });

  test('nobody looked at the odometer, nobody is named: nothing is made up', async () => {
    const job = (await take({ purpose: 'routine flush' })).body as Job;
    expect(stateOfJob(job).takenIn).toBeNull();
    expect(job.planChoices.work).toMatchObject({ also: [], found: [], parts: [] });
  });

  test.each([
    [
      { parts: [{ partId: 'nowhere', cappedAtOnce: true, keptFull: true }] },
      'parts.0.partId',
      /front-caliper/,
    ],
    [
      { parts: [{ partId: 'outlet', cappedAtOnce: true, keptFull: true }] },
      'parts.0.partId',
      /can be changed/,
    ],
    [{ odometerKm: 2_000_001 }, 'odometerKm', /2,000,000/],
    [{ odometerKm: 12.5 }, 'odometerKm', /whole|Odometer/],
    [{ also: ['look'] }, 'also.0', /soft, renew/],
    [{ found: [{ what: 'rust', where: '' }] }, 'found.0.what', /wet joint/],
    [{ helperName: 'O' }, 'helperName', /2 to 60/],
  ])('%j is refused at its field', async (more, field, words) => {
    const res = await take(more);
    expect(res.status).toBe(422);
    expect(res.body.faults).toContainEqual({ field, sentence: expect.stringMatching(words) });
    expect(await tech.drive('M 1')).toBe('free');
  });
});
