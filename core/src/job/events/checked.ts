import { lowerFirst } from '../../base/text';
import { type CheckItem, type ControlCheck, askOf } from '../items';
import { itemFault } from './faults';
import { nothing, proofEvent } from './kind';

/** One thing that was looked at on the vehicle, or tried at the control of a master. */
export interface CheckedHappening {
  readonly kind: 'checked';
  readonly item: CheckItem | ControlCheck;
  readonly masterId?: string | null;
  readonly passes: boolean;
}

export const checked = proofEvent<CheckedHappening>({
  kind: 'checked',
  voids: nothing('it is an answer'),
  fault: ({ item, masterId = null }, { plans }) => itemFault(plans, item, masterId),
  words: ({ item, passes }) => `${lowerFirst(askOf(item))}: ${passes ? 'yes' : 'no'}`,
});
