import type { HaltReason } from './haltReason';
import { BRINGS_NOTHING, PROVES_NOTHING, runEvent } from './kind';

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
  fault: ({ haltId }, { find }) =>
    haltId === null || find(haltId)
      ? null
      : `There is no halt "${haltId}" that could have been mended.`,
  words: ({ where }) => `mended: ${where}`,
});
