import type { WorkDone } from '../../bleed/scope';
import { SETTLES_NOTHING, PROVES_NOTHING, nothing, deskEvent } from './kind';

/** Why the vehicle is here and what was done to it, as somebody said it; the last word counts. */
export interface WorkSaidHappening {
  readonly kind: 'work said';
  readonly work: WorkDone;
}

export const workSaid = deskEvent<WorkSaidHappening>({
  kind: 'work said',
  voids: nothing('it is said at the desk, and touches no part'),
  opens: nothing('what was found and what is off is read from its last word'),
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  keeps: 'said',
});
