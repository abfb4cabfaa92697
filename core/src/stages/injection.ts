import { heldOf } from '../circuit';
import type { StageHead } from './base';
import { handsOn } from './handsOn';
import { BY_TAP, type OwnStageKind } from './kind';

/** A few millilitres at the port of the master, against an air lock. */
export interface InjectionDraft {
  readonly kind: 'injection';
}

export type InjectionStage = StageHead & InjectionDraft;

export const injection: OwnStageKind<InjectionDraft, InjectionStage> = {
  ...BY_TAP,
  kind: 'injection',
  when: () => 'in the chain',
  opens: false,
  waiting: null,
  drafts: ({ method }) => (method === 'injection' ? [{ kind: 'injection' }] : []),
  figures: () => ({ minutes: handsOn(5, 'a few millilitres, then a look at the level') }),
  title: () => 'Inject fluid at the master’s port',
  words: ({ layout }) => ({
    steps: [
      `Cap off, ${heldOf(layout).word} at rest.`,
      'A few millilitres at the port, slowly, until the level moves.',
      'A few slow strokes: the level falls when the master takes fluid.',
    ],
    why: 'An air lock at the port takes no stroke; a push of fluid breaks it.',
  }),
  materials: () => [{ kind: 'kit', what: 'Small tipped bulb', for: 'the master’s port' }],
  maySkip: () => false,
  leavesDanger: () => true,
};
