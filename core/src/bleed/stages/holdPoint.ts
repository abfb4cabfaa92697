import type { StageHead } from './base';
import { nameOf } from '../scope';
import { handsOn } from './handsOn';
import { BY_TAP, type OwnStageKind } from './kind';

/** The first of two changed parts is proved before the circuit is opened for the second. */
export interface HoldPointDraft {
  readonly kind: 'hold point';
  readonly partId: string;
}

export type HoldPointStage = StageHead & HoldPointDraft;

export const holdPoint: OwnStageKind<HoldPointDraft, HoldPointStage> = {
  ...BY_TAP,
  kind: 'hold point',
  when: () => 'in the chain',
  opens: false,
  waiting: null,
  // It stands between the two bleeds of the parts that are held, which draft it.
  drafts: () => [],
  figures: () => ({
    minutes: handsOn(5, 'pedal or lever measured and judged before the next part is opened'),
  }),
  title: (layout, { partId }) => `Hold: prove the pedal before ${nameOf(layout, partId)} is opened`,
  words: ({ layout }, { partId }) => ({
    steps: [
      'Pedal or lever: firm, high, and it holds.',
      `Only then open the circuit for ${nameOf(layout, partId)}.`,
    ],
    why: 'With both open at once a fault would have two possible authors.',
  }),
  materials: () => [],
  maySkip: () => false,
  leavesDanger: () => true,
};
