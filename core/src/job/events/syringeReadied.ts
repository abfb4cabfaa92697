import { atBleeder } from '../standing';
import { openingFault } from './faults';
import {
  BRINGS_NOTHING,
  SETTLES_NOTHING,
  PROVES_NOTHING,
  nothing,
  runEvent,
  TAKES_BACK,
} from './kind';

/** From below: no air left in the tube of the syringe, joined to the bleeder and tied. Only then it may be opened. */
export interface SyringeReadiedHappening {
  readonly kind: 'syringe readied';
  readonly openingId: string;
}

export const syringeReadied = runEvent<SyringeReadiedHappening>({
  kind: 'syringe readied',
  voids: nothing('the bleeder is still shut'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { openingId }) => atBleeder(run, openingId, (b) => ({ ...b, syringeReady: true })),
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ openingId }, { at }) => `the syringe joined and tied, ${at(openingId)}`,
});
