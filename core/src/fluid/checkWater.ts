/**
 * The sentence for a water reading that cannot be right, or null when it can.
 *
 * @param waterPercent reading of the meter, % by mass; 0 to 10 is what such meters can show [M]
 */
export function waterFault(waterPercent: number): string | null {
  if (waterPercent >= 0 && waterPercent <= 10) return null;
  if (Number.isNaN(waterPercent)) return 'Water is not a number; a reading is between 0 and 10 %.';
  return `Water is ${waterPercent} %; a reading is between 0 and 10 %.`;
}
