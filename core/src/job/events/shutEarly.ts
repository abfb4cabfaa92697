import { atBleeder } from '../standing';
import { openingFault } from './faults';
import { SETTLES_NOTHING, PROVES_NOTHING, nothing, runEvent, TAKES_BACK } from './kind';
import { airBehind } from './places';

/** It was shut before it was done, and why: what it lacks stays as an open item. */
export interface ShutEarlyHappening {
  readonly kind: 'shut early';
  readonly openingId: string;
  readonly reason: string;
}

export const shutEarly = runEvent<ShutEarlyHappening>({
  kind: 'shut early',
  voids: nothing('shutting it has said so already'),
  opens: ({ openingId }, plans) => airBehind(plans, openingId),
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { openingId, reason }) => atBleeder(run, openingId, (b) => ({ ...b, early: reason })),
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ openingId, reason }, { at }) => `shut early, ${at(openingId)}: ${reason}`,
});
