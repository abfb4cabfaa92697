import { PROVES_NOTHING, nothing, vehicleEvent } from './kind';

/** A tool cycle that another workshop did, by its paper; and whether that names the bleed after it. */
export interface CycleElsewhereHappening {
  readonly kind: 'cycle elsewhere';
  readonly workshop: string;
  readonly date: string;
  readonly paper: string;
  readonly bledAfter: boolean;
}

export const cycleElsewhere = vehicleEvent<CycleElsewhereHappening>({
  kind: 'cycle elsewhere',
  voids: nothing('it is of the vehicle, and of no job'),
  opens: ({ bledAfter }) => (bledAfter ? [] : [{ what: 'base bleed owed', where: null }]),
  settles: ['tool cycle owed'],
  proves: PROVES_NOTHING,
});
