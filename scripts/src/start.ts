import { DEMO, DEMO_SIGN_IN } from '@brook/demo';
import { existsSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join, resolve } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { parseArgs } from 'node:util';
import { secretFile, startCluster, type Cluster } from './setup/cluster';
import { folderFault } from './setup/dataFolder';
import { leaveDataFolder, takeDataFolder } from './setup/dataLock';
import { Supervisor } from './setup/supervisor';
import { ROOT } from './setup/paths';
import { giveUp, say } from './setup/say';
import { prepareDatabase, serve, stopServer } from './setup/server';
import { buildWeb } from './setup/web';

const USAGE =
  'npm start -- [--port N] [--host ADDRESS] [--cert FILE --key FILE] [--data DIR] [--fresh]';

const options = readOptions();
const dataDir = resolve(ROOT, options.data);
const scheme = options.cert ? 'https' : 'http';
const address = `${scheme}://${options.host === '0.0.0.0' ? 'localhost' : options.host}:${options.port}`;

const unusable = folderFault(dataDir);
if (unusable) giveUp(unusable);
const other = takeDataFolder(dataDir, address);
if (other)
  giveUp(
    `Cascade Brook already runs on this data, at ${other}. It was left alone; stop it first or give another folder with --data.`,
  );
process.on('exit', () => leaveDataFolder(dataDir));
// After a start that was killed its server still needs a moment to end.
if (!(await portComesFree()))
  giveUp(`Port ${options.port} is in use by something else; choose another with --port.`);

let cluster: Cluster | null = null;
let server: Supervisor | null = null;
let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop(0));
// Whoever started us is gone: nothing of ours stays behind.
process.on('disconnect', () => void stop(1));

const givenUp = (sentence: string) => {
  process.stderr.write(`${sentence}\n`);
  void stop(1);
};
const web = await buildWeb();
cluster = await startCluster({ dir: dataDir, fresh: options.fresh, givenUp });
secretFile(join(dataDir, 'session-secret'));
const seed = join(dataDir, 'demo.json');
writeFileSync(seed, JSON.stringify(DEMO));
try {
  const database = cluster.database('brook');
  await prepareDatabase(database);
  server = new Supervisor({
    what: 'The server',
    begin: () =>
      serve({
        ...options,
        database,
        secretFile: join(dataDir, 'session-secret'),
        web,
        seed,
      }),
    say,
    givenUp,
  });
  await server.start();
} catch (error) {
  if (!stopping) {
    process.stderr.write(`${(error as Error).message}\n`);
    await stop(1);
  }
}
say(`Cascade Brook is at ${address}`);
say(
  `Sign in as ${DEMO_SIGN_IN.login} with ${DEMO_SIGN_IN.password} (demo data, all invented). Ctrl-C stops it.`,
);

async function stop(code: number): Promise<void> {
  if (stopping) return;
  stopping = true;
  const child = server?.release();
  if (child) await stopServer(child);
  cluster?.stop();
  process.exit(code);
}

async function portComesFree(): Promise<boolean> {
  for (let tries = 0; tries < 20; tries++) {
    if (await portIsFree()) return true;
    await wait(250);
  }
  return false;
}

function portIsFree(): Promise<boolean> {
  return new Promise((answer) => {
    const probe = createServer();
    probe.once('error', () => answer(false));
    probe.listen(options.port, options.host, () => probe.close(() => answer(true)));
  });
}

function readOptions() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: 'string', default: '8080' },
        host: { type: 'string', default: '127.0.0.1' },
        data: { type: 'string', default: '.data' },
        cert: { type: 'string' },
        key: { type: 'string' },
        fresh: { type: 'boolean', default: false },
      },
    });
    const port = Number(values.port);
    if (!Number.isInteger(port) || port < 1 || port > 65_535)
      throw new Error(`--port is ${values.port}; give a number from 1 to 65535`);
    if ((values.cert === undefined) !== (values.key === undefined))
      throw new Error('--cert and --key go together; give both or none');
    for (const flag of ['cert', 'key'] as const) {
      const file = values[flag];
      if (file !== undefined && !existsSync(file))
        throw new Error(`--${flag} is ${file}; there is no such file`);
    }
    return { ...values, port };
  } catch (error) {
    return giveUp(`${(error as Error).message}\n${USAGE}`);
  }
}
