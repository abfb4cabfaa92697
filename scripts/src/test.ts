import { DEMO } from '@brook/demo';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { text } from 'node:stream/consumers';
import { freePort, secretFile, startCluster, type Database } from './setup/cluster';
import { chromiumProgram, postgresPrograms } from './setup/debian';
import { ROOT } from './setup/paths';
import { giveUp, say } from './setup/say';
import { serve, startServer, stopServer } from './setup/server';
import { buildWeb } from './setup/web';

interface Count {
  passed: number;
  failed: number;
  skipped: number;
}

const PARTS = ['format', 'types', 'lint', 'arrows', 'unit', 'browser', 'alone'] as const;
type Part = (typeof PARTS)[number];
const UNIT_PROJECTS = ['core', 'contract', 'server', 'demo', 'scripts', 'client'] as const;

/** No retries, and two busy loops beside: as on a machine of half the speed. */
const UNDER_LOAD = '--under-load';

const TEST_DIR = join(ROOT, '.test');
/** As many as there are cores to keep busy. */
const BUSY_LOOPS = 2;

const { parts, rest, underLoad } = readArguments();
const total: Count = { passed: 0, failed: 0, skipped: 0 };

rmSync(TEST_DIR, { recursive: true, force: true });
mkdirSync(TEST_DIR, { recursive: true });
const load = underLoad ? Array.from({ length: BUSY_LOOPS }, busyLoop) : [];
const checks: Promise<Count>[] = [];
if (parts.includes('format'))
  checks.push(check('format', 'prettier', '--check', '--log-level', 'warn', '.'));
// Rooms read each other's sources: none is up to date by its own files alone.
if (parts.includes('types')) checks.push(check('types', 'tsc', '-b', '--force'));
if (parts.includes('lint')) checks.push(check('lint', 'eslint', '--max-warnings', '0', '.'));
if (parts.includes('arrows')) {
  checks.push(
    check(
      'arrows',
      'depcruise',
      '--config',
      '.dependency-cruiser.cjs',
      'core/src',
      'contract/src',
      'server/src',
      'client',
      'demo/src',
      'e2e',
      'scripts/src',
    ),
  );
}
for (const done of checks) add(await done);
if (parts.includes('unit') || parts.includes('browser')) await withDatabase();
if (parts.includes('alone')) alone();
for (const loop of load) loop.kill();
say(`${total.passed} passed, ${total.failed} failed, ${total.skipped} skipped`);
process.exit(total.failed > 0 || total.passed === 0 ? 1 : 0);

async function withDatabase(): Promise<void> {
  postgresPrograms();
  const cluster = await startCluster({ dir: join(TEST_DIR, 'data'), throwaway: true });
  const stopOnSignal = () => {
    cluster.stop();
    process.exit(1);
  };
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, stopOnSignal);
  try {
    if (parts.includes('unit')) {
      say('── unit and server tests');
      add(jest('unit', cluster.database('brook_tests'), '--selectProjects', ...UNIT_PROJECTS));
    }
    if (parts.includes('browser')) add(await browser(cluster.database('browser')));
  } finally {
    cluster.stop();
  }
}

/** One of the checks that pass or fail as a whole. They run at the same time; what one says stands together. */
async function check(name: Part, program: string, ...args: string[]): Promise<Count> {
  const child = spawn(join(ROOT, 'node_modules', '.bin', program), args, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const [said, complained, status] = await Promise.all([
    text(child.stdout),
    text(child.stderr),
    new Promise<number | null>((resolve) => {
      child.on('exit', resolve);
      child.on('error', () => resolve(null));
    }),
  ]);
  say(`── ${name}`);
  process.stdout.write(said);
  process.stderr.write(complained);
  return { passed: status === 0 ? 1 : 0, failed: status === 0 ? 0 : 1, skipped: 0 };
}

function jest(name: Part, database: Database | null, ...args: string[]): Count {
  const report = join(TEST_DIR, `${name}.json`);
  const done = spawnSync(
    join(ROOT, 'node_modules', '.bin', 'jest'),
    // Whatever follows a list of projects would be taken for one of them.
    ['--json', `--outputFile=${report}`, ...rest, ...args],
    {
      cwd: ROOT,
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        ...(database && {
          BROOK_TEST_DATABASE: database.admin,
          BROOK_TEST_OWNER: database.owner,
          BROOK_TEST_APP: database.app,
        }),
        EXPO_NO_TELEMETRY: '1',
        TZ: 'UTC',
      },
    },
  );
  return readReport(report, done.status, (json) => ({
    passed: json.numPassedTests as number,
    // A file that cannot be run holds no test that fails, but it has failed all the same.
    failed: (json.numFailedTests as number) + (json.numRuntimeErrorTestSuites as number),
    skipped: (json.numPendingTests as number) + (json.numTodoTests as number),
  }));
}

