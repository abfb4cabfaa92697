import { openingFault } from './faults';
import { nothing, runEvent } from './kind';

/** It was shut before it was done, and why: what it lacks stays as an open item. */
export interface ShutEarlyHappening {
  readonly kind: 'shut early';
  readonly openingId: string;
  readonly reason: string;
}

export const shutEarly = runEvent<ShutEarlyHappening>({
  kind: 'shut early',
  voids: nothing('shutting it has said so already'),
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ openingId, reason }, { at }) => `shut early, ${at(openingId)}: ${reason}`,
});
