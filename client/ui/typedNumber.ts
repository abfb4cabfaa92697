/**
 * A number as a person types it: spaces around it do not count, a comma is a
 * decimal point. Nothing typed, and what is no number, is NaN.
 *
 * @example typedNumber(' 2,5 ') is 2.5
 */
export function typedNumber(text: string): number {
  const trimmed = text.trim();
  return trimmed === '' ? NaN : Number(trimmed.replace(',', '.'));
}
