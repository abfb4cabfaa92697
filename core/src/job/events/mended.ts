import { decidedOn, undecided, type HaltReason } from '../standing';
import { BRINGS_NOTHING, PROVES_NOTHING, runEvent, TAKES_BACK } from './kind';

/** What a mend cures on the vehicle, so that the run goes on where it stood [C]. */
export const MENDABLE: readonly HaltReason[] = ['leak'];

/** Something that was wrong was put right: what a halt was for, or what was owed from before. */
export interface MendedHappening {
  readonly kind: 'mended';
  readonly haltId: string | null;
  readonly openItemId?: string | null;
  readonly where: string;
  readonly how: string;
}

export const mended = runEvent<MendedHappening>({
  kind: 'mended',
  voids: 'all',
  opens: BRINGS_NOTHING,
  settles: ['leak', 'look again', 'not back on', 'tightness', 'by feel'],
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  // It halts the run no longer, where a mend is a cure: the count goes on where it stood.
  fold: (run, { haltId }) => {
    const on = haltId === null ? null : undecided(run, haltId);
    return on && MENDABLE.includes(on.reason) ? decidedOn(run, on, 'go on') : run;
  },
  fault: ({ haltId }, { find }) =>
    haltId === null || find(haltId)
      ? null
      : `There is no halt "${haltId}" that could have been mended.`,
  words: ({ where }) => `mended: ${where}`,
});
