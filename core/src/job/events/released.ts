import { nothing, deskEvent } from './kind';

export interface ReleasedHappening {
  readonly kind: 'released';
}

export const released = deskEvent<ReleasedHappening>({
  kind: 'released',
  voids: nothing('it is said at the desk, and touches no part'),
});
