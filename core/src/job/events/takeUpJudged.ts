import type { TakeUp } from '../../control/clutch';
import { takeUpPasses } from '../items';
import { masterFault } from './faults';
import { SETTLES_NOTHING, nothing, proofEvent, TAKES_BACK } from './kind';

/** Where a clutch takes up, in words. */
export interface TakeUpJudgedHappening {
  readonly kind: 'take-up judged';
  readonly masterId: string;
  readonly takeUp: TakeUp;
}

export const takeUpJudged = proofEvent<TakeUpJudgedHappening>({
  kind: 'take-up judged',
  voids: nothing('it is an answer'),
  opens: ({ masterId, takeUp }) =>
    takeUpPasses(takeUp) ? [] : [{ what: 'control soft', where: masterId }],
  settles: SETTLES_NOTHING,
  proves: ({ masterId, takeUp }) => ({ masterId, item: 'result', value: takeUp }),
  undo: TAKES_BACK,
  fault: ({ masterId }, { plans }) => masterFault(plans, masterId),
  words: ({ masterId, takeUp }, { control }) => `${control(masterId)} takes up: ${takeUp}`,
});
