/** Units of length a person may choose at the edge. Stored: mm. */
export type LengthUnit = 'mm' | 'm' | 'in' | 'ft';

/** Millimetres in one of each unit. The inch is 25.4 mm exactly (1959 agreement). */
export const MM_PER: Readonly<Record<LengthUnit, number>> = { mm: 1, m: 1000, in: 25.4, ft: 304.8 };

/** Convert a length between two units. @example convertLength(1, 'in', 'mm') is 25.4 */
export function convertLength(value: number, from: LengthUnit, to: LengthUnit): number {
  return (value * MM_PER[from]) / MM_PER[to];
}
