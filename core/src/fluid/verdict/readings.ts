/** Everything that can be read off an instrument or a strip, with the range in which a reading can be right [M]. */
export const READINGS = {
  waterPercent: { label: 'Water', unit: '%', least: 0, most: 10 },
  boilingC: { label: 'Boiling point', unit: '°C', least: 100, most: 350 },
  ambientHpa: { label: 'Air pressure', unit: 'hPa', least: 500, most: 1100 },
  altitudeM: { label: 'Altitude', unit: 'm', least: -400, most: 5000 },
  copperPpm: { label: 'Copper', unit: 'ppm', least: 0, most: 1000 },
  pH: { label: 'pH', unit: '', least: 0, most: 14 },
} as const;
export type ReadingKind = keyof typeof READINGS;

/**
 * The sentence for a reading that cannot be right, or null when it can.
 *
 * @example readingFault('waterPercent', 12) is "Water is 12 %; a reading is between 0 and 10 %."
 */
export function readingFault(kind: ReadingKind, value: number): string | null {
  const { label, unit, least, most } = READINGS[kind];
  if (value >= least && value <= most) return null;
  const between = `a reading is between ${least} and ${most}${unit ? ` ${unit}` : ''}.`;
  return Number.isNaN(value)
    ? `${label} is not a number; ${between}`
    : `${label} is ${value}${unit ? ` ${unit}` : ''}; ${between}`;
}
