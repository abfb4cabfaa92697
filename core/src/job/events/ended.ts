import { SETTLES_NOTHING, PROVES_NOTHING, nothing, deskEvent } from './kind';

/** Ended unreleased; on a stop the vehicle must not be driven even if nothing was opened. */
export interface EndedHappening {
  readonly kind: 'ended';
  readonly reason: string;
  readonly stop: boolean;
}

export const ended = deskEvent<EndedHappening>({
  kind: 'ended',
  voids: nothing('it is said at the desk, and touches no part'),
  opens: ({ stop }) => (stop ? [{ what: 'stop verdict', where: null }] : []),
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  keeps: 'ended',
});
