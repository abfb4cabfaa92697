import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, nothing, deskEvent } from './kind';

/** How it was taken in: what the odometer read, and who is there to help; null where nobody said. */
export interface TakenInHappening {
  readonly kind: 'taken in';
  readonly odometerKm: number | null;
  readonly helper: string | null;
}

export const takenIn = deskEvent<TakenInHappening>({
  kind: 'taken in',
  voids: nothing('it is said at the desk, and touches no part'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  keeps: 'takenIn',
});
