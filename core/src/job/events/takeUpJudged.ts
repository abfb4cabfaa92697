import type { TakeUp } from '../../control/clutch';
import { masterFault } from './faults';
import { nothing, proofEvent } from './kind';

/** Where a clutch takes up, in words. */
export interface TakeUpJudgedHappening {
  readonly kind: 'take-up judged';
  readonly masterId: string;
  readonly takeUp: TakeUp;
}

export const takeUpJudged = proofEvent<TakeUpJudgedHappening>({
  kind: 'take-up judged',
  voids: nothing('it is an answer'),
  fault: ({ masterId }, { plans }) => masterFault(plans, masterId),
  words: ({ masterId, takeUp }, { control }) => `${control(masterId)} takes up: ${takeUp}`,
});
