import type { Source } from '../../base/figure';
import type { Grade } from './grades';

/** Classes of ISO 4925; 6 and 7 are the low-viscosity ones for stability control. */
export type IsoClass = 'class 3' | 'class 4' | 'class 5-1' | 'class 6' | 'class 7';

/** What a standard asks of a fluid: boiling points at least, kinematic viscosity at −40 °C at most and at 100 °C at least. */
export interface FluidLimits {
  readonly dryC: number;
  readonly wetC: number;
  readonly viscosityAtMinus40Mm2s: number;
  readonly viscosityAt100Mm2s: number;
  readonly source: Source;
}

const FMVSS: Source = { kind: 'standard', name: 'FMVSS 116 (49 CFR 571.116), S5.1.1 to S5.1.3' };
const ISO: Source = { kind: 'standard', name: 'ISO 4925:2020, table 1' };

const limits = (
  dryC: number,
  wetC: number,
  viscosityAtMinus40Mm2s: number,
  source: Source,
): FluidLimits => ({
  dryC,
  wetC,
  viscosityAtMinus40Mm2s,
  viscosityAt100Mm2s: 1.5,
  source,
});

/** Limits of the grades; mineral oil has none in these standards. */
export const GRADE_LIMITS: Readonly<Record<Exclude<Grade, 'mineral oil'>, FluidLimits>> = {
  'DOT 3': limits(205, 140, 1500, FMVSS),
  'DOT 4': limits(230, 155, 1800, FMVSS),
  'DOT 5.1': limits(260, 180, 900, FMVSS),
  'DOT 5': limits(260, 180, 900, FMVSS),
};

/** Limits of the classes. */
export const CLASS_LIMITS: Readonly<Record<IsoClass, FluidLimits>> = {
  'class 3': limits(205, 140, 1500, ISO),
  'class 4': limits(230, 155, 1500, ISO),
  'class 5-1': limits(260, 180, 900, ISO),
  'class 6': limits(250, 165, 750, ISO),
  'class 7': limits(260, 180, 750, ISO),
};

/** The standard that a label's grade or class belongs to, by name. */
export function standardOf(grade: Grade, isoClass: IsoClass | null): string {
  if (isoClass) return `ISO 4925, ${isoClass}`;
  return grade === 'mineral oil' ? 'ISO 7308' : `FMVSS 116, ${grade}`;
}

/** Water in the reference fluid at which the humidification test of FMVSS 116 S6.2 ends, % by mass. */
export const WET_WATER_PERCENT = 3.7;
