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
 * Take a data folder for this process. A lock left by a process that is gone is
 * taken over, also where its number belongs to another process by now.
 *
 * @returns null when taken, or the address that the other one serves
 */
export function takeDataFolder(dir: string, address: string): string | null {
  mkdirSync(dir, { recursive: true });
  const path = join(dir, 'in-use');
  for (let tries = 0; tries < 2; tries++) {
    try {
      const file = openSync(path, 'wx');
      writeSync(file, `${process.pid}\n${address}\n${beginningOf(process.pid)}\n`);
      closeSync(file);
      return null;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
    const [pid, other, beginning] = readFileSync(path, 'utf8').split('\n');
    if (isAlive(Number(pid)) && isSame(Number(pid), beginning)) return other ?? 'unknown';
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

/** A lock without a beginning was made where none can be read: then the number decides. */
const isSame = (pid: number, beginning: string | undefined): boolean =>
  !beginning || beginning === beginningOf(pid);

/**
 * When a process began, in ticks of this boot, with the boot's own id: numbers
 * are given anew, this is not. Empty where the machine does not say.
 */
export function beginningOf(pid: number): string {
  try {
    // The name of the program, in brackets, may hold spaces: what follows is counted from behind it. Field 22 of proc(5).
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    const started = stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
    return `${started} ${readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim()}`;
  } catch {
    return '';
  }
}
