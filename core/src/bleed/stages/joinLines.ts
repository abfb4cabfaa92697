import type { StageHead } from './base';
import { nameOf } from '../scope';
import { handsOn } from './handsOn';
import { joiningSteps, linesOf } from './joining';
import { BY_TAP, type OwnStageKind } from './kind';

/** The lines of a master move to the new one. */
export interface JoinLinesDraft {
  readonly kind: 'join lines';
  readonly masterId: string;
}

export type JoinLinesStage = StageHead & JoinLinesDraft;

export const joinLines: OwnStageKind<JoinLinesDraft, JoinLinesStage> = {
  ...BY_TAP,
  kind: 'join lines',
  // With the reservoir full the fluid must be in before the first joint.
  when: ({ joinWay }) => (joinWay === 'reservoir full' ? 'in the chain' : 'before filling'),
  // Lines that come off open the system as a bleeder does.
  opens: true,
  waiting: null,
  drafts: ({ work, underWay }) =>
    !underWay && work.purpose === 'after work' && work.master && work.master.notYet !== false
      ? [{ kind: 'join lines', masterId: work.master.masterId }]
      : [],
  figures: () => ({ minutes: handsOn(15, 'each line off, capped and on again') }),
  title: (layout, { masterId }) => `Join the lines to ${nameOf(layout, masterId)}`,
  words: ({ layout, work, preferences }, { masterId }) => ({
    steps: joiningSteps(layout, masterId, work.master?.linesOver ?? [], preferences.joinWay),
    why: 'An open port or line end takes in dirt and air, and drains what hangs above it.',
  }),
  materials: ({ layout }, { masterId }) =>
    linesOf(layout, masterId).map((l) => ({
      kind: 'cap',
      what: 'Cap for the line, plug for its port',
      for: l.name,
    })),
  maySkip: () => false,
  leavesDanger: () => true,
};
