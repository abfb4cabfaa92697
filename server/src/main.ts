import type { Seed } from '@brook/contract';
import { readFileSync } from 'node:fs';
import { createServer as createHttp } from 'node:http';
import { createServer as createHttps } from 'node:https';
import { parseArgs } from 'node:util';
import { Pool } from 'pg';
import { destination, pino } from 'pino';
import { createApp } from './app';
import { wallClock } from './clock';
import { connect } from './db/connect';
import { prepareDatabase } from './db/prepare';
import { isEmpty, loadSeed } from './seed/load';

const { values: given } = parseArgs({
  options: {
    database: { type: 'string' },
    port: { type: 'string', default: '8080' },
    host: { type: 'string', default: '127.0.0.1' },
    cert: { type: 'string' },
    key: { type: 'string' },
    web: { type: 'string' },
    'secret-file': { type: 'string' },
    seed: { type: 'string' },
    'seed-day': { type: 'string' },
  },
});

/** Migrate, load the seed into an empty database, serve; one line on standard output when ready. */
async function main(): Promise<void> {
  if (!given.database || !given['secret-file'])
    throw new Error('--database and --secret-file are needed');
  const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' }, destination(2));
  const db = connect(given.database);
  await prepareDatabase(db);
  if (given.seed && (await isEmpty())) {
    const day = given['seed-day'] ? new Date(given['seed-day']) : wallClock.now();
    await loadSeed(JSON.parse(readFileSync(given.seed, 'utf8')) as Seed, day);
  }
  const pool = new Pool({ connectionString: given.database, max: 4 });
  const secure = Boolean(given.cert && given.key);
  const app = createApp({
    pool,
    sessionSecret: readFileSync(given['secret-file'], 'utf8').trim(),
    clock: wallClock,
    log,
    webDir: given.web,
    secure,
  });
  const server = secure
    ? createHttps({ cert: readFileSync(given.cert!), key: readFileSync(given.key!) }, app)
    : createHttp(app);
  server.once('error', (error) => {
    log.fatal({ err: error }, 'cannot listen');
    process.exit(1);
  });
  // Longer than any proxy or client keeps a connection, so that it is never shut under a request.
  server.keepAliveTimeout = 75_000;
  server.listen(Number(given.port), given.host, () => process.stdout.write('ready\n'));

  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    server.close(
      () => void Promise.allSettled([pool.end(), db.close()]).then(() => process.exit(0)),
    );
    server.closeAllConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

main().catch((error: unknown) => {
  process.stderr.write(
    `${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`,
  );
  process.exit(1);
});
