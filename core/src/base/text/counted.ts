/**
 * A number of things.
 *
 * @param n whole number, 0 or more
 * @param one the thing in the singular; its plural adds an s
 * @example "1 tap", "3 taps"
 */
export const counted = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;
