import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './paths';

export interface ServerOptions {
  readonly database: string;
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

/** The server as a process of its own. Resolves when it is ready; rejects when it ends before. */
export function startServer(options: ServerOptions): Promise<ChildProcess> {
  const flags: [string, string | undefined][] = [
    ['--database', options.database],
    ['--secret-file', options.secretFile],
    ['--port', String(options.port)],
    ['--host', options.host],
    ['--cert', options.cert],
    ['--key', options.key],
    ['--web', options.web],
    ['--seed', options.seed],
    ['--seed-day', options.seedDay],
  ];
  const args = flags.flatMap(([flag, value]) => (value === undefined ? [] : [flag, value]));
  const child = spawn(
    process.execPath,
    ['--import', 'tsx', join(ROOT, 'server', 'src', 'main.ts'), ...args],
    { cwd: ROOT, stdio: ['ignore', 'pipe', 'inherit'], detached: true },
  );
  return new Promise((resolve, reject) => {
    child.stdout!.on('data', (chunk: Buffer) => {
      if (chunk.toString().includes('ready')) resolve(child);
    });
    child.once('exit', (code) =>
      reject(new Error(`the server ended with code ${code} before it was ready`)),
    );
  });
}

/** Stop a server and wait until it is gone. */
export function stopServer(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    child.once('exit', () => resolve());
    child.kill('SIGTERM');
  });
}
