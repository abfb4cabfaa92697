import { JUDGED_BY, type MeasuredWhen } from '../../control/pedal';
import { notBrakeFault } from './faults';
import { SETTLES_NOTHING, nothing, proofEvent, TAKES_BACK } from './kind';
import { heldOf } from './places';

/** How far it sank under a steady firm push, by the clock. */
export interface SinkWatchedHappening {
  readonly kind: 'sink watched';
  readonly masterId: string;
  readonly when: MeasuredWhen;
  readonly mm: number;
  readonly seconds: number;
  /** Left out: off, the servo emptied. */
  readonly engine?: 'running' | undefined;
}

export const sinkWatched = proofEvent<SinkWatchedHappening>({
  kind: 'sink watched',
  voids: nothing('it is an answer'),
  opens: ({ masterId, mm }, plans) =>
    mm > JUDGED_BY[heldOf(plans, masterId)].sinksOverMm
      ? [{ what: 'control soft', where: masterId }]
      : [],
  settles: SETTLES_NOTHING,
  proves: () => null,
  undo: TAKES_BACK,
  fault: ({ masterId }, { plans }) => notBrakeFault(plans, masterId),
  words: ({ masterId, mm, seconds, engine }, { control }) =>
    `${control(masterId)}: sank ${mm} mm in ${seconds} s${engine ? ', engine running' : ''}`,
});
