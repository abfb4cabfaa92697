import { spawnSync } from 'node:child_process';
import { existsSync, openSync, closeSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { runSql, startCluster, type Cluster, type Database } from './cluster';
import { postgresPrograms } from './debian';
import { prepareDatabase } from './server';

/** The database of the app in its cluster. */
export const DATABASE = 'brook';

/** What of one moment is no use in another: who was signed in then. */
const LEFT_OUT = ['sessions', 'sign_in_tries'];

/**
 * Write everything that the workshop recorded into one file, also while the app
 * runs: what was acknowledged before is in it, whole.
 *
 * @throws Error with what pg_dump said
 */
export function backUp({ owner }: Database, file: string): void {
  // A half-written file is never taken for a backup.
  const part = `${file}.part`;
  const out = openSync(part, 'w', 0o600);
  try {
    runTool(
      'pg_dump',
      owner,
      ['-Fc', '--no-owner', '--no-privileges', ...LEFT_OUT.map((t) => `--exclude-table-data=${t}`)],
      out,
    );
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  } finally {
    closeSync(out);
  }
  spawnSync('mv', [part, file]);
}

/**
 * Put a backup into a data folder in which nothing was recorded yet, and bring
 * it to today's shape; all of it or nothing.
 *
 * @throws Error when something stands there already, or with what pg_restore said
 */
export async function restore(cluster: Cluster, file: string): Promise<void> {
  if (!existsSync(file))
    throw new Error(`There is no file ${file}; give one that npm run backup wrote.`);
  const database = cluster.database(DATABASE);
  const tables = runSql(
    postgresPrograms(),
    database.owner,
    `SELECT count(*) FROM pg_tables WHERE schemaname = 'public'`,
  );
  if (tables !== '0')
    throw new Error(
      'This data folder holds a record already; give an empty one with --data. Nothing was changed.',
    );
  runTool('pg_restore', database.owner, [
    '--no-owner',
    '--no-privileges',
    '--single-transaction',
    '--exit-on-error',
    file,
  ]);
  try {
    await prepareDatabase(database);
  } catch (error) {
    runSql(postgresPrograms(), database.owner, 'DROP OWNED BY CURRENT_USER CASCADE');
    throw error;
  }
}

/** Use the cluster of a data folder as it runs, or start it for as long as it is needed. */
export async function withCluster<T>(
  dir: string,
  running: Database | null,
  work: (database: Database) => T,
): Promise<T> {
  if (running) return work(running);
  const cluster = await startCluster({ dir });
  try {
    return work(cluster.database(DATABASE));
  } finally {
    cluster.stop();
  }
}

/** Run one of PostgreSQL's tools on a database; its password goes by the environment. */
function runTool(
  program: string,
  url: string,
  args: readonly string[],
  out: number | 'ignore' = 'ignore',
): void {
  const { username, password, hostname, port, pathname } = new URL(url);
  const done = spawnSync(
    join(postgresPrograms(), program),
    ['-h', hostname, '-p', port, '-U', username, '-d', pathname.slice(1), ...args],
    {
      cwd: '/',
      env: { ...process.env, PGPASSWORD: password },
      encoding: 'utf8',
      stdio: ['ignore', out, 'pipe'],
    },
  );
  if (done.status !== 0) throw new Error(`${program}: ${done.stderr}`);
}
