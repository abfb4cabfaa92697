import { halt, opened } from '../standing';
import type { MasterChanged } from '../../bleed/scope';
import { BRINGS_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';

/** What is said of a master once its lines are joined. */
export type MasterJoined = Pick<
  MasterChanged,
  'linesStayedFull' | 'nothingElseOpened' | 'modulatorLostNothing' | 'heldDown' | 'bench'
>;

/** A master that was still to be changed is joined, and how that went. What was not kept halts the run. */
export interface MasterFittedHappening extends MasterJoined {
  readonly kind: 'master fitted';
  readonly masterId: string;
}

export const masterFitted = runEvent<MasterFittedHappening>({
  kind: 'master fitted',
  voids: 'all',
  opens: BRINGS_NOTHING,
  settles: ['part off'],
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  // What the plan was made for and was not kept halts it.
  fold: (before, { id: eventId, atMs, masterId, ...how }) => {
    const run = opened(before, atMs);
    const next = { ...run, fitted: [...run.fitted, masterId] };
    const kept =
      how.linesStayedFull &&
      how.nothingElseOpened &&
      how.modulatorLostNothing &&
      how.heldDown &&
      how.bench === 'clean';
    return kept ? next : halt(next, { eventId, reason: 'not as planned' });
  },
  fault: ({ masterId }, { plans }) =>
    plans.some((p) => p.work.master?.masterId === masterId)
      ? null
      : `No plan of this job changes a master "${masterId}".`,
  words: () => 'a master joined',
});
