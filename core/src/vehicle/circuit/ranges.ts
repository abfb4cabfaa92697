import { inRange, type Range } from '../../base/units';

/** What a person may enter of a layout, per quantity [M]. */
export const RANGES = {
  lengthMm: { what: 'length', unit: 'mm', least: 10, most: 15_000 },
  insideMm: { what: 'inside diameter', unit: 'mm', least: 1, most: 10 },
  wideningMlPerM: { what: 'widening at 6.9 MPa', unit: 'mL/m', least: 0, most: 10 },
  heightMm: { what: 'height above the ground', unit: 'mm', least: 0, most: 3_000 },
  boreMm: { what: 'bore', unit: 'mm', least: 8, most: 40 },
  fullStrokeMm: { what: 'full stroke', unit: 'mm', least: 4, most: 60 },
  bleedStrokeMm: { what: 'stroke in bleeding', unit: 'mm', least: 4, most: 60 },
  ratio: { what: 'pedal or lever ratio', unit: '', least: 1, most: 10 },
  cavityMl: { what: 'cavity', unit: 'mL', least: 0.5, most: 200 },
  pistonMm: { what: 'piston diameter', unit: 'mm', least: 8, most: 100 },
  pistons: { what: 'number of pistons', unit: '', least: 1, most: 12 },
  retractionMm: { what: 'retraction', unit: 'mm', least: 0, most: 5 },
  openPathMl: { what: 'open path', unit: 'mL', least: 0.5, most: 60 },
  pocketsMl: { what: 'closed pockets', unit: 'mL', least: 0, most: 30 },
  maxMl: { what: 'volume at MAX', unit: 'mL', least: 1, most: 1_500 },
  minMl: { what: 'volume at MIN', unit: 'mL', least: 0.5, most: 1_500 },
  airDrawnMl: { what: 'volume where air is drawn', unit: 'mL', least: 0, most: 1_500 },
  belowMaxMm: { what: 'outlet below MAX', unit: 'mm', least: 1, most: 300 },
  makerPressureKpa: { what: 'pressure by the maker', unit: 'kPa', least: 0, most: 250 },
  wrenchMm: { what: 'wrench size', unit: 'mm', least: 5, most: 32 },
  torqueNm: { what: 'torque', unit: 'N·m', least: 1, most: 200 },
} as const satisfies Record<string, Range>;

/**
 * The sentence for a value outside its range, or null when it is inside. NaN is outside.
 *
 * @example rangeFault(RANGES.boreMm, 2) is "bore is 2 mm; it should be between 8 and 40 mm"
 */
export function rangeFault(range: Range, value: number): string | null {
  if (inRange(range, value)) return null;
  const unit = range.unit ? ` ${range.unit}` : '';
  return `${range.what} is ${value}${unit}; it should be between ${range.least} and ${range.most}${unit}`;
}
