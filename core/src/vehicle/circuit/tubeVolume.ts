/**
 * Volume of a round tube, πd²/4 · length.
 *
 * @param insideMm inner diameter, mm
 * @param lengthMm length, mm
 * @returns mL (1 mL is 1000 mm³)
 * @example tubeVolumeMl(3.35, 1000) is 8.81 mL: the 8.8 mL/m of ordinary brake line
 */
export function tubeVolumeMl(insideMm: number, lengthMm: number): number {
  return (Math.PI * insideMm * insideMm * lengthMm) / 4 / 1000;
}
