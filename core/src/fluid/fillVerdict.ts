import { ENTRY, figure, PRACTICE, type Figure, type Source } from '../figure';
import { CHEMISTRY, type Grade } from './grades';
import type { FluidSeen } from './looks';

export type FluidReasonCode =
  | 'fill as the cap names'
  | 'mineral cap'
  | 'silicone in glycol'
  | 'mineral in the system'
  | 'other product'
  | 'layers'
  | 'particles'
  | 'not silicone in silicone'
  | 'dark'
  | 'hazy'
  | 'wet now'
  | 'wet this visit'
  | 'colour does not pass';

/** One reason of a verdict: a code, what it is about, and how sure the rule is. */
export interface FluidReason {
  readonly code: FluidReasonCode;
  readonly weight: 'stop' | 'caution' | 'note';
  readonly source: Source;
}

/** What to do about the fluid, with every reason. */
export interface FillVerdict {
  readonly verdict: 'fill' | 'stop';
  /** The grade to fill: the one on the cap and no other. Null on a stop. */
  readonly fillGrade: Grade | null;
  readonly reasons: readonly FluidReason[];
  /** Inputs that are numbers. */
  readonly figures: readonly Figure[];
}

/** Water at which the trade replaces at this visit and at once, % by mass [C]. */
export const WATER_THIS_VISIT_PERCENT = 1.5;
export const WATER_NOW_PERCENT = 3;

/**
 * Decide what may go in, from the cap and the look of the old fluid. The grade
 * on the cap is the only one that is filled. Silicone where glycol belongs,
 * mineral oil, particles or any other product stop the job.
 */
export function fillVerdict(capGrade: Grade, seen: FluidSeen): FillVerdict {
  const stops = stopReasons(capGrade, seen);
  const figures =
    seen.waterPercent === null
      ? []
      : [figure({ label: 'Water in the reservoir', value: seen.waterPercent, unit: '%', rule: 'read off the meter', source: ENTRY })];
  if (stops.length > 0) return { verdict: 'stop', fillGrade: null, reasons: stops, figures };
  return { verdict: 'fill', fillGrade: capGrade, reasons: [note('fill as the cap names'), ...ageReasons(capGrade, seen)], figures };
}

function stopReasons(capGrade: Grade, seen: FluidSeen): FluidReason[] {
  const reasons: FluidReason[] = [];
  const stop = (code: FluidReasonCode) => reasons.push({ code, weight: 'stop', source: PRACTICE });
  if (CHEMISTRY[capGrade] === 'mineral') stop('mineral cap');
  if (seen.foreign === 'oil film, green or red') stop('mineral in the system');
  if (seen.foreign === 'thick or greasy') stop('other product');
  if (seen.foreign === 'layers') stop('layers');
  if (seen.foreign === 'purple or beads in water' && CHEMISTRY[capGrade] === 'glycol') stop('silicone in glycol');
  if (seen.foreign !== 'purple or beads in water' && CHEMISTRY[capGrade] === 'silicone') stop('not silicone in silicone');
  if (seen.clarity === 'particles') stop('particles');
  return reasons;
}

function ageReasons(capGrade: Grade, seen: FluidSeen): FluidReason[] {
  const reasons: FluidReason[] = [];
  const glycol = CHEMISTRY[capGrade] === 'glycol';
  if (glycol && (seen.colour === 'brown' || seen.colour === 'black')) reasons.push(caution('dark'));
  if (seen.clarity === 'hazy') reasons.push(caution('hazy'));
  if (glycol && seen.waterPercent !== null && seen.waterPercent >= WATER_NOW_PERCENT) reasons.push(caution('wet now'));
  else if (glycol && seen.waterPercent !== null && seen.waterPercent >= WATER_THIS_VISIT_PERCENT) reasons.push(caution('wet this visit'));
  else if (glycol && seen.waterPercent === null) reasons.push(note('colour does not pass'));
  return reasons;
}

const caution = (code: FluidReasonCode): FluidReason => ({ code, weight: 'caution', source: PRACTICE });
const note = (code: FluidReasonCode): FluidReason => ({ code, weight: 'note', source: PRACTICE });
