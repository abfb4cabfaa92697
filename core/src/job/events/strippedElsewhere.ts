import { BRINGS_NOTHING, PROVES_NOTHING, nothing, vehicleEvent } from './kind';

/** All rubber that a wrong fluid may have reached was renewed by a named workshop, flushed after it, by its paper. */
export interface StrippedElsewhereHappening {
  readonly kind: 'stripped elsewhere';
  readonly workshop: string;
  readonly date: string;
  readonly paper: string;
}

export const strippedElsewhere = vehicleEvent<StrippedElsewhereHappening>({
  kind: 'stripped elsewhere',
  voids: nothing('it is of the vehicle, and of no job'),
  opens: BRINGS_NOTHING,
  settles: ['wrong fluid', 'product not known'],
  proves: PROVES_NOTHING,
});
