import { inUnits, METRIC, numberIn, unitIn, type UnitChoice } from '../units';
import type { Figure } from './figure';

const DECIMALS: Partial<Record<Figure['unit'], number>> = {
  m: 1,
  'mm²': 0,
  'mm²/s': 1,
  'mm/s': 1,
  'mL/s': 2,
  MPa: 2,
  'N·m': 1,
  turns: 1,
  'mL/MPa': 2,
  'mL/h': 2,
  '%': 1,
  min: 0,
  '°C': 0,
  ratio: 2,
  pH: 1,
};

/** From here a volume is said in litres: nobody pictures 13,659 mL. */
const LITRES_FROM_ML = 10_000;

/**
 * Number and unit as a technician reads them. Volumes under 20 mL keep one
 * decimal, because a stroke is a few millilitres; from ten litres they are said
 * in litres. Lengths under 50 mm keep one too, where they are not whole, because
 * bores and limits are told apart by tenths.
 *
 * @param units those that the reader chose; what they read is made of the number that is shown in metric
 * @example figureText of 201.4 mL is "201 mL"; of 5.24 m is "5.2 m"; of 39 strokes is "39 strokes"
 */
export function figureText(
  of: Pick<Figure, 'value' | 'unit' | 'isDifference'>,
  units: UnitChoice = METRIC,
): string {
  if (of.unit === 'mL' && Math.abs(of.value) >= LITRES_FROM_ML)
    return figureText({ value: of.value / 1000, unit: 'L' }, units);
  const number = figureNumber(of);
  if (of.isDifference) return `${numberIn(number, of.unit, units, true)} ${unitIn(of.unit, units)}`;
  const metric = `${number}${of.unit === 'ratio' || of.unit === 'pH' ? '' : ` ${of.unit}`}`;
  return inUnits(metric, units);
}

function figureNumber({ value, unit }: Pick<Figure, 'value' | 'unit'>): string {
  if (value < 0) {
    const size = figureNumber({ value: -value, unit });
    // What rounds to nothing has no sign.
    return Number(size) === 0 ? size : `−${size}`;
  }
  if (unit === 'mL') {
    const text = value.toFixed(value < 20 && !Number.isInteger(value) ? 1 : 0);
    return Number(text) === 0 ? '0' : text;
  }
  if (unit === 'L') return value.toFixed(value < 10 ? 2 : 1);
  if (unit === 'mm') return String(Number(value.toFixed(value < 50 ? 1 : 0)));
  return value.toFixed(DECIMALS[unit] ?? 0);
}
