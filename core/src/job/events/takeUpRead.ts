import { takeUpOf } from '../../control/clutch';
import { takeUpPasses } from '../items';
import { notClutchFault } from './faults';
import { SETTLES_NOTHING, nothing, proofEvent, TAKES_BACK } from './kind';

/** Where a clutch takes up, by a ruler: at a clutch, between its end and its rest. */
export interface TakeUpReadHappening {
  readonly kind: 'take-up read';
  readonly masterId: string;
  readonly restMm: number;
  readonly takeUpMm: number;
  /** After pumping; null where nobody pumped. */
  readonly pumpedMm: number | null;
  /** Free play at the top; null where nobody measured it. */
  readonly playMm: number | null;
  /** Travel of the master's rod with the slave blocked; left out where nobody tried. */
  readonly blockedMm?: number | null | undefined;
  /** Height at which the pedal's stop ends its travel; left out where nobody read it. */
  readonly endOfTravelMm?: number | null | undefined;
}

export const takeUpRead = proofEvent<TakeUpReadHappening>({
  kind: 'take-up read',
  voids: nothing('it is an answer'),
  opens: ({ masterId, restMm, takeUpMm }) =>
    takeUpPasses(takeUpOf(restMm, takeUpMm)) ? [] : [{ what: 'control soft', where: masterId }],
  settles: SETTLES_NOTHING,
  proves: () => null,
  undo: TAKES_BACK,
  fault: ({ masterId, restMm, takeUpMm, endOfTravelMm }, { plans }) => {
    const notClutch = notClutchFault(plans, masterId);
    if (notClutch) return notClutch;
    if (takeUpMm >= restMm)
      return `It takes up at ${takeUpMm} mm and rests at ${restMm} mm; it should take up lower than it rests.`;
    return (endOfTravelMm ?? 0) <= takeUpMm
      ? null
      : `Its travel ends at ${endOfTravelMm} mm and it takes up at ${takeUpMm} mm; the end of travel should lie lower.`;
  },
  words: ({ masterId, takeUpMm }, { control }) => `${control(masterId)} takes up at ${takeUpMm} mm`,
});
