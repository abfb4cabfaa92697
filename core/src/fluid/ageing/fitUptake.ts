import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { SATURATION_PERCENT, TIME_CONSTANT_MONTHS, type Climate } from './uptake';

/** Water measured on this vehicle since its last change. */
export interface WaterMeasurement {
  readonly months: number;
  readonly waterPercent: number;
}

/** The time constant that fits, with how sure it is: ln τ is taken as normal. */
export interface UptakeFit {
  readonly climate: Climate;
  readonly tauMonths: number;
  /** Standard deviation of ln τ. */
  readonly lnTauSd: number;
  readonly measurements: number;
}

/** Spread of a water reading, % [M]: half of what cheap meters are good for. */
const READING_SD_PERCENT = 0.3;
/** Spread of ln τ between vehicles before any of them was measured [M]: a factor of two covers five in six. */
const PRIOR_LN_SD = 0.5;
/** Where valleys are looked for before the fit, in standard deviations of ln τ from what is believed beforehand. */
const LOOKED_AT_LN_SD = Array.from({ length: 49 }, (_, i) => (i - 24) / 4);
/** Marks the row of the data that stands for what is believed beforehand. */
const PRIOR_ROW = -1;

/**
 * Fit the uptake to a vehicle's own measurements. The saturation stays as the
 * climate sets it; the time constant starts from the climate's and is drawn to
 * the measurements as far as they weigh (maximum a posteriori, by
 * Levenberg–Marquardt; band by Laplace's approximation).
 *
 * @param measurements months since the change, each above 0; water 0 to 10 %
 * @throws RangeError naming the measurement that cannot be right
 */
export function fitUptake(climate: Climate, measurements: readonly WaterMeasurement[]): UptakeFit {
  for (const m of measurements) {
    if (!(m.months > 0))
      throw new RangeError(
        `a measurement stands at ${m.months} months; give months above 0 since the change`,
      );
    if (!(m.waterPercent >= 0 && m.waterPercent <= 10))
      throw new RangeError(`a measurement is ${m.waterPercent} %; give 0 to 10 %`);
  }
  const prior = Math.log(TIME_CONSTANT_MONTHS);
  if (measurements.length === 0)
    return { climate, tauMonths: TIME_CONSTANT_MONTHS, lnTauSd: PRIOR_LN_SD, measurements: 0 };
  const saturation = SATURATION_PERCENT[climate];
  // Readings that contradict each other can make more than one valley, so it is started in each.
  const fits = valleys(saturation, measurements).map((start) =>
    levenbergMarquardt(
      {
        x: [PRIOR_ROW, ...measurements.map((m) => m.months)],
        y: [prior, ...measurements.map((m) => m.waterPercent)],
      },
      ([lnTau]: number[]) =>
        (months: number) =>
          months === PRIOR_ROW ? lnTau! : saturation * (1 - Math.exp(-months / Math.exp(lnTau!))),
      {
        initialValues: [start],
        weights: [1 / PRIOR_LN_SD, ...measurements.map(() => 1 / READING_SD_PERCENT)],
        centralDifference: true,
        gradientDifference: 1e-4,
        errorTolerance: 1e-12,
        improvementThreshold: 1e-10,
        maxIterations: 60,
      },
    ),
  );
  const lnTau = fits.reduce((best, f) => (f.parameterError < best.parameterError ? f : best))
    .parameterValues[0]!;
  const tauMonths = Math.exp(lnTau);
  const information = measurements.reduce(
    (sum, m) => {
      const slope = (-saturation * Math.exp(-m.months / tauMonths) * m.months) / tauMonths;
      return sum + (slope / READING_SD_PERCENT) ** 2;
    },
    1 / PRIOR_LN_SD ** 2,
  );
  return {
    climate,
    tauMonths,
    lnTauSd: 1 / Math.sqrt(information),
    measurements: measurements.length,
  };
}

/** The values of ln τ on a coarse grid at which the fit is better than at both neighbours. */
function valleys(saturation: number, measurements: readonly WaterMeasurement[]): number[] {
  const prior = Math.log(TIME_CONSTANT_MONTHS);
  const grid = LOOKED_AT_LN_SD.map((sds) => prior + sds * PRIOR_LN_SD);
  const costs = grid.map((lnTau) =>
    measurements.reduce(
      (sum, m) =>
        sum +
        ((m.waterPercent - saturation * (1 - Math.exp(-m.months / Math.exp(lnTau)))) /
          READING_SD_PERCENT) **
          2,
      ((lnTau - prior) / PRIOR_LN_SD) ** 2,
    ),
  );
  return grid.filter(
    (_, i) => costs[i]! <= (costs[i - 1] ?? Infinity) && costs[i]! <= (costs[i + 1] ?? Infinity),
  );
}
