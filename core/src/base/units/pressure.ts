/** Units of pressure a person may read a gauge in. Stored: kPa. */
export type PressureUnit = 'kPa' | 'MPa' | 'bar' | 'psi';

/** Kilopascals in one of each unit; a psi is 4.4482216152605 N on 25.4 mm square, both exact (NIST SP 811, appendix B). */
export const KPA_PER: Readonly<Record<PressureUnit, number>> = {
  kPa: 1,
  MPa: 1000,
  bar: 100,
  psi: 4.4482216152605 / 0.0254 ** 2 / 1000,
};

/** Convert a pressure between two units. @example convertPressure(1, 'bar', 'kPa') is 100 */
export function convertPressure(value: number, from: PressureUnit, to: PressureUnit): number {
  return (value * KPA_PER[from]) / KPA_PER[to];
}
