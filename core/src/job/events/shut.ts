import { atBleeder, type Tightened } from '../standing';
import { openingFault } from './faults';
import { BRINGS_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';

/** Bleeder shut, hose off, cap on. */
export interface ShutHappening {
  readonly kind: 'shut';
  readonly openingId: string;
  readonly tightened: Tightened;
}

export const shut = runEvent<ShutHappening>({
  kind: 'shut',
  voids: 'all',
  opens: BRINGS_NOTHING,
  settles: [
    'air possible',
    'bleeder left',
    'seized',
    'snapped',
    'base bleed owed',
    'stop verdict',
    'old fluid',
    'wrong grade',
  ],
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { openingId, tightened }) =>
    atBleeder(run, openingId, (b) => ({
      ...b,
      shut: true,
      flow: null,
      syringeReady: false,
      tightened,
    })),
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ openingId }, { at }) => `shut, ${at(openingId)}`,
});
