import {
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  rmSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';

/**
 * Take a data folder for this process. A lock left by a process that is gone is taken over.
 *
 * @returns null when taken, or the address that the other one serves
 */
export function takeDataFolder(dir: string, address: string): string | null {
  mkdirSync(dir, { recursive: true });
  const path = join(dir, 'in-use');
  for (let tries = 0; tries < 2; tries++) {
    try {
      const file = openSync(path, 'wx');
      writeSync(file, `${process.pid}\n${address}\n`);
      closeSync(file);
      return null;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
    const [pid, other] = readFileSync(path, 'utf8').split('\n');
    if (isAlive(Number(pid))) return other ?? 'unknown';
    rmSync(path, { force: true });
  }
  return 'unknown';
}

export function leaveDataFolder(dir: string): void {
  const path = join(dir, 'in-use');
  if (existsSync(path) && readFileSync(path, 'utf8').startsWith(`${process.pid}\n`)) rmSync(path);
}

function isAlive(pid: number): boolean {
  if (!Number.isInteger(pid) || pid <= 0) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}
