import type { Job, Seed } from '@brook/contract';
import { migrate } from '../db/migrate';
import { TestServer, SEED, SOUND_FLUID, NOW } from '../testing';
import { isEmpty, loadSeed } from './load';

type SeedJob = Seed['workshops'][number]['jobs'][number];

const seedWith = (...jobs: Partial<SeedJob>[]): Seed => ({
  workshops: SEED.workshops.map((w, i) =>
    i > 0
      ? w
      : {
          ...w,
          jobs: jobs.map((j) => ({
            vehicleTag: 'M 1',
            daysAgo: 1,
            by: 'tech',
            fluid: SOUND_FLUID,
            reach: 'released',
            ...j,
          })),
        },
  ),
});

/** The jobs that a seed makes, as the API shows them. */
async function jobsOf(seed: Seed): Promise<Job[]> {
  const testServer = await TestServer.start({ seed });
  try {
    const tech = await testServer.signedIn();
    const page = (await tech.get('/jobs').expect(200)).body as { jobs: { id: string }[] };
    return await Promise.all(page.jobs.map((j) => tech.job(j.id)));
  } finally {
    await testServer.stop();
  }
}

test.each<[SeedJob['reach'], Partial<SeedJob>, Partial<Job>]>([
  ['fluid', { fluid: null }, { vehicleDrive: 'free', fluid: null }],
  ['plan', {}, { vehicleDrive: 'free', planAccepted: null }],
  ['run', { strokes: 5 }, { vehicleDrive: 'do not drive' }],
  ['proof', {}, { vehicleDrive: 'do not drive', released: null }],
  ['test drive', {}, { vehicleDrive: 'test drive only' }],
  ['released', {}, { vehicleDrive: 'free', ended: null }],
])('a job is taken as far as "%s"', async (reach, more, expected) => {
  const [job] = await jobsOf(seedWith({ reach, ...more }));
  expect(job).toMatchObject({ stage: reach, openedBy: 'Tech One', ...expected });
});

test('what a later visit looks at again, and paper that a lead let go, stand where a person would have put them', async () => {
  const boot = {
    kind: 'look later' as const,
    elementId: null,
    why: 'worn, used again' as const,
    what: 'Boot hardened',
    byDate: null,
    byKm: 20_000,
  };
  const [job] = await jobsOf(
    seedWith({ lookAgain: [boot], letGo: { by: 'lead', why: 'Camera broken' } }),
  );
  expect(job).toMatchObject({
    stage: 'released',
    fluid: { rules: { proofPhotos: 'level and joints' } },
  });
  expect(job!.leaves).toMatchObject([
    { kind: 'by feel', weight: 'owed', where: 'front' },
    { kind: 'look again', weight: 'owed' },
  ]);
  expect(job!.events.filter((e) => e.kind === 'overridden')).toMatchObject([
    { of: 'joints dry', why: 'Camera broken', person: 'Lead One' },
    { of: 'level', why: 'Camera broken', person: 'Lead One' },
  ]);
  // It was the rule of that day; today's are the workshop's own.
  const testServer = await TestServer.start({
    seed: seedWith({ letGo: { by: 'lead', why: 'Camera broken' } }),
  });
  const { rules } = (await (await testServer.signedIn()).get('/house-rules').expect(200)).body;
  await testServer.stop();
  expect(rules.proofPhotos).toBe('none');
});

test('a run stands at the strokes that the seed says', async () => {
  const [job] = await jobsOf(seedWith({ reach: 'run', strokes: 5 }));
  expect(job!.events.filter((e) => e.kind === 'stroke')).toHaveLength(5);
});

test('a halt waits for its decision, or has ended the job', async () => {
  const choices = {
    work: {
      purpose: 'after work' as const,
      masterIds: ['master'],
      parts: [{ partId: 'front-caliper', cappedAtOnce: true, keptFull: true }],
    },
  };
  const [before] = await jobsOf(
    seedWith({ reach: 'run', purpose: 'after work', choices, before: 'right part' }),
  );
  expect(before!.stage).toBe('run');
  const first = before!.events.filter((e) => e.kind !== 'prepared').map((e) => e.kind);
  expect(first).toEqual(['work said', 'work said', 'fluid read', 'plan accepted']);
  const [halted] = await jobsOf(seedWith({ reach: 'run', strokes: 5, halt: 'seized' }));
  expect(halted!.events.at(-1)).toMatchObject({
    kind: 'halted',
    reason: 'seized',
    openingId: 'front',
  });
  const [ended] = await jobsOf(seedWith({ reach: 'ended', strokes: 5, halt: 'grease' }));
  expect(ended).toMatchObject({
    stage: 'ended',
    vehicleDrive: 'do not drive',
    ended: { reason: expect.stringContaining('grease') },
  });
});

test('dates count back from the moment of loading', async () => {
  const [job] = await jobsOf(seedWith({ daysAgo: 10 }));
  expect(Date.parse(job!.openedAt)).toBe(NOW.getTime() - 10 * 86_400_000);
  expect(Date.parse(job!.closedAt!)).toBeGreaterThan(Date.parse(job!.openedAt));
});

test('a seed that names nobody of its workshop is refused by name', async () => {
  await expect(jobsOf(seedWith({ by: 'other' }))).rejects.toThrow(/other and M 1/);
  await expect(jobsOf(seedWith({ vehicleTag: 'nowhere' }))).rejects.toThrow(/tech and nowhere/);
});

test('a database that holds something is told from an empty one, and migrating again changes nothing', async () => {
  const testServer = await TestServer.start({ seed: { workshops: [] } });
  try {
    expect(await isEmpty()).toBe(true);
    await loadSeed(SEED, NOW);
    await testServer.asOwner(migrate);
    expect(await isEmpty()).toBe(false);
    await testServer.signedIn();
  } finally {
    await testServer.stop();
  }
});
