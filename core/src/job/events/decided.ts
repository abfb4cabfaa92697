import type { Plan } from '../../bleed/plan';
import type { HaltReason } from './haltReason';
import { PROVES_NOTHING, nothing, runEvent } from './kind';

/** What a person may decide on a halt. */
export const DECISIONS = [
  'plan anew',
  'another method',
  'go on',
  'do it last',
  'leave shut',
  'end job',
] as const;
export type Decision = (typeof DECISIONS)[number];

/** Decisions after which the rest is planned anew from the state reached. */
export type Onward = Exclude<Decision, 'go on' | 'end job'>;

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
  fault: ({ haltId }, { find }) =>
    find(haltId) ? null : `There is no halt "${haltId}" to decide on.`,
  words: ({ decision }) => `a decision: ${decision}`,
});
