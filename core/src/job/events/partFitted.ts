import { elementFault } from './faults';
import { runEvent } from './kind';

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
  fault: ({ partId }, { plans }) => elementFault(plans, partId),
  words: () => 'a part fitted',
});
