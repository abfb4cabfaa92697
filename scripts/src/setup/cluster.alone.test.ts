import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { runSql, startCluster, type Cluster, type Database } from './cluster';
import { postgresPrograms } from './debian';
import { APP, OWNER } from './roles';

const dir = mkdtempSync(join(tmpdir(), 'brook-cluster-'));
const programs = postgresPrograms();
let cluster: Cluster;
let base: Database;
const sql = (url: string, words: string) => runSql(programs, url, words);

beforeAll(async () => {
  cluster = await startCluster({ dir, throwaway: true });
  // As a cluster of before was left: everything made by the role that made the cluster.
  const { admin } = cluster.database('old');
  sql(
    admin,
    `CREATE TABLE records (id serial PRIMARY KEY, word text);
     CREATE VIEW shown AS SELECT * FROM records;
     CREATE FUNCTION refuse() RETURNS trigger LANGUAGE plpgsql AS 'BEGIN RAISE EXCEPTION ''no''; END';
     CREATE TRIGGER kept BEFORE UPDATE ON records FOR EACH ROW EXECUTE FUNCTION refuse();
     INSERT INTO records (word) VALUES ('kept');
     ALTER DATABASE old OWNER TO CURRENT_USER`,
  );
  base = cluster.database('old');
});
afterAll(() => {
  cluster.stop();
  rmSync(dir, { recursive: true });
});

test('an existing database is handed over whole, and loses nothing by it', () => {
  const owners = sql(
    base.admin,
    `SELECT DISTINCT pg_get_userbyid(relowner) FROM pg_class WHERE relnamespace = 'public'::regnamespace
     UNION SELECT DISTINCT pg_get_userbyid(proowner) FROM pg_proc WHERE pronamespace = 'public'::regnamespace
     UNION SELECT pg_get_userbyid(datdba) FROM pg_database WHERE datname = 'old'`,
  );
  expect(owners).toBe(OWNER);
  expect(sql(base.owner, 'SELECT word FROM shown')).toBe('kept');
  sql(base.owner, 'ALTER TABLE records ADD COLUMN more text');
});

test.each([
  ['make a table', 'CREATE TABLE mine (a int)'],
  ['make a temporary one that stands before the real one', 'CREATE TEMP TABLE records (a int)'],
  ['read what nobody gave it', 'SELECT * FROM records'],
  ['take a trigger off', 'ALTER TABLE records DISABLE TRIGGER kept'],
  ['leave triggers out', 'SET session_replication_role = replica'],
  ['empty a table', 'TRUNCATE records'],
  ['run a program', `COPY (SELECT 1) TO PROGRAM 'true'`],
  ['read a file', `SELECT pg_read_file('postgresql.conf')`],
  ['copy a file', `COPY (SELECT 1) TO '/tmp/out'`],
  ['become the owner', `SET ROLE ${OWNER}`],
  ['make a role', 'CREATE ROLE friend'],
  ['make a database', 'CREATE DATABASE own'],
])('the app’s role cannot %s', (_, words) => {
  expect(() => sql(base.app, words)).toThrow();
  expect(sql(base.app, 'SELECT current_user')).toBe(APP);
});

test('nothing of the cluster can be read by others, and no password stands on a command line', () => {
  expect(statSync(join(dir, 'postgres')).mode & 0o077).toBe(0);
  for (const name of ['database', 'owner', 'app']) {
    const path = join(dir, `${name}-password`);
    expect(statSync(path).mode & 0o077).toBe(0);
    const line = readFileSync(`/proc/${cluster.pid()}/cmdline`, 'utf8');
    expect(line).not.toContain(readFileSync(path, 'utf8'));
  }
});

test('killed, PostgreSQL comes up again on the same port with everything in it', async () => {
  const before = cluster.pid()!;
  process.kill(before, 'SIGKILL');
  while (cluster.pid() === before || cluster.pid() === null) await wait(50);
  expect(sql(base.owner, 'SELECT word FROM records')).toBe('kept');
});
