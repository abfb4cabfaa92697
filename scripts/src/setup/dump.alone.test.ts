import { DEMO, DEMO_SIGN_IN } from '@brook/demo';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort, runSql, secretFile, startCluster, type Cluster } from './cluster';
import { postgresPrograms } from './debian';
import { backUp, DATABASE, restore } from './dump';
import { prepareDatabase, serve, stopServer } from './server';

const dir = mkdtempSync(join(tmpdir(), 'brook-dump-'));
const file = join(dir, 'backup');
// The demo's workshop with a few of its jobs.
const [skerrow] = DEMO.workshops;
const SEED = { workshops: [{ ...skerrow!, jobs: skerrow!.jobs!.slice(0, 2), handOvers: [] }] };
const clusters: Cluster[] = [];
afterAll(() => {
  for (const cluster of clusters) cluster.stop();
  rmSync(dir, { recursive: true });
});

async function machine(name: string): Promise<Cluster> {
  const cluster = await startCluster({ dir: join(dir, name), throwaway: true });
  clusters.push(cluster);
  return cluster;
}

/** What the app answers of everything, on the database of a cluster. */
async function answers(cluster: Cluster): Promise<unknown> {
  const secret = join(dir, 'secret');
  secretFile(secret);
  const seed = join(dir, 'seed.json');
  writeFileSync(seed, JSON.stringify(SEED));
  const port = await freePort();
  const database = cluster.database(DATABASE);
  const server = await serve({ database, secretFile: secret, port, seed });
  try {
    const api = `http://127.0.0.1:${port}/api/v1`;
    const signedIn = await fetch(`${api}/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(DEMO_SIGN_IN),
    });
    await signedIn.text();
    const cookie = signedIn.headers.get('set-cookie')!.split(';')[0]!;
    const get = async (path: string) =>
      (await (await fetch(api + path, { headers: { cookie } })).json()) as never;
    const list = await get('/jobs');
    const { jobs } = list as { jobs: { id: string; vehicleId: string }[] };
    expect(jobs.length).toBeGreaterThan(0);
    const photo = await fetch(`${api}/media/${PHOTO_ID}`, { headers: { cookie } });
    const all = {
      list,
      jobs: await Promise.all(jobs.map((j) => get(`/jobs/${j.id}`))),
      photo: [photo.status, Buffer.from(await photo.arrayBuffer()).toString('base64')],
      media: await Promise.all(jobs.map((j) => get(`/jobs/${j.id}/media`))),
      vehicles: await get('/vehicles'),
      history: await Promise.all(jobs.map((j) => get(`/vehicles/${j.vehicleId}/history`))),
      shelf: await get('/shelf'),
      waste: await get('/waste'),
      rules: await get('/house-rules'),
    };
    // How long a container has rested is counted up to the moment of asking.
    return JSON.parse(JSON.stringify(all, (key, value) => (key === 'restedHours' ? null : value)));
  } finally {
    await stopServer(server);
  }
}

const PHOTO_ID = '77777777-7777-4777-8777-777777777777';

/** A photo of the first job, as the server keeps it. */
function keepPhoto(cluster: Cluster): void {
  const { owner } = cluster.database(DATABASE);
  runSql(
    postgresPrograms(),
    owner,
    `INSERT INTO media SELECT workshop_id, '${PHOTO_ID}', id, 'photo', 'image/jpeg', 'a photo', '', 'Una', now()
       FROM jobs ORDER BY number LIMIT 1`,
  );
}

test('what was backed up is answered the same from an empty machine, and only an empty one takes it', async () => {
  const first = await machine('first');
  await prepareDatabase(first.database(DATABASE));
  await answers(first);
  keepPhoto(first);
  const before = await answers(first);
  expect(JSON.stringify(before)).toContain(Buffer.from('a photo').toString('base64'));
  backUp(first.database(DATABASE), file);
  expect(statSync(file).mode & 0o077).toBe(0);

  const second = await machine('second');
  await expect(restore(second, join(dir, 'nothing'))).rejects.toThrow(/There is no file/);
  // One that breaks off changes nothing: the whole one finds the machine empty still.
  const broken = join(dir, 'broken');
  writeFileSync(broken, readFileSync(file).subarray(0, 20_000));
  await expect(restore(second, broken)).rejects.toThrow(/pg_restore/);
  await restore(second, file);
  // Who was signed in then is not now.
  const { owner } = second.database(DATABASE);
  expect(runSql(postgresPrograms(), owner, 'SELECT count(*) FROM sessions')).toBe('0');
  expect(await answers(second)).toEqual(before);
  await expect(restore(second, file)).rejects.toThrow(/holds a record already/);
}, 120_000);

test('a backup of another version is refused by a sentence that says what to do, and leaves the machine empty', async () => {
  const made = await machine('made by another');
  await prepareDatabase(made.database(DATABASE));
  const { owner } = made.database(DATABASE);
  runSql(postgresPrograms(), owner, `UPDATE made_by SET sha256 = 'another'`);
  const other = join(dir, 'other');
  backUp(made.database(DATABASE), other);
  const empty = await machine('stays empty');
  const refused = /^This data was made by another version of Cascade Brook.*--data\.$/;
  for (const again of [empty, empty]) await expect(restore(again, other)).rejects.toThrow(refused);
}, 120_000);
