import type { PedalResult } from '../../control/pedal';
import { masterFault } from './faults';
import { nothing, proofEvent } from './kind';

/** The result at one control, named by its master; null where an old record did not say which. */
export interface PedalJudgedHappening {
  readonly kind: 'pedal judged';
  readonly masterId: string | null;
  readonly result: PedalResult;
}

export const pedalJudged = proofEvent<PedalJudgedHappening>({
  kind: 'pedal judged',
  voids: nothing('it is an answer'),
  fault: ({ masterId }, { plans }) => (masterId === null ? null : masterFault(plans, masterId)),
  words: ({ masterId, result }, { control }) => `${control(masterId)}: ${result}`,
});
