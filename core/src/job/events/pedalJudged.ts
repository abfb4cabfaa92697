import { pedalPasses, type PedalResult } from '../../control/pedal';
import { masterFault } from './faults';
import { SETTLES_NOTHING, nothing, proofEvent, TAKES_BACK } from './kind';

/** The result at one control, named by its master; null where an old record did not say which. */
export interface PedalJudgedHappening {
  readonly kind: 'pedal judged';
  readonly masterId: string | null;
  readonly result: PedalResult;
}

export const pedalJudged = proofEvent<PedalJudgedHappening>({
  kind: 'pedal judged',
  voids: nothing('it is an answer'),
  opens: ({ masterId, result }) =>
    pedalPasses(result) ? [] : [{ what: 'control soft', where: masterId }],
  settles: SETTLES_NOTHING,
  proves: ({ masterId, result }, plans) => {
    // An old one that named no master spoke of the first in hand.
    const at = masterId ?? plans[0]?.work.masterIds[0] ?? null;
    return at === null ? null : { masterId: at, item: 'result', value: result };
  },
  undo: TAKES_BACK,
  fault: ({ masterId }, { plans }) => (masterId === null ? null : masterFault(plans, masterId)),
  words: ({ masterId, result }, { control }) => `${control(masterId)}: ${result}`,
});
