import { partIdOf } from '../../vehicle/circuit';
import { halt, opened } from '../standing';
import { elementFault } from './faults';
import { BRINGS_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';

/** A part that was still to be done is fitted, and how that went. What was not kept halts the run. */
export interface PartFittedHappening {
  readonly kind: 'part fitted';
  readonly partId: string;
  readonly cappedAtOnce: boolean;
  readonly keptFull: boolean;
}

export const partFitted = runEvent<PartFittedHappening>({
  kind: 'part fitted',
  voids: 'all',
  opens: BRINGS_NOTHING,
  settles: ['part off'],
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  // What the plan was made for and was not kept halts it.
  fold: (before, { id: eventId, partId, cappedAtOnce, keptFull, atMs }) => {
    const run = opened(before, atMs);
    const next = { ...run, fitted: [...run.fitted, partIdOf(run.plan.layout, partId)] };
    const kept = cappedAtOnce && keptFull;
    return kept ? next : halt(next, { eventId, reason: 'not as planned' });
  },
  fault: ({ partId }, { plans }) => elementFault(plans, partId),
  words: () => 'a part fitted',
});
