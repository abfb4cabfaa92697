import { readingWords, type At, type MeasuredWhen } from '../../control/pedal';
import { notBrakeFault } from './faults';
import { SETTLES_NOTHING, nothing, proofEvent, TAKES_BACK } from './kind';

/** One reading of a ruler at a pedal or lever; the last one of a place counts. */
export interface PedalReadHappening {
  readonly kind: 'pedal read';
  readonly masterId: string;
  readonly when: MeasuredWhen;
  readonly at: At;
  /** Of the first stroke, or after pumping. */
  readonly pumped: boolean;
  readonly heightMm: number;
}

export const pedalRead = proofEvent<PedalReadHappening>({
  kind: 'pedal read',
  voids: nothing('it is an answer'),
  opens: nothing('a height by itself says little: what the readings amount to is judged'),
  settles: SETTLES_NOTHING,
  proves: () => null,
  undo: TAKES_BACK,
  fault: ({ masterId }, { plans }) => notBrakeFault(plans, masterId),
  words: (event, { control }) =>
    `${control(event.masterId)}, ${readingWords(event)}: ${event.heightMm} mm`,
});
