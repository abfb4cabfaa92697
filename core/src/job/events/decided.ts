import { emptiesOf } from '../../fluid/inside';
import {
  decidedOn,
  freshBleeder,
  levelsAtFirst,
  openingIn,
  undecided,
  type Decision,
  type HaltReason,
  type RunStanding,
} from '../standing';
import type { Plan } from '../../bleed/plan';
import { PROVES_NOTHING, nothing, runEvent, TAKES_BACK } from './kind';

/** Decisions after which the rest is planned anew from the state reached. */
export type Onward = Exclude<Decision, 'go on' | 'end job'>;

export const isOnward = (decision: Decision): decision is Onward =>
  decision !== 'go on' && decision !== 'end job';

/** Decisions that are offered on each halt; the first is the usual one. */
export const DECISIONS_ON: Readonly<Record<HaltReason, readonly Decision[]>> = {
  'ran dry': ['plan anew', 'end job'],
  seized: ['do it last', 'go on', 'leave shut', 'end job'],
  snapped: ['plan anew', 'end job'],
  'nothing comes': ['go on', 'another method', 'leave shut', 'end job'],
  'tool stopped': ['go on', 'end job'],
  'wrong part': ['go on', 'end job'],
  'not as planned': ['plan anew', 'end job'],
  'other size': ['plan anew', 'end job'],
  'air never ends': ['go on', 'plan anew', 'end job'],
  grease: ['leave shut', 'end job'],
  'other product': ['end job'],
  leak: ['end job'],
  'pedal not right': ['plan anew', 'end job'],
};

/** What a person decides, and what follows. */
export const DECISION_WORDS: Readonly<
  Record<Decision, { readonly title: string; readonly follows: string }>
> = {
  'plan anew': {
    title: 'Plan the rest anew',
    follows: 'What must be opened is worked out again, with the fluid as it stands now.',
  },
  'another method': {
    title: 'Go on by another method',
    follows: 'The rest goes by the best of the others that can work here.',
  },
  'go on': { title: 'Fixed, go on', follows: 'The count goes on where it stood.' },
  'do it last': {
    title: 'Penetrant on it, do the others first',
    follows: 'It comes again at the end; a quarter of an hour helps more than force.',
  },
  'leave shut': {
    title: 'Leave this one, do the others',
    follows: 'The vehicle stays “do not drive”: this job cannot release it.',
  },
  'end job': {
    title: 'End the job unreleased',
    follows: 'The vehicle stays “do not drive” until a later job releases it.',
  },
};

export interface DecidedHappening {
  readonly kind: 'decided';
  readonly haltId: string;
  readonly decision: Decision;
  /** As it is stored: the plan of the rest that followed, null where the plan stayed. The phone that decides leaves it out. */
  readonly plan?: Plan | null;
}

export const decided = runEvent<DecidedHappening>({
  kind: 'decided',
  voids: nothing('what it halted for made the proof void'),
  opens: ({ decision }) =>
    decision === 'leave shut' || decision === 'end job'
      ? [{ what: 'done after close', where: null }]
      : [],
  settles: [
    'air possible',
    'bleeder left',
    'seized',
    'snapped',
    'leak',
    'control soft',
    'stop verdict',
  ],
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fold: (run, { haltId, decision, plan }) => {
    const on = undecided(run, haltId);
    // The first decision on a halt counts; another one is kept and changes nothing.
    if (!on) return run;
    const next = decidedOn(run, on, decision);
    switch (decision) {
      case 'go on':
        return next;
      case 'end job':
        return { ...next, ended: on.reason };
      case 'plan anew':
      case 'another method':
      case 'leave shut':
      case 'do it last': {
        // Where the rest cannot be planned like this, nothing is decided, however often the log is read.
        if (plan === undefined) return run;
        const bleederId = on.openingId === null ? null : openingIn(run, on.openingId)?.bleeder.id;
        const left =
          decision === 'leave shut' && bleederId
            ? { ...next, leftShut: new Map([...next.leftShut, [bleederId, on.reason]]) }
            : next;
        return plan ? takeUp(left, plan, on.reason) : left;
      }
      default:
        return decision satisfies never;
    }
  },
  fault: ({ haltId }, { find }) =>
    find(haltId) ? null : `There is no halt "${haltId}" to decide on.`,
  words: ({ decision }) => `a decision: ${decision}`,
});

/** From here on the rest goes by another plan; what was done under the one before stays beside it. */
function takeUp(run: RunStanding, plan: Plan, because: HaltReason): RunStanding {
  const { stages, bleeders } = run;
  return {
    ...run,
    plan,
    stages: {},
    bleeders: plan.openings.map((s) => freshBleeder(s.id)),
    past: [...run.past, { plan: run.plan, stages, bleeders, because }],
    prepared: run.prepared.filter((s) => !plan.preparation.includes(s)),
    // A reservoir that first comes in now begins as the plan says; the others stand where the run left them.
    levelMl: { ...levelsAtFirst(plan), ...run.levelMl },
    leastMl: { ...levelsAtFirst(plan), ...run.leastMl },
    empties: emptiesOf(plan.layout, plan.inside),
  };
}
