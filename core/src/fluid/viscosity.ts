import type { FluidLimits } from './limits';

const KELVIN = 273.15;

/**
 * Kinematic viscosity at a temperature, mm²/s, through the standard's limits
 * at −40 and 100 °C by Walther's equation (ASTM D341):
 * lg lg(ν + 0.7) = A − B·lg T, T in kelvin.
 *
 * @param temperatureC −50 to 150 °C
 * @throws RangeError outside that range
 */
export function viscosityMm2s(limits: Pick<FluidLimits, 'viscosityAtMinus40Mm2s' | 'viscosityAt100Mm2s'>, temperatureC: number): number {
  if (!(temperatureC >= -50 && temperatureC <= 150)) throw new RangeError(`temperatureC is ${temperatureC}; give −50 to 150 °C`);
  const walther = (mm2s: number) => Math.log10(Math.log10(mm2s + 0.7));
  const cold = Math.log10(KELVIN - 40);
  const hot = Math.log10(KELVIN + 100);
  const atCold = walther(limits.viscosityAtMinus40Mm2s);
  const atHot = walther(limits.viscosityAt100Mm2s);
  const slope = (atCold - atHot) / (hot - cold);
  return 10 ** 10 ** (atHot + slope * (hot - Math.log10(KELVIN + temperatureC))) - 0.7;
}
