import { forcesFor, travelMm, type Curve, type Reading } from '../pedal';
import { RULER_MM } from './airLeft';

/**
 * Readings of a pedal as the model has it, by a ruler: what a practised hand
 * would put down. For practice, and to hold the way back against.
 *
 * @param airMl behind it, 0 or more
 * @param error of each reading in standard deviations of the ruler, by chance
 * @param usual preload by which the forces are chosen, N: a hand does not know this vehicle's own
 */
export function ruled(
  curve: Curve,
  airMl: number,
  error: () => number,
  { rulerMm = RULER_MM, restMm = 180, usual = curve.preloadN } = {},
): Reading[] {
  const { low, light, firm } = forcesFor('pedal', { ...curve, preloadN: usual });
  const at = (where: Reading['at'], pumped: boolean, travel: number): Reading => ({
    at: where,
    pumped,
    heightMm: restMm - travel + rulerMm * error(),
  });
  return [
    at('rest', false, 0),
    ...[false, true].flatMap((pumped) => [
      at('first resistance', pumped, travelMm(curve, 0, airMl, pumped)),
      ...[...low, light, firm].map((forceN) =>
        at({ forceN }, pumped, travelMm(curve, forceN, airMl, pumped)),
      ),
    ]),
  ];
}
