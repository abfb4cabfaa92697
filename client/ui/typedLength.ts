import { convertLength, inRange, rangeWords, type Range } from '@brook/core/base/units';
import { typedNumber } from './typedNumber';

/** A number, with a fraction behind it where it is of inches, and its unit. */
const LENGTH = /^(.*?)\s*(mm|cm|in|inch|inches|["”″])?$/i;
const FRACTION = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/;

/**
 * A length as a person types it, in mm; the usual unit where none stands behind it.
 *
 * @example typedLengthMm('4 3/8 in') is 111.125, typedLengthMm('111') is 111
 * @returns NaN for nothing typed, and for what is no length
 */
export function typedLengthMm(text: string, usual: 'mm' | 'in' = 'mm'): number {
  const [, number = '', unit = usual] = LENGTH.exec(text.trim()) ?? [];
  const said = unit.toLowerCase();
  if (said === 'mm') return typedNumber(number);
  if (said === 'cm') return typedNumber(number) * 10;
  return convertLength(inches(number), 'in', 'mm');
}

function inches(number: string): number {
  const [, whole = '0', over, under] = FRACTION.exec(number.trim()) ?? [];
  if (over === undefined) return typedNumber(number);
  return Number(under) === 0 ? NaN : Number(whole) + Number(over) / Number(under);
}

/** What would be right in a field of a length; null where it is, or is left out. */
export const lengthFault = (text: string, range: Range): string | null =>
  text.trim() === '' || inRange(range, typedLengthMm(text))
    ? null
    : `Give ${rangeWords(range)}, or inches with “in” behind it.`;

/**
 * A length in the other unit, to be read beside it.
 *
 * @example inBothUnits(111) is "111 mm, 4.37 in"
 */
export const inBothUnits = (mm: number): string =>
  `${plain(mm, 1)} mm, ${plain(convertLength(mm, 'mm', 'in'), 2)} in`;

const plain = (value: number, digits: number): string => String(Number(value.toFixed(digits)));
