import type { Source } from '../../base/figure';

/** Words for the result, each defined in measured terms so that two technicians say the same [M, a house rule]. */
export const PEDAL_RESULTS = [
  'firm and high',
  'firm but low',
  'springy',
  'sinks',
  'no pressure',
] as const;
export type PedalResult = (typeof PEDAL_RESULTS)[number];

export interface PedalResultWords {
  readonly means: string;
  readonly source: Source;
}

const HOUSE_RULE: Source = { kind: 'model' };

/** Definitions; the maker's limit wins. Only "firm and high" passes. */
export const PEDAL_RESULT_WORDS: Readonly<Record<PedalResult, PedalResultWords>> = {
  'firm and high': {
    means:
      'First stroke firm within half of the travel; pumped within 10 mm of it; sinks 5 mm at most in 30 s',
    source: HOUSE_RULE,
  },
  'firm but low': { means: 'Firm, but beyond half of the travel', source: HOUSE_RULE },
  springy: {
    means: 'Over 20 mm from light to firm, or pumping gains over 10 mm',
    source: HOUSE_RULE,
  },
  sinks: { means: 'Sinks over 5 mm in 30 s under a steady push', source: HOUSE_RULE },
  'no pressure': { means: 'Reaches the floor or the bar', source: HOUSE_RULE },
};

/** Whether a result passes the gate. */
export function pedalPasses(result: PedalResult): boolean {
  return result === 'firm and high';
}
