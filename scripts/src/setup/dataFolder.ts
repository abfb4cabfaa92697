import { existsSync, mkdirSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** What an empty cluster, its first log and the demo take, with as much again to go on, MB [M]. */
export const LEAST_FREE_MB = 250;

/** What is wrong with a data folder, by what the system said of it. */
const WRONG: Readonly<Record<string, string>> = {
  EROFS: 'is on a disk that can only be read',
  EACCES: 'may not be written by this user',
  EPERM: 'may not be written by this user',
  ENOTDIR: 'is not a folder',
  EEXIST: 'is not a folder',
  ENOENT: 'cannot be made here',
  ENOSPC: 'is on a disk that is full',
  EDQUOT: 'is on a disk of which this user has no more',
};

/** The one sentence for a folder that gave an error. */
export const sentenceFor = (dir: string, code: string | undefined): string =>
  `The data folder ${dir} ${WRONG[code ?? ''] ?? `cannot be used (${code})`}. Nothing was changed; make it one that can be written, or give another with --data.`;

/** The one sentence for a disk with so much left, or null where that is enough. */
export const roomFault = (dir: string, freeMb: number): string | null =>
  freeMb >= LEAST_FREE_MB
    ? null
    : `The disk of the data folder ${dir} has ${Math.floor(freeMb)} MB left, and ${LEAST_FREE_MB} MB are needed. Nothing was changed; make room, or give another folder with --data.`;

/**
 * Whether a data folder can be worked in: made, written, with room on its disk.
 *
 * @returns the sentence for one that cannot, or null
 */
export function folderFault(dir: string): string | null {
  const probe = join(dir, 'can-be-written');
  try {
    mkdirSync(dir, { recursive: true });
    writeFileSync(probe, 'x');
    rmSync(probe);
    const { bavail, bsize } = statfsSync(dir);
    return roomFault(dir, (bavail * bsize) / 1_048_576);
  } catch (error) {
    if (existsSync(probe)) rmSync(probe);
    return sentenceFor(dir, (error as NodeJS.ErrnoException).code);
  }
}
