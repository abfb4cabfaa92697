import { ENTRY, figure, MODEL, type Figure } from '../../base/figure';
import type { UptakeFit } from './fitUptake';
import { monthsUntilPercent, SATURATION_PERCENT } from './uptake';

/** Beyond this nobody is told a date. */
const LONGEST_MONTHS = 120;
/** Nine in ten lie within this many standard deviations of a normal. */
const NINE_IN_TEN = 1.6449;

export type Forecast =
  | {
      readonly kind: 'in months';
      readonly months: Figure;
      readonly earliestMonths: number;
      readonly latestMonths: number | null;
    }
  | { readonly kind: 'not within ten years' };

/**
 * When the water reaches a limit, months since the change, with the band in
 * which nine in ten would lie by the fit.
 *
 * @param limitPercent % by mass, above 0
 */
export function forecastMonths(fit: UptakeFit, limitPercent: number): Forecast {
  const at = (sds: number) =>
    monthsUntilPercent(limitPercent, fit.climate, fit.tauMonths * Math.exp(sds * fit.lnTauSd));
  const months = at(0);
  const earliest = at(-NINE_IN_TEN);
  if (months === null || earliest === null || months > LONGEST_MONTHS)
    return { kind: 'not within ten years' };
  const latest = at(NINE_IN_TEN)!;
  return {
    kind: 'in months',
    months: figure({
      label: `Until ${limitPercent} % water`,
      value: months,
      unit: 'months',
      source: MODEL,
      rule:
        fit.measurements === 0
          ? 'uptake by climate alone; nothing was measured on this vehicle'
          : `uptake fitted to ${fit.measurements === 1 ? 'the one measured visit' : `${fit.measurements} measured visits`} of this vehicle, each counted from the change before it; saturation assumed by climate`,
      from: [
        figure({
          label: 'Water at saturation',
          value: SATURATION_PERCENT[fit.climate],
          unit: '%',
          rule: `assumed for a ${fit.climate} climate`,
          source: MODEL,
        }),
        figure({
          label: 'Time constant',
          value: fit.tauMonths,
          unit: 'months',
          rule: fit.measurements === 0 ? 'temperate air brings 3 % in two years' : 'fitted',
          source: MODEL,
        }),
        figure({
          label: 'Limit',
          value: limitPercent,
          unit: '%',
          rule: 'asked for',
          source: ENTRY,
        }),
      ],
      plusMinus: (latest - earliest) / 2,
    }),
    earliestMonths: earliest,
    latestMonths: latest > LONGEST_MONTHS ? null : latest,
  };
}
