import { SEA_LEVEL_MPA } from './ambient';
import type { PedalSetup } from './setup';

/** What of the setup the travel follows from, as plain numbers. */
export interface Curve extends Pick<PedalSetup, 'ratio' | 'areaMm2' | 'ambientMPa'> {
  readonly preloadN: number;
  readonly playMm: number;
  readonly clearanceMl: number;
  readonly complianceMlPerMPa: number;
}

/** The setup as it stands, without how far it may be off. */
export const curveOf = ({
  ratio,
  areaMm2,
  ambientMPa,
  preloadN,
  playMm,
  clearanceMl,
  complianceMlPerMPa,
}: PedalSetup): Curve => ({
  ratio,
  areaMm2,
  ambientMPa,
  preloadN: preloadN.value,
  playMm: playMm.value,
  clearanceMl: clearanceMl.value,
  complianceMlPerMPa: complianceMlPerMPa.value,
});

/**
 * Pressure behind a master without its servo, MPa (N/mm²): lever arithmetic,
 * `p = (ratio · F − F₀)/A`. Below the springs' preload there is none.
 *
 * @param forceN at the pedal, or at the tip of the lever, 0 or more
 */
export const pressureMPa = (
  { ratio, areaMm2, preloadN }: Pick<Curve, 'ratio' | 'areaMm2' | 'preloadN'>,
  forceN: number,
): number => Math.max(0, (ratio * forceN - preloadN) / areaMm2);

/**
 * How much of its volume a bubble loses under a pressure, 0 to 1: Boyle's law
 * at constant temperature, `p/(p₀ + p)`.
 *
 * @param gaugeMPa above the air round it, 0 or more
 * @example at 1 MPa and sea level 91 % of it is gone
 */
export const lostShare = (gaugeMPa: number, ambientMPa = SEA_LEVEL_MPA): number =>
  gaugeMPa / (ambientMPa + gaugeMPa);

/**
 * Travel of the pedal or the tip of the lever, mm: `ratio · (play + ΔV/A)`,
 * where ΔV is the clearance, the widening and what the air loses.
 *
 * @param forceN 0 or more, engine off and the servo emptied
 * @param airMl at the pressure of the air round it, 0 or more
 * @param pumped whether it was pumped up before: that takes up the clearance, not the air
 */
export function travelMm(curve: Curve, forceN: number, airMl: number, pumped: boolean): number {
  const p = pressureMPa(curve, forceN);
  const movedMl =
    (pumped ? 0 : curve.clearanceMl) +
    curve.complianceMlPerMPa * p +
    airMl * lostShare(p, curve.ambientMPa);
  return curve.ratio * (curve.playMm + (movedMl * 1000) / curve.areaMm2);
}

/** Forces at which a curve is read, N, at the pedal or the tip of the lever. */
export interface Forces {
  /** Two low ones: a finger to a spring balance. */
  readonly low: readonly [number, number];
  readonly light: number;
  readonly firm: number;
}

/** A firm push on a pedal, one of the ankle on a foot brake, and two fingers' pull at the tip of a lever, N [M]. */
const FIRM_N = { pedal: 300, foot: 150, lever: 150 } as const;
/** A light push, N [M]. */
const LIGHT_N = { pedal: 50, foot: 50, lever: 20 } as const;
/** How far a light one lies above what the springs hold back, as a multiple of it [M]: fingers pull a lever no harder than they must. */
const LIGHT_ABOVE_SPRINGS = { pedal: 3.5, foot: 3.5, lever: 1.2 } as const;

/** By what a control is worked: the leg, the ankle alone, or the fingers. */
export type WorkedBy = keyof typeof FIRM_N;

/**
 * The forces for one control: all of them lie above what the springs hold back,
 * for a point without pressure tells nothing of the air [M].
 *
 * @param preloadN at the rod
 */
export function forcesFor(
  by: WorkedBy,
  { ratio, preloadN }: Pick<Curve, 'ratio' | 'preloadN'>,
): Forces {
  const atPedal = (times: number) => (times * preloadN) / ratio;
  return {
    low: [atPedal(1.5), atPedal(2.5)],
    light: Math.max(LIGHT_N[by], atPedal(LIGHT_ABOVE_SPRINGS[by])),
    firm: FIRM_N[by],
  };
}
