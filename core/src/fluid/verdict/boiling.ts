import { ENTRY, figure, MODEL, type Figure } from '../../base/figure';
import { WET_WATER_PERCENT, type FluidLimits } from './limits';

/** Boiling point towards which a glycol fluid falls as it takes up water, °C [M]. */
const FLOOR_C = 110;

/** Millimetres of mercury in one hPa: 1 mmHg is 133.322387415 Pa (conventional millimetre of mercury). */
const MMHG_PER_HPA = 100 / 133.322387415;

/** Pressure that boiling points are stated for, hPa. */
export const STANDARD_PRESSURE_HPA = 1013;

/**
 * Boiling point of a glycol fluid from its water, °C: 110 + (dry − 110)·e^(−k·w),
 * k = ln((dry − 110)/(wet − 110))/3.7. An interpolation [M] that passes exactly
 * through both limits of the standard, and an extrapolation above 3.7 %.
 *
 * @param limits of a glycol grade; dry and wet above 110 °C
 * @param waterPercent % by mass, 0 to 10
 * @throws RangeError outside that range
 * @example DOT 4 at 1.5 % is 190.6 °C
 */
export function boilingPointC(
  limits: Pick<FluidLimits, 'dryC' | 'wetC'>,
  waterPercent: number,
): number {
  if (!(waterPercent >= 0 && waterPercent <= 10))
    throw new RangeError(`waterPercent is ${waterPercent}; give 0 to 10`);
  const k = Math.log((limits.dryC - FLOOR_C) / (limits.wetC - FLOOR_C)) / WET_WATER_PERCENT;
  return FLOOR_C + (limits.dryC - FLOOR_C) * Math.exp(-k * waterPercent);
}

/**
 * Water that would bring a fluid of these limits to a boiling point, % by mass:
 * the interpolation the other way round. A fluid that boils above its dry limit counts as dry.
 *
 * @param boilingC at 1013 hPa
 * @returns 0 to 10
 */
export function waterFromBoilingPercent(
  limits: Pick<FluidLimits, 'dryC' | 'wetC'>,
  boilingC: number,
): number {
  if (boilingC <= FLOOR_C) return 10;
  const k = Math.log((limits.dryC - FLOOR_C) / (limits.wetC - FLOOR_C)) / WET_WATER_PERCENT;
  return Math.min(10, Math.max(0, Math.log((limits.dryC - FLOOR_C) / (boilingC - FLOOR_C)) / k));
}

/** The same with how it came about. */
export function boilingFigure(limits: FluidLimits, water: Figure): Figure {
  const limit = (label: string, value: number) =>
    figure({ label, value, unit: '°C', rule: 'limit of the standard', source: limits.source });
  return figure({
    label: 'Boiling point, estimated from water',
    value: boilingPointC(limits, water.value),
    unit: '°C',
    rule: `interpolated between the standard’s dry and wet boiling points, wet taken as ${WET_WATER_PERCENT} % water${water.value > WET_WATER_PERCENT ? '; above that it is an extrapolation' : ''}. A measured boiling point wins`,
    source: MODEL,
    from: [
      water,
      limit('Dry boiling point, at least', limits.dryC),
      limit('Wet boiling point, at least', limits.wetC),
    ],
  });
}

/**
 * A boiling point read at the workshop's pressure, corrected to 1013 hPa.
 * FMVSS 116 S6.1: 0.039 °C for each mmHg from 100 to 190 °C observed, 0.040 above.
 *
 * @param observedC as read, 100 to 350 °C
 * @param ambientHpa 500 to 1100 hPa
 * @throws RangeError outside those ranges
 */
export function toStandardPressureC(observedC: number, ambientHpa: number): number {
  if (!(observedC >= 100 && observedC <= 350))
    throw new RangeError(`observedC is ${observedC}; give 100 to 350 °C`);
  if (!(ambientHpa >= 500 && ambientHpa <= 1100))
    throw new RangeError(`ambientHpa is ${ambientHpa}; give 500 to 1100 hPa`);
  const perMmHg = observedC > 190 ? 0.04 : 0.039;
  return observedC + perMmHg * (STANDARD_PRESSURE_HPA - ambientHpa) * MMHG_PER_HPA;
}

/** The same with how it came about. */
export function measuredBoilingFigure(observedC: number, ambientHpa: number): Figure {
  return figure({
    label: 'Boiling point, measured',
    value: toStandardPressureC(observedC, ambientHpa),
    unit: '°C',
    rule: `as read, ${observedC > 190 ? '0.040' : '0.039'} °C for each mmHg that the air lacks to ${STANDARD_PRESSURE_HPA} hPa added`,
    source: { kind: 'standard', name: 'FMVSS 116 (49 CFR 571.116), S6.1' },
    from: [
      figure({
        label: 'As read',
        value: observedC,
        unit: '°C',
        rule: 'read off the tester',
        source: ENTRY,
      }),
      figure({
        label: 'Air pressure',
        value: ambientHpa,
        unit: 'hPa',
        rule: 'read off a barometer in the workshop, not reduced to sea level',
        source: ENTRY,
      }),
    ],
  });
}

/**
 * Pressure of the air at an altitude, hPa: the International Standard
 * Atmosphere (ISO 2533:1975) below 11 km, 1013.25·(1 − 2.25577·10⁻⁵·h)^5.25588.
 *
 * @param altitudeM −400 to 5000 m
 * @throws RangeError outside that range
 */
export function pressureAtAltitudeHpa(altitudeM: number): number {
  if (!(altitudeM >= -400 && altitudeM <= 5000))
    throw new RangeError(`altitudeM is ${altitudeM}; give −400 to 5000 m`);
  return 1013.25 * (1 - 2.25577e-5 * altitudeM) ** 5.25588;
}

/**
 * A boiling point for 1013 hPa as it is at an altitude: the correction of
 * FMVSS 116 S6.1 the other way round, in the standard atmosphere.
 *
 * @param standardC °C at 1013 hPa
 * @param altitudeM −400 to 5000 m
 */
export function atLocalPressureC(standardC: number, altitudeM: number): number {
  const lackingMmHg = (STANDARD_PRESSURE_HPA - pressureAtAltitudeHpa(altitudeM)) * MMHG_PER_HPA;
  const above = standardC - 0.04 * lackingMmHg;
  return above > 190 ? above : standardC - 0.039 * lackingMmHg;
}
