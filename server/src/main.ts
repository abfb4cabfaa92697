import { createServer as createHttp } from 'node:http';
import { createServer as createHttps } from 'node:https';
import { parseArgs } from 'node:util';
import { Pool } from 'pg';
import { destination, pino } from 'pino';
import { createApp } from './app';
import { wallClock } from './http/clock';
import { connect } from './db/connect';
import { readHandedIn, whenParentIsGone } from './handedIn';
import { errorForLog } from './http/log';
import { JobNews } from './journal/live/jobNews';
import { refuseConnection } from './http/problems/clientError';
import { isEmpty, loadSeed } from './seed/load';

const { values: given } = parseArgs({
  options: {
    port: { type: 'string', default: '8080' },
    host: { type: 'string', default: '127.0.0.1' },
    web: { type: 'string' },
    'seed-day': { type: 'string' },
  },
});

/** Load the seed into an empty database, serve; one line on standard output when ready. */
async function main(): Promise<void> {
  const { database, sessionSecret, cert, key, seed } = await readHandedIn();
  const log = pino(
    { level: process.env.LOG_LEVEL ?? 'warn', serializers: { err: errorForLog } },
    destination(2),
  );
  // Nothing but its own end ends the process: what somebody's request brought about must not take the others along.
  process.on('uncaughtException', (error) => log.error({ err: error }, 'nobody caught this'));
  process.on('unhandledRejection', (error) => log.error({ err: error }, 'nobody awaited this'));
  const db = connect(database);
  if (seed && (await isEmpty()))
    await loadSeed(seed, given['seed-day'] ? new Date(given['seed-day']) : wallClock.now());
  const pool = new Pool({ connectionString: database, max: 4, connectionTimeoutMillis: 5_000 });
  // A connection that is lost while nobody uses it is no error of anybody: the next one is made when it is needed.
  pool.on('error', (error) => log.warn({ err: error }, 'lost an idle connection'));
  const news = new JobNews(database, log);
  await news.start();
  const secure = cert !== undefined && key !== undefined;
  const app = createApp({
    pool,
    sessionSecret,
    clock: wallClock,
    log,
    news,
    webDir: given.web,
    secure,
  });
  const server = secure ? createHttps({ cert, key }, app) : createHttp(app);
  server.once('error', (error) => {
    log.fatal({ err: error, port: given.port }, 'cannot listen');
    process.exit(1);
  });
  server.on('clientError', refuseConnection);
  // Longer than any proxy or client keeps a connection, so that it is never shut under a request.
  server.keepAliveTimeout = 75_000;
  server.listen(Number(given.port), given.host, () => process.stdout.write('ready\n'));

  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    server.close(
      () =>
        void Promise.allSettled([pool.end(), db.close(), news.stop()]).then(() => process.exit(0)),
    );
    server.closeAllConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  whenParentIsGone(stop);
}

main().catch((error: unknown) => {
  process.stderr.write(
    `${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`,
  );
  process.exit(1);
});
