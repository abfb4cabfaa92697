import { nothing, deskEvent } from './kind';

/** "Test drive only" was set. */
export interface DriveSetHappening {
  readonly kind: 'drive set';
}

export const driveSet = deskEvent<DriveSetHappening>({
  kind: 'drive set',
  voids: nothing('it is said at the desk, and touches no part'),
});
