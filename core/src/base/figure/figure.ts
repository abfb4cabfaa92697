import type { Source } from './source';

/** Units in which core answers. One stored unit per quantity; conversion is the edge's business. */
export type Unit =
  | 'mm'
  | 'm'
  | 'mm/s'
  | 'mL/s'
  | 'N'
  | 'MPa'
  | 'N·m'
  | 'turns'
  | 'mL/MPa'
  | 'mL/h'
  | 'kPa'
  | 'mL'
  | 'L'
  | 'mm²'
  | 'mm²/s'
  | '%'
  | '°C'
  | 'hPa'
  | 'ppm'
  | 'pH'
  | 'kg'
  | 'km/h'
  | 'months'
  | 'days'
  | 'strokes'
  | 'marks'
  | 'times'
  | 'min'
  | 's'
  | 'ratio';

/**
 * A number that core worked out for a person, with everything needed to doubt it:
 * what it was computed from, by which rule, how good the source is.
 */
export interface Figure {
  /** What the number is, in the words of the trade. */
  readonly label: string;
  /** The number, in `unit`. */
  readonly value: number;
  readonly unit: Unit;
  /** The rule or formula in words. */
  readonly rule: string;
  readonly source: Source;
  /** The figures and entries that it was computed from; empty for an entry. */
  readonly from: readonly Figure[];
  /** Set where a temperature is a difference of two: its zero is none of the scale's. */
  readonly isDifference?: true;
  /** Half width of the band in which the value is believed to lie, in `unit`. */
  readonly plusMinus?: number;
}

/** What a caller gives; `from` may be left out for an entry. */
export type FigureInput = Omit<Figure, 'from'> & { readonly from?: readonly Figure[] };

/**
 * Make a figure.
 *
 * @throws RangeError when the value is not a finite number: a figure that is not one must never reach a person
 */
export function figure(input: FigureInput): Figure {
  if (!Number.isFinite(input.value)) {
    throw new RangeError(
      `${input.label} is ${input.value} ${input.unit}; a figure is a finite number`,
    );
  }
  return { from: [], ...input };
}

/** A figure that opens in a row of its own, as a part of another: copies of its parts in every figure would only be in the way. */
export const leafFigure = (of: Figure, label = of.label): Figure => ({
  ...of,
  label,
  rule: `${of.rule}; opens in its own row`,
  from: [],
});
