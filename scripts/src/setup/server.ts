import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { text } from 'node:stream/consumers';
import type { Database } from './cluster';
import { ROOT } from './paths';
import { say } from './say';

export interface ServerOptions {
  readonly database: Database;
  readonly secretFile: string;
  readonly port: number;
  readonly host?: string | undefined;
  readonly cert?: string | undefined;
  readonly key?: string | undefined;
  readonly web?: string | undefined;
  /** File with a seed for an empty database, and the moment that its dates count from. */
  readonly seed?: string | undefined;
  readonly seedDay?: string | undefined;
}

const MAIN = join(ROOT, 'server', 'src', 'main.ts');
const PREPARE = join(ROOT, 'server', 'src', 'prepare.ts');

/** Bring a database to today, as the owner of its tables. @throws Error with what it says where that fails */
export async function prepareDatabase({ owner }: Database): Promise<void> {
  const child = run(PREPARE, [], { database: owner }, 'pipe');
  const [[code], said] = await Promise.all([
    once(child, 'exit') as Promise<[number | null]>,
    text(child.stderr!),
  ]);
  if (code !== 0) throw new Error(said.trim() || 'The database could not be brought up to date.');
}

/** The server as a process of its own, on a database that was prepared. Resolves when it is ready; rejects when it ends before. It ends with this process. */
export function serve(options: ServerOptions): Promise<ChildProcess> {
  const flags: [string, string | undefined][] = [
    ['--port', String(options.port)],
    ['--host', options.host],
    ['--web', options.web],
    ['--seed-day', options.seedDay],
  ];
  const args = flags.flatMap(([flag, value]) => (value === undefined ? [] : [flag, value]));
  const child = run(MAIN, args, {
    database: options.database.app,
    sessionSecret: readFileSync(options.secretFile, 'utf8').trim(),
    ...(options.cert ? { cert: readFileSync(options.cert, 'utf8') } : {}),
    ...(options.key ? { key: readFileSync(options.key, 'utf8') } : {}),
    ...(options.seed ? { seed: JSON.parse(readFileSync(options.seed, 'utf8')) as object } : {}),
  });
  return new Promise((resolve, reject) => {
    child.stdout!.on('data', (chunk: Buffer) => {
      if (chunk.toString().includes('ready')) resolve(child);
    });
    child.once('error', reject);
    child.once('exit', (code, signal) =>
      reject(new Error(`the server ended (${signal ?? `code ${code}`}) before it was ready`)),
    );
  });
}

/** Prepare the database and serve it. */
export async function startServer(options: ServerOptions): Promise<ChildProcess> {
  await prepareDatabase(options.database);
  return serve(options);
}

/** Stop a server and wait until it is gone. */
export function stopServer(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    child.once('exit', () => resolve());
    child.kill('SIGTERM');
  });
}

/** One of the server's programs. What only it may know goes in by standard input, which also tells it by its end that we are gone. */
function run(
  program: string,
  args: readonly string[],
  handedIn: object,
  errors: 'inherit' | 'pipe' = 'inherit',
): ChildProcess {
  const [first, ...rest] = [
    ...asNobody(),
    process.execPath,
    ...['--import', 'tsx', program],
    ...args,
  ];
  const child = spawn(first!, rest, {
    cwd: ROOT,
    env: environment(),
    stdio: ['pipe', 'pipe', errors],
    detached: true,
  });
  // A program that ended at once does not read any more; its exit says so.
  child.stdin!.on('error', () => undefined);
  child.stdin!.write(`${JSON.stringify(handedIn)}\n`);
  return child;
}

/** The environment as it is by now, but for a folder for temporary files that may be root's alone. */
const environment = () =>
  Object.fromEntries(Object.entries(process.env).filter(([name]) => name !== 'TMPDIR'));

let nobody: readonly string[] | undefined;

/** How to become an ordinary user where we are root and such a user may read the program; nothing of ours is readable to it that others may not read. */
function asNobody(): readonly string[] {
  if (process.getuid?.() !== 0) return [];
  if (nobody) return nobody;
  const become = [
    ...['setpriv', '--reuid=nobody', '--regid=nogroup', '--clear-groups', '--no-new-privs', '--'],
  ];
  const tried = [
    process.execPath,
    '--import',
    'tsx',
    '-e',
    `require('fs').readFileSync('${MAIN}')`,
  ];
  const [first, ...rest] = [...become, ...tried];
  const can = spawnSync(first!, rest, { cwd: ROOT, env: environment() }).status === 0;
  if (!can)
    say(
      'The server runs as root, because an ordinary user may not read this folder. Put it where others may read it.',
    );
  return (nobody = can ? become : []);
}
