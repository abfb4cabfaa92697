import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { freePort } from '../setup/cluster';
import { ROOT } from '../setup/paths';
import type { Measured } from './report';

const RUNS = 3;

/** `npm start` with nothing changed since the last time, from the command to the line that says where the app is. */
export async function secondStart(dataDir: string): Promise<Measured> {
  await startOnce(dataDir);
  const runs: number[] = [];
  for (let i = 0; i < RUNS; i++) runs.push((await startOnce(dataDir)) / 1000);
  return { name: 'start.second', unit: 's', limit: 10, runs };
}

async function startOnce(dataDir: string): Promise<number> {
  const start = performance.now();
  const child = spawn(
    'npm',
    ['start', '--', '--data', dataDir, '--port', String(await freePort())],
    { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'], detached: true },
  );
  const ended = once(child, 'exit');
  try {
    await new Promise<void>((ready, failed) => {
      let said = '';
      const hear = (chunk: Buffer) => {
        said += chunk.toString();
        if (said.includes('Cascade Brook is at')) ready();
      };
      child.stdout.on('data', hear);
      child.stderr.on('data', hear);
      child.once('exit', () => failed(new Error(`npm start ended by itself:\n${said}`)));
    });
    return performance.now() - start;
  } finally {
    // What Ctrl-C does: the signal goes to the whole group.
    if (child.exitCode === null) process.kill(-child.pid!, 'SIGINT');
    await ended;
  }
}
