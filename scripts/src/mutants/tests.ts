import { dirname } from 'node:path';

/** Whether a path names one file, not a folder. */
export const isFile = (path: string): boolean => /\.tsx?$/.test(path);

/**
 * Where the tests lie that judge a folder or a file: in core its room, elsewhere the folder.
 *
 * @example "core/src/job/gate" → "core/src/job"
 */
export const testsOf = (path: string): string =>
  /^core\/src\/[^/]+/.exec(path)?.[0] ?? (isFile(path) ? dirname(path) : path);
