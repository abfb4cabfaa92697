/** What can be said of the air in one circuit's worth of pedal. */
export interface AirLeft {
  /** At the pressure of the air round it, mL; below 0 where the readings ask for less than none. */
  readonly ml: number;
  /** Standard deviation of that, mL. */
  readonly sdMl: number;
  /** Half width of the band that holds it 19 times of 20, mL. */
  readonly plusMinusMl: number;
  /** Whether the readings tell it from none at all. */
  readonly found: boolean;
}

/** A band of 95 % of a normal distribution, in standard deviations. */
export const BAND_95 = 1.96;

/** The air by its best estimate and how sure that is, mL. */
export function airOf(ml: number, sdMl: number): AirLeft {
  const plusMinusMl = BAND_95 * sdMl;
  return { ml, sdMl, plusMinusMl, found: ml > plusMinusMl };
}

/**
 * The answer in words.
 *
 * @example airWords is "about 0.8 mL, give or take 0.3", or "none found, less than 0.3 mL"
 */
export function airWords({ ml, plusMinusMl, found }: AirLeft): string {
  const said = (value: number) => value.toFixed(1);
  return found
    ? `about ${said(ml)} mL, give or take ${said(Math.max(0.1, plusMinusMl))}`
    : `none found, less than ${said(mayHideMl({ ml, plusMinusMl }))} mL`;
}

/** The most that may hide where none was found, mL: where the band ends, not below a tenth. */
export const mayHideMl = ({ ml, plusMinusMl }: Pick<AirLeft, 'ml' | 'plusMinusMl'>): number =>
  Math.max(0.1, Math.max(0, ml) + plusMinusMl);
