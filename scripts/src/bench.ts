import { DEMO } from '@brook/demo';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { airCoverage, airInverse } from './bench/air';
import { cardPdf } from './bench/card';
import { firstLoad } from './bench/firstLoad';
import { fluidVapour, fluidVerdict } from './bench/fluid';
import { fillHistory, fluidHistory2000 } from './bench/fluidHistory';
import { foldUndos } from './bench/foldUndos';
import { helperBehind, runTaps } from './bench/helper';
import { fillJobLists, jobList, LIST_SEED } from './bench/jobList';
import { mixedBatch } from './bench/mixedBatch';
import {
  planCorners,
  planFourWheel,
  planHatchbackStrokes,
  planSchools,
  planSearch8,
  planSearch8Worst,
} from './bench/plan';
import { report } from './bench/report';
import { secondStart } from './bench/secondStart';
import { tapToPaint } from './bench/tapToPaint';
import { launchChromium } from './setup/browser';
import { freePort, secretFile, startCluster, type Database } from './setup/cluster';
import { ROOT } from './setup/paths';
import { startServer, stopServer } from './setup/server';
import { buildWeb, compress, exportWeb } from './setup/web';

const DIR = join(ROOT, '.test', 'bench');
const undo: (() => unknown)[] = [];

rmSync(DIR, { recursive: true, force: true });
mkdirSync(DIR, { recursive: true });
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => void stopAll().then(() => process.exit(1)));
try {
  await run();
} finally {
  await stopAll();
}

async function run(): Promise<void> {
  report(foldUndos());
  report(planFourWheel());
  for (const measured of planHatchbackStrokes()) report(measured);
  report(planSchools());
  report(planCorners());
  report(planSearch8());
  for (const measured of planSearch8Worst()) report(measured);
  report(fluidVerdict());
  report(fluidVapour());
  report(airInverse());
  report(airCoverage());

  const web = await buildWeb();
  const bareWeb = join(DIR, 'bare');
  await exportWeb(join(ROOT, 'scripts', 'bare'), bareWeb);
  await compress(bareWeb);
  const cluster = await startCluster({ dir: join(DIR, 'data'), throwaway: true });
  undo.push(() => cluster.stop());
  const app = await serve(cluster.database('demo'), web, DEMO);
  const bare = await serve(cluster.database('bare'), bareWeb, { workshops: [] });
  const browser = await launchChromium();
  undo.push(() => browser.close());
  report(await firstLoad(browser, app, bare));
  report(await tapToPaint(browser, app));
  report(await helperBehind(browser, app));
  report(await runTaps(browser, app));
  for (const measured of await mixedBatch(browser, app)) report(measured);
  report(await cardPdf(app));
  await fillHistory(cluster.database('demo').admin);
  report(await fluidHistory2000(browser, app));

  const lists = cluster.database('lists');
  const listServer = await serve(lists, undefined, LIST_SEED);
  await fillJobLists(lists.admin);
  report(await jobList(listServer));
  await stopAll();

  report(await secondStart(join(DIR, 'second-start')));
}

/** Serve a database with its seed. @returns its address */
async function serve(database: Database, web: string | undefined, seeded: object): Promise<string> {
  const port = await freePort();
  const seed = join(DIR, `${port}.json`);
  writeFileSync(seed, JSON.stringify(seeded));
  const secret = join(DIR, 'session-secret');
  secretFile(secret);
  const server = await startServer({ database, secretFile: secret, port, web, seed });
  undo.push(() => stopServer(server));
  return `http://127.0.0.1:${port}`;
}

async function stopAll(): Promise<void> {
  while (undo.length > 0) await undo.pop()!();
}
