import { elementFault } from './faults';
import { BRINGS_NOTHING, PROVES_NOTHING, runEvent } from './kind';

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
  fault: ({ partId }, { plans }) => elementFault(plans, partId),
  words: () => 'a part fitted',
});
