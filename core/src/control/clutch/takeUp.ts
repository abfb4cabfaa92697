import type { Range } from '../../base/units';

/** Where a clutch takes up, in words: of the way from its end (floor or bar) to its rest. */
export const TAKE_UPS = ['near the end', 'lower half', 'middle', 'high'] as const;
export type TakeUp = (typeof TAKE_UPS)[number];

/** Heights of a clutch pedal above the floor, or distances of its lever from the bar, mm. */
export const TAKE_UP_MM: Range = { what: 'Height', unit: 'mm', least: 0, most: 400 };
/** Free play that somebody can have measured, mm. */
export const PLAY_MM: Range = { what: 'Free play', unit: 'mm', least: 0, most: 60 };

/** Where the words for a take-up begin, as a share of the way from its end to its rest [M]. */
const FROM_SHARE = { lowerHalf: 0.15, middle: 0.5, high: 0.75 } as const;

/** What pumping may lift a take-up by where there is no air, mm: what a ruler may err by, twice [M]. */
export const PUMPED_WITHIN_MM = 5;

/**
 * The word for where a clutch takes up: near the floor or the bar means air or
 * lost stroke.
 *
 * @param restMm at rest, above 0
 * @param takeUpMm where it takes up, 0 to restMm
 */
export function takeUpOf(restMm: number, takeUpMm: number): TakeUp {
  const share = takeUpMm / restMm;
  if (share >= FROM_SHARE.high) return 'high';
  if (share >= FROM_SHARE.middle) return 'middle';
  return share >= FROM_SHARE.lowerHalf ? 'lower half' : 'near the end';
}

/** Whether it is air or the rod: air is squeezed together by pumping, a rod is as long as before. */
export function airOrRod(takeUpMm: number, pumpedMm: number): 'air' | 'rod' {
  return pumpedMm - takeUpMm > PUMPED_WITHIN_MM ? 'air' : 'rod';
}
