/** Units of volume a person may choose at the edge. Stored: mL. */
export type VolumeUnit = 'mL' | 'L' | 'flOzUs' | 'flOzImp';

/** Millilitres in one of each unit. US fluid ounce: 231 in³/128; imperial: 4.54609 L/160 (both exact by definition). */
export const ML_PER: Readonly<Record<VolumeUnit, number>> = {
  mL: 1,
  L: 1000,
  flOzUs: (231 * 16.387064) / 128,
  flOzImp: 4546.09 / 160,
};

/** Convert a volume between two units. @example convertVolume(1, 'L', 'mL') is 1000 */
export function convertVolume(value: number, from: VolumeUnit, to: VolumeUnit): number {
  return (value * ML_PER[from]) / ML_PER[to];
}
