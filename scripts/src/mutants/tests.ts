import { dirname } from 'node:path';

/** Whether a path names one file, not a folder. */
export const isFile = (path: string): boolean => /\.tsx?$/.test(path);

/** Whether a folder or file is of a room whose tests can judge it: core and contract, which use no more than `test` and `expect`, and the client by Jest. */
export const isJudged = (path: string): boolean => /^(core\/src|contract\/src|client)\//.test(path);

/**
 * Where the tests lie that judge a folder or a file: in core its room, elsewhere the folder.
 *
 * @example "core/src/job/gate" → "core/src/job"
 */
export const testsOf = (path: string): string =>
  /^core\/src\/[^/]+/.exec(path)?.[0] ?? (isFile(path) ? dirname(path) : path);

/** What the tests of a folder should notice of the changes, %; where a vehicle is let go or held, more. */
const LIMIT_PERCENT = 85;
const LIMITS: Readonly<Record<string, number>> = {
  'core/src/job/events': 90,
  'core/src/job/gate': 90,
  'core/src/job/card': 90,
  'core/src/owed/openItems': 90,
  'core/src/fluid/inside': 90,
};

/** What is to be noticed of a folder, and of each file in it, %. */
export function limitOf(path: string): number {
  const folder = Object.keys(LIMITS).find((f) => path === f || path.startsWith(`${f}/`));
  return folder ? LIMITS[folder]! : LIMIT_PERCENT;
}
