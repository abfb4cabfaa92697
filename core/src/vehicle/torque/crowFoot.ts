import { inRange, rangeWords, type Range } from '../../base/units';

/** Lengths and angles that a person may give. */
export const WRENCH_MM: Range = {
  what: 'The length of the wrench',
  unit: 'mm',
  least: 100,
  most: 1500,
};
export const EXTENSION_MM: Range = {
  what: 'The length of the adapter',
  unit: 'mm',
  least: 0,
  most: 300,
};
export const ANGLE_DEG: Range = {
  what: 'The angle of the adapter',
  unit: '°',
  least: 0,
  most: 180,
};

/**
 * What a torque wrench is set to where an adapter stands off its square, N·m:
 * `T · L/(L + E · cos α)`, textbook lever arithmetic. At a right angle the
 * setting is the torque; turned back along the wrench it is more.
 *
 * @param torqueNm wanted at the nut, above 0
 * @param wrenchMm from the middle of the grip to the square
 * @param extensionMm from the square to the nut
 * @param angleDeg between adapter and wrench: 0 straight on, 90 square, 180 turned back
 * @throws RangeError with what would be right
 */
export function crowFootSettingNm(
  torqueNm: number,
  wrenchMm: number,
  extensionMm: number,
  angleDeg: number,
): number {
  if (!(torqueNm > 0)) throw new RangeError(`The torque is ${torqueNm} N·m; give more than 0.`);
  for (const [range, value] of [
    [WRENCH_MM, wrenchMm],
    [EXTENSION_MM, extensionMm],
    [ANGLE_DEG, angleDeg],
  ] as const)
    if (!inRange(range, value))
      throw new RangeError(`${range.what} is ${value}; give ${rangeWords(range)}.`);
  const reachMm = wrenchMm + extensionMm * Math.cos((angleDeg * Math.PI) / 180);
  if (!(reachMm > 0))
    throw new RangeError('Turned back, the adapter reaches past the grip; give a longer wrench.');
  return (torqueNm * wrenchMm) / reachMm;
}
