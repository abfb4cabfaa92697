import { DEMO } from '@brook/demo';
import { spawn, spawnSync } from 'node:child_process';
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

const PARTS = ['format', 'types', 'lint', 'arrows', 'unit', 'browser'] as const;
type Part = (typeof PARTS)[number];

const TEST_DIR = join(ROOT, '.test');
const { parts, rest } = readArguments();
const total: Count = { passed: 0, failed: 0, skipped: 0 };

rmSync(TEST_DIR, { recursive: true, force: true });
mkdirSync(TEST_DIR, { recursive: true });
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
    if (parts.includes('unit')) add(unit(cluster.database('brook_tests')));
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

function unit({ admin, owner, app }: Database): Count {
  say('── unit and server tests');
  const report = join(TEST_DIR, 'unit.json');
  const done = spawnSync(
    join(ROOT, 'node_modules', '.bin', 'jest'),
    ['--json', `--outputFile=${report}`, ...rest],
    {
      cwd: ROOT,
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        BROOK_TEST_DATABASE: admin,
        BROOK_TEST_OWNER: owner,
        BROOK_TEST_APP: app,
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
  const chromium = chromiumProgram();
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
    const report = join(TEST_DIR, 'browser.json');
    const done = spawnSync(
      join(ROOT, 'node_modules', '.bin', 'playwright'),
      ['test', '--config', 'e2e/playwright.config.ts', ...rest],
      {
        cwd: ROOT,
        stdio: ['ignore', 'inherit', 'inherit'],
        env: {
          ...process.env,
          BROOK_URL: `http://127.0.0.1:${port}`,
          BROOK_CHROMIUM: chromium,
          TZ: 'UTC',
        },
      },
    );
    return readReport(report, done.status, (json) => {
      const { expected, unexpected, flaky, skipped } = json.stats as Record<string, number>;
      return { passed: expected! + flaky!, failed: unexpected!, skipped: skipped! };
    });
  } finally {
    await stopServer(server);
  }
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

/** Parts by name, all when none is named; what follows "--" goes to the runner. */
function readArguments(): { parts: readonly Part[]; rest: string[] } {
  const given = process.argv.slice(2);
  const split = given.indexOf('--');
  const names = split >= 0 ? given.slice(0, split) : given;
  const unknown = names.find((n) => !(PARTS as readonly string[]).includes(n));
  if (unknown) giveUp(`There is no part "${unknown}"; npm test -- takes ${PARTS.join(', ')}.`);
  return {
    parts: names.length > 0 ? (names as Part[]) : PARTS,
    rest: split >= 0 ? given.slice(split + 1) : [],
  };
}
