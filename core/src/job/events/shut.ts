import { openingFault } from './faults';
import { BRINGS_NOTHING, PROVES_NOTHING, runEvent } from './kind';

/** How tight a bleeder was made: an honest "by feel" is never a torque. */
export type Tightened = 'by feel' | { readonly torqueNm: number };

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
  fault: ({ openingId }, { plans }) => openingFault(plans, openingId),
  words: ({ openingId }, { at }) => `shut, ${at(openingId)}`,
});
