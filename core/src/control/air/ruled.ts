import { forcesFor, travelMm, type Curve, type Forces, type Reading } from '../pedal';
import { RULER_MM } from './airLeft';

/**
 * Readings of a pedal as the model has it, by a ruler: what a practised hand
 * would put down. For practice, and to hold the way back against.
 *
 * @param airMl behind it, 0 or more
 * @param error of each reading in standard deviations of the ruler, by chance
 * @param forces under which it is read; those of a pedal when left out
 */
export function ruled(
  curve: Curve,
  airMl: number,
  error: () => number,
  {
    rulerMm = RULER_MM,
    restMm = 180,
    forces = forcesFor('pedal', curve),
  }: {
    readonly rulerMm?: number;
    readonly restMm?: number;
    readonly forces?: Forces;
  } = {},
): Reading[] {
  const { low, light, firm } = forces;
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
