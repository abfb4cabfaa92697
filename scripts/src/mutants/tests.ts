/**
 * Where the tests lie that judge a folder: in core its room, elsewhere itself.
 *
 * @example "core/src/job/gate" → "core/src/job"
 */
export const testsOf = (folder: string): string => /^core\/src\/[^/]+/.exec(folder)?.[0] ?? folder;
