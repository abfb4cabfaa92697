import { figure, MODEL, type Figure } from '../../base/figure';
import { CHEMISTRY, type Grade } from './grades';
import { CLASS_LIMITS, GRADE_LIMITS, type FluidLimits, type IsoClass } from './limits';

const KELVIN = 273.15;

/** Two viscosities that fix the curve, mm²/s: a standard's limits or a data sheet. */
export type ViscosityPair = Pick<FluidLimits, 'viscosityAtMinus40Mm2s' | 'viscosityAt100Mm2s'>;

/**
 * Kinematic viscosity at a temperature, mm²/s, through the values at −40 and
 * 100 °C by Walther's equation (ASTM D341):
 * lg lg(ν + 0.7) = A − B·lg T, T in kelvin.
 *
 * @param temperatureC −50 to 150 °C
 * @throws RangeError outside that range
 */
export function viscosityMm2s(pair: ViscosityPair, temperatureC: number): number {
  if (!(temperatureC >= -50 && temperatureC <= 150))
    throw new RangeError(`temperatureC is ${temperatureC}; give −50 to 150 °C`);
  const walther = (mm2s: number) => Math.log10(Math.log10(mm2s + 0.7));
  const cold = Math.log10(KELVIN - 40);
  const hot = Math.log10(KELVIN + 100);
  const atCold = walther(pair.viscosityAtMinus40Mm2s);
  const atHot = walther(pair.viscosityAt100Mm2s);
  const slope = (atCold - atHot) / (hot - cold);
  return 10 ** (10 ** (atHot + slope * (hot - Math.log10(KELVIN + temperatureC)))) - 0.7;
}

/** A typical fluid lies inside its limits: 1300 mm²/s where 1800 are allowed, 2.1 where 1.5 are asked [M]. */
const TYPICAL = { atMinus40: 1300 / 1800, at100: 2.1 / 1.5 };

/**
 * Viscosity of a fluid in the workshop, as a figure with its band. A data sheet
 * wins; with the limits of grade or class alone a typical fluid is taken, and
 * the limits themselves are one end of the band, because they are one-sided.
 *
 * @param sheet the container's data sheet, null without
 * @returns null for silicone and mineral oil without a data sheet: their limits say nothing useful
 * @throws RangeError outside −50 to 150 °C
 */
export function fluidViscosity(
  grade: Grade,
  isoClass: IsoClass | null,
  temperatureC: number,
  sheet: ViscosityPair | null = null,
): Figure | null {
  const label = `Viscosity at ${temperatureC} °C`;
  if (sheet)
    return figure({
      label,
      value: viscosityMm2s(sheet, temperatureC),
      unit: 'mm²/s',
      rule: 'Walther’s equation (the form of ASTM D341) through the two values of the data sheet',
      source: MODEL,
    });
  if (CHEMISTRY[grade] !== 'glycol' || grade === 'mineral oil') return null;
  const limits = isoClass ? CLASS_LIMITS[isoClass] : GRADE_LIMITS[grade];
  const typical = viscosityMm2s(
    {
      viscosityAtMinus40Mm2s: limits.viscosityAtMinus40Mm2s * TYPICAL.atMinus40,
      viscosityAt100Mm2s: limits.viscosityAt100Mm2s * TYPICAL.at100,
    },
    temperatureC,
  );
  const atLimits = viscosityMm2s(limits, temperatureC);
  return figure({
    label,
    value: typical,
    unit: 'mm²/s',
    plusMinus: Math.abs(typical - atLimits),
    source: MODEL,
    rule: 'Walther’s equation (the form of ASTM D341) for a typical fluid inside its limits; made for petroleum, so a model here. A data sheet would say it better',
    from: [
      figure({
        label: `Through the limits of ${isoClass ?? grade} themselves`,
        value: atLimits,
        unit: 'mm²/s',
        rule: 'one-sided limits: a flow computed from them is too high',
        source: limits.source,
      }),
    ],
  });
}