async function browser(database: Database): Promise<Count> {
  say('── browser tests');
  const port = await freePort();
  const seed = join(TEST_DIR, 'demo.json');
  writeFileSync(seed, JSON.stringify(DEMO));
  const secret = join(TEST_DIR, 'session-secret');
  secretFile(secret);
  const options = { database, secretFile: secret, port };
  // The demo is put in while the web target is built: each alone leaves a core idle.
  const [web] = await Promise.all([buildWeb(), startServer({ ...options, seed }).then(stopServer)]);
  const server = await serve({ ...options, web });
  try {
    return playwright('browser', `http://127.0.0.1:${port}`, '--project', 'phone');
  } finally {
    await stopServer(server);
  }
}

/** What starts servers of its own, or kills them: one after the other, with nothing of ours beside. */
function alone(): void {
  say('── tests that have the machine to themselves');
  postgresPrograms();
  add(jest('alone', null, '--selectProjects', 'alone', '--runInBand', '--passWithNoTests'));
  add(playwright('alone', undefined, '--project', 'alone', '--workers', '1'));
}

function playwright(name: Part, url: string | undefined, ...args: string[]): Count {
  const report = join(TEST_DIR, `${name}-browser.json`);
  const done = spawnSync(
    join(ROOT, 'node_modules', '.bin', 'playwright'),
    ['test', '--config', 'e2e/playwright.config.ts', ...rest, ...args],
    {
      cwd: ROOT,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: {
        ...process.env,
        ...(url && { BROOK_URL: url }),
        BROOK_CHROMIUM: chromiumProgram(),
        // Whoever waits for a landing does not wait for a machine that stood still.
        BROOK_RETRIES: process.env.CI && !underLoad ? '1' : '0',
        PLAYWRIGHT_JSON_OUTPUT_FILE: report,
        TZ: 'UTC',
      },
    },
  );
  return readReport(report, done.status, (json) => {
    for (const title of secondTries(json as unknown as Suite))
      say(`passed at the second try alone, which is a defect: ${title}`);
    const { expected, unexpected, flaky, skipped } = json.stats as Record<string, number>;
    return { passed: expected! + flaky!, failed: unexpected!, skipped: skipped! };
  });
}

/** A suite as the browser's runner reports it, as far as it is read here. */
interface Suite {
  readonly suites?: readonly Suite[];
  readonly specs?: readonly {
    readonly title: string;
    readonly file: string;
    readonly tests: readonly { readonly status: string }[];
  }[];
}

function secondTries({ suites = [], specs = [] }: Suite): string[] {
  return [
    ...specs
      .filter((s) => s.tests.some((t) => t.status === 'flaky'))
      .map((s) => `${s.file}: ${s.title}`),
    ...suites.flatMap(secondTries),
  ];
}

/** A process that keeps one core busy until this one ends. */
function busyLoop(): ChildProcess {
  const spin = `
    const spin = () => { const until = Date.now() + 100; while (Date.now() < until); setImmediate(spin); };
    process.on('disconnect', () => process.exit());
    spin();`;
  return spawn(process.execPath, ['-e', spin], { stdio: ['ignore', 'ignore', 'inherit', 'ipc'] });
}

/** Counts of a report; a runner that failed without a failed test counts as one failure. */
function readReport(
  path: string,
  status: number | null,
  read: (json: Record<string, unknown>) => Count,
): Count {
  try {
    const count = read(JSON.parse(readFileSync(path, 'utf8')) as Record<string, unknown>);
    return status !== 0 && count.failed === 0 ? { ...count, failed: 1 } : count;
  } catch {
    return { passed: 0, failed: 1, skipped: 0 };
  }
}

function add(count: Count): void {
  total.passed += count.passed;
  total.failed += count.failed;
  total.skipped += count.skipped;
}

/** Parts by name, all when none is named, and whether two busy loops run beside them; what follows "--" goes to the runner. */
function readArguments(): { parts: readonly Part[]; rest: string[]; underLoad: boolean } {
  const given = process.argv.slice(2);
  const split = given.indexOf('--');
  const words = split >= 0 ? given.slice(0, split) : given;
  const names = words.filter((w) => w !== UNDER_LOAD);
  const unknown = names.find((n) => !(PARTS as readonly string[]).includes(n));
  if (unknown)
    giveUp(
      `There is no part "${unknown}"; npm test -- takes ${PARTS.join(', ')} and ${UNDER_LOAD}.`,
    );
  return {
    parts: names.length > 0 ? (names as Part[]) : PARTS,
    rest: split >= 0 ? given.slice(split + 1) : [],
    underLoad: words.includes(UNDER_LOAD),
  };
}
