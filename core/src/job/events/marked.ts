import { SETTLES_NOTHING, PROVES_NOTHING, nothing, vehicleEvent } from './kind';

/** Marked by hand, as in the yard: it must not be driven. */
export interface MarkedHappening {
  readonly kind: 'marked';
  readonly reason: string;
}

export const marked = vehicleEvent<MarkedHappening>({
  kind: 'marked',
  voids: nothing('it is of the vehicle, and of no job'),
  opens: () => [{ what: 'marked', where: null }],
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
});
