/** What a person may give: lowest and highest, both allowed. */
export interface Range {
  readonly what: string;
  readonly unit: string;
  readonly least: number;
  readonly most: number;
  /** Whether only whole numbers are given. */
  readonly whole?: true;
}

/** Whether a value may be given; NaN may not. */
export function inRange({ least, most, whole }: Range, value: number): boolean {
  return value >= least && value <= most && (!whole || Number.isInteger(value));
}

/**
 * The range in words.
 *
 * @example rangeWords({ what: 'Temperature', unit: '°C', least: -30, most: 50 }) is "−30 to 50 °C"
 */
export function rangeWords({ least, most, unit }: Range): string {
  const said = (n: number) => n.toLocaleString('en').replace('-', '−');
  return `${said(least)} to ${said(most)}${unit ? ` ${unit}` : ''}`;
}
