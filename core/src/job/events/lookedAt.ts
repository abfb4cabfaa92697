import { BRINGS_NOTHING, PROVES_NOTHING, nothing, vehicleEvent } from './kind';

/** A named person looked at what a mark by hand was for, or whether a job that was moved away was of this vehicle, and says what they saw. */
export interface LookedAtHappening {
  readonly kind: 'looked at';
  readonly openItemId: string;
  readonly saw: string;
}

export const lookedAt = vehicleEvent<LookedAtHappening>({
  kind: 'looked at',
  voids: nothing('it is only seen'),
  opens: BRINGS_NOTHING,
  settles: ['marked'],
  proves: PROVES_NOTHING,
});
