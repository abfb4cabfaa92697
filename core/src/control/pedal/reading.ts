/** Where a reading was taken: untouched, where it first resists, or under a force, N. */
export type At = 'rest' | 'first resistance' | { readonly forceN: number };

/** One reading of a ruler. */
export interface Reading {
  readonly at: At;
  /** Of the first stroke, or after pumping. */
  readonly pumped: boolean;
  /** Of the pad above the floor, or of the lever's tip from the bar, mm. */
  readonly heightMm: number;
}

/** Whether two readings are of the same place. */
export const isSamePlace = (
  a: Pick<Reading, 'at' | 'pumped'>,
  b: Pick<Reading, 'at' | 'pumped'>,
): boolean =>
  a.pumped === b.pumped &&
  (typeof a.at === 'object' && typeof b.at === 'object'
    ? a.at.forceN === b.at.forceN
    : a.at === b.at);
