import type { JobState } from '@brook/core/job/log';
import type { Sequelize } from 'sequelize';
import { TestServer, fullRun, stateOfJob } from '../../testing';
import { JobEventRow } from '../../db/models';
import { foldedUpTo, keepFolded } from './stateCache';
import { jobStateOf } from './stored';

const state = (events: number) => ({ log: Array(events).fill({}) }) as unknown as JobState;

test('what was folded counts up to its own position, never beyond it, and in its own database', () => {
  const [db, other] = [{}, {}] as Sequelize[];
  keepFolded(db!, 'j', state(3));
  expect(foldedUpTo(db!, 'j', 2)).toBeNull();
  expect(foldedUpTo(db!, 'j', 3)?.log).toHaveLength(3);
  expect(foldedUpTo(db!, 'j', 9)?.log).toHaveLength(3);
  expect(foldedUpTo(other!, 'j', 9)).toBeNull();
});

test('a hundred jobs are kept, the one that was longest not asked for makes room', () => {
  const db = {} as Sequelize;
  for (let i = 0; i < 100; i++) keepFolded(db, `${i}`, state(1));
  keepFolded(db, '0', state(2));
  keepFolded(db, 'new', state(1));
  expect(foldedUpTo(db, '1', 1)).toBeNull();
  expect(foldedUpTo(db, '0', 2)).not.toBeNull();
  expect(foldedUpTo(db, 'new', 1)).not.toBeNull();
});

describe('with a database', () => {
  let testServer: TestServer;
  beforeAll(async () => {
    testServer = await TestServer.start();
  });
  afterAll(() => testServer.stop());

  test('what another server added behind is folded on top, undos among it', async () => {
    const tech = await testServer.signedIn('tech');
    const job = await tech.running('H 1');
    const run = fullRun(job).slice(0, 12);
    const [first, rest] = [run.slice(0, 6), run.slice(6)];
    await tech.say(job, first);
    const [{ workshopId }] = (await JobEventRow.findAll({ where: { jobId: job.id } })) as [
      JobEventRow,
    ];
    // As another server writes it: this one's cache knows nothing of it.
    const rows = rest.map((event, i) => ({
      jobId: job.id,
      workshopId,
      position: job.events.length + first.length + i + 1,
      id: event.id,
      deviceId: event.deviceId,
      deviceSeq: event.deviceSeq,
      at: testServer.now,
      receivedAt: testServer.now,
      person: 'Somebody',
      event,
    }));
    const before = await jobStateOf(job.id);
    await JobEventRow.bulkCreate(rows);
    const after = await jobStateOf(job.id);
    expect(before.log).toHaveLength(job.events.length + first.length);
    expect(after.run!.prepared).toEqual(stateOfJob(await tech.job(job.id)).run!.prepared);
    expect(after.log.map((e) => e.id)).toEqual((await tech.job(job.id)).events.map((e) => e.id));
    const undo = {
      ...rest.at(-1)!,
      id: crypto.randomUUID(),
      deviceSeq: 99,
      kind: 'undone',
      eventId: rest.at(-1)!.id,
    };
    await JobEventRow.create({
      ...rows.at(-1)!,
      id: undo.id,
      position: rows.at(-1)!.position + 1,
      deviceSeq: 99,
      event: undo,
    });
    expect((await jobStateOf(job.id)).undone.has(rest.at(-1)!.id)).toBe(true);
  });
});
