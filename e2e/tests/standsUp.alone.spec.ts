import { planOfJob } from '@brook/contract/apiDriver';
import { expect, test } from '@playwright/test';
import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { Workshop } from '../support/workshop';

// One start of the app, on which the tests follow each other.
test.describe.configure({ mode: 'serial' });

const ROOT = dirname(dirname(__dirname));
const dir = mkdtempSync(join(tmpdir(), 'brook-up-'));
let start: ChildProcess;
let origin: string;
let said = '';

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });

/** Process ids whose command line holds some words, of what this test started. */
const pids = (words: string): number[] => {
  try {
    return execFileSync('pgrep', ['-f', '--', words], { encoding: 'utf8' })
      .trim()
      .split('\n')
      .map(Number);
  } catch {
    return [];
  }
};

test.beforeAll(async () => {
  const port = await freePort();
  origin = `http://127.0.0.1:${port}`;
  // As npm would, in a group of its own.
  start = spawn('node', ['scripts/bootstrap.mjs', 'start', '--data', dir, '--port', String(port)], {
    cwd: ROOT,
    detached: true,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  for (const out of [start.stdout!, start.stderr!])
    out.on('data', (chunk: Buffer) => (said += chunk.toString()));
  // A first start builds the app.
  await expect.poll(() => said, { timeout: 300_000 }).toContain('Cascade Brook is at');
});
test.afterAll(async () => {
  if (start.exitCode === null && start.signalCode === null) {
    const ended = new Promise((resolve) => start.once('exit', resolve));
    start.kill('SIGTERM');
    await ended;
  }
  rmSync(dir, { recursive: true, force: true });
});

test('any one of our processes may be killed in the middle of a run: it stands up again by itself, and every tap is there once', async ({
  browser,
}) => {
  const context = await browser.newContext({ baseURL: origin });
  const page = await context.newPage();
  const workshop = await Workshop.signIn(page);
  const job = await workshop.running(await workshop.addVehicle('hatchback-diagonal', 'right'), 1);
  const planned = planOfJob(job).openings[0]!.strokes.value;
  const action = page.getByTestId('next-action');
  const count = (n: number) => page.getByTestId('count-pad').getByText(String(n), { exact: true });
  await page.goto(`/jobs/${job.id}`);
  let left = planned - 1;
  const tap = async () => {
    await action.click();
    await expect(count(--left)).toBeVisible();
  };
  const all = page.getByText('All with the workshop', { exact: true });
  const port = new URL(origin).port;
  for (const [what, words] of [
    ['The server', `server/src/main.ts --port ${port}`],
    ['PostgreSQL', `bin/postgres -D ${dir}`],
    ['The start script', `scripts/src/start.ts --data ${dir}`],
  ] as const) {
    await tap();
    await expect(all).toBeVisible();
    for (const pid of pids(words)) process.kill(pid, 'SIGKILL');
    await tap();
    await tap();
    await expect(all).toBeVisible();
    await expect
      .poll(() => said)
      .toMatch(new RegExp(`${what} ended \\(SIGKILL\\); starting it again`));
  }
  const { events } = await workshop.job(job.id);
  expect(events.filter((e) => e.kind === 'stroke')).toHaveLength(1 + 9);
  await context.close();
});

test('killed itself, the command leaves none of its processes behind', async () => {
  const of = () => [...pids(`--port ${new URL(origin).port}`), ...pids(dir)];
  expect(of().length).toBeGreaterThan(2);
  start.kill('SIGKILL');
  await expect.poll(of, { timeout: 45_000 }).toEqual([]);
});
