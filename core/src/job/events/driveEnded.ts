import type { DriveResult } from '../items';
import { PROVES_NOTHING, nothing, deskEvent } from './kind';

export interface DriveEndedHappening {
  readonly kind: 'drive ended';
  readonly result: DriveResult;
}

export const driveEnded = deskEvent<DriveEndedHappening>({
  kind: 'drive ended',
  voids: ({ result }) => (result === 'bad' ? 'all' : nothing('it went well')),
  opens: ({ result }) => (result === 'bad' ? [{ what: 'drive failed', where: null }] : []),
  settles: ['drive failed'],
  proves: PROVES_NOTHING,
  keeps: 'driveResult',
});
