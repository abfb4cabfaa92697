import type { Path } from '../../vehicle/circuit';
import { DENSITY_KGM3, GRAVITY_MS2 } from './bubbles';

/** Reynolds number below which the law of Hagen and Poiseuille holds. */
export const LAMINAR_REYNOLDS = 2300;

/** A bleeder just cracked: an orifice of this diameter with this discharge coefficient [M]. */
const CRACKED_BLEEDER = { mm: 1.2, discharge: 0.6 };

/** Pressure of a column of brake fluid, Pa. @param headMm mm */
export const columnPa = (headMm: number): number => (DENSITY_KGM3 * GRAVITY_MS2 * headMm) / 1000;

/**
 * Resistance of a tube, Pa·s/m³: 128 μ L/(π d⁴) (Hagen–Poiseuille).
 *
 * @param lengthMm mm
 * @param insideMm mm
 * @param viscosityMm2s kinematic, mm²/s
 */
export function tubeResistance(lengthMm: number, insideMm: number, viscosityMm2s: number): number {
  const dynamicPas = DENSITY_KGM3 * viscosityMm2s * 1e-6;
  return (128 * dynamicPas * (lengthMm / 1000)) / (Math.PI * (insideMm / 1000) ** 4);
}

/**
 * Flow along a path under a steady pressure, mL/s: laminar lines in a row and
 * the bleeder as an orifice, ½ρ(Q/(C·A))². Nothing flows without pressure.
 *
 * @param pressurePa over the whole path, head included
 */
export function steadyFlowMlS(
  path: Pick<Path, 'stretches'>,
  pressurePa: number,
  viscosityMm2s: number,
): number {
  if (!(pressurePa > 0)) return 0;
  const resistance = path.stretches.reduce(
    (sum, s) => sum + tubeResistance(s.lengthMm, s.insideMm, viscosityMm2s),
    0,
  );
  const orificeM2 = CRACKED_BLEEDER.discharge * (Math.PI / 4) * (CRACKED_BLEEDER.mm / 1000) ** 2;
  const square = DENSITY_KGM3 / (2 * orificeM2 * orificeM2);
  // square·Q² + resistance·Q − pressure = 0, in the form that keeps its digits when one term is small.
  return (
    (1e6 * 2 * pressurePa) /
    (resistance + Math.sqrt(resistance * resistance + 4 * square * pressurePa))
  );
}

/** Mean velocity of a flow in a bore, mm/s. */
export function velocityMmS(flowMlS: number, insideMm: number): number {
  return (flowMlS * 1000) / ((Math.PI * insideMm * insideMm) / 4);
}

/** Reynolds number of a flow in a bore. */
export function reynolds(flowMlS: number, insideMm: number, viscosityMm2s: number): number {
  return (velocityMmS(flowMlS, insideMm) * insideMm) / viscosityMm2s;
}
