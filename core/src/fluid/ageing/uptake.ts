/** How damp the air is that a vehicle lives in. */
export const CLIMATES = ['dry', 'temperate', 'humid'] as const;
export type Climate = (typeof CLIMATES)[number];

/** Water that a glycol fluid ends at, % by mass [M]. */
export const SATURATION_PERCENT: Readonly<Record<Climate, number>> = {
  dry: 3.5,
  temperate: 5,
  humid: 7,
};

/** Time constant of the uptake, months: temperate air brings 3 % in 24 months [C for the pair, M for the law]. */
export const TIME_CONSTANT_MONTHS = -24 / Math.log(1 - 3 / SATURATION_PERCENT.temperate);

/**
 * Water taken up since the change, % by mass: w_sat·(1 − e^(−t/τ)), dry at the start [M].
 *
 * @param months 0 or more
 * @throws RangeError when months is negative or the time constant not above 0
 * @example temperate, after 24 months: 3 %
 */
export function waterAfterPercent(
  months: number,
  climate: Climate,
  tauMonths = TIME_CONSTANT_MONTHS,
): number {
  check(months, tauMonths);
  return SATURATION_PERCENT[climate] * (1 - Math.exp(-months / tauMonths));
}

/**
 * Months until the water reaches a value: −τ·ln(1 − w/w_sat); null when it never does.
 *
 * @param waterPercent 0 or more
 */
export function monthsUntilPercent(
  waterPercent: number,
  climate: Climate,
  tauMonths = TIME_CONSTANT_MONTHS,
): number | null {
  check(waterPercent, tauMonths);
  const share = waterPercent / SATURATION_PERCENT[climate];
  return share < 1 ? -tauMonths * Math.log(1 - share) : null;
}

function check(value: number, tauMonths: number): void {
  if (!(value >= 0)) throw new RangeError(`${value} is negative; give 0 or more`);
  if (!(tauMonths > 0)) throw new RangeError(`tauMonths is ${tauMonths}; give a value above 0`);
}
