import { sizeFault, type HowKnown } from '../../vehicle/circuit';
import {
  BRINGS_NOTHING,
  SETTLES_NOTHING,
  PROVES_NOTHING,
  nothing,
  runEvent,
  TAKES_BACK,
} from './kind';

/** A size as it was found on this vehicle, in the unit of that size. */
export interface SizeFoundHappening {
  readonly kind: 'size found';
  readonly elementId: string;
  readonly size: string;
  readonly value: number | string;
  readonly how?: HowKnown | undefined;
}

export const sizeFound = runEvent<SizeFoundHappening>({
  kind: 'size found',
  voids: nothing('it was so all along'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run) => run,
  fault: (event, { plans }) => sizeFault(plans[0]!.layout, event),
  words: ({ value }) => `a size found: ${value}`,
});
