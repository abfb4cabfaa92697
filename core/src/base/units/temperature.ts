/** Units of temperature a person may choose at the edge. Stored: °C. */
export type TemperatureUnit = '°C' | '°F';

/** Convert a temperature reading (not a difference). @example convertTemperature(212, '°F', '°C') is 100 */
export function convertTemperature(
  value: number,
  from: TemperatureUnit,
  to: TemperatureUnit,
): number {
  if (from === to) return value;
  return from === '°F' ? ((value - 32) * 5) / 9 : (value * 9) / 5 + 32;
}
