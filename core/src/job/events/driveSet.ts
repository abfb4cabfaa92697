import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, nothing, deskEvent } from './kind';

/** "Test drive only" was set. */
export interface DriveSetHappening {
  readonly kind: 'drive set';
}

export const driveSet = deskEvent<DriveSetHappening>({
  kind: 'drive set',
  voids: nothing('it is said at the desk, and touches no part'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  keeps: 'drive',
});
