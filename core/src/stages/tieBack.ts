import { CONTROL_TRAITS, VEHICLE_TRAITS } from '../circuit';
import type { StageHead } from './base';
import { figure, PRACTICE } from '../figure';
import { isSoft } from '../scope';
import { handsOn } from './handsOn';
import { BY_TAP, type OwnStageKind } from './kind';

/** The lever stays tied back over night. */
export interface TieBackDraft {
  readonly kind: 'tie back';
}

/** A lever stays tied back over night, minutes [C]. */
const TIED_BACK_MINUTES = 10 * 60;

export type TieBackStage = StageHead & TieBackDraft;

export const tieBack: OwnStageKind<TieBackDraft, TieBackStage> = {
  ...BY_TAP,
  kind: 'tie back',
  when: () => 'in the chain',
  opens: false,
  waiting: figure({
    label: 'Lever tied back',
    value: TIED_BACK_MINUTES,
    unit: 'min',
    rule: 'over night; a drop of the bite point tells a leak or air that moved',
    source: PRACTICE,
  }),
  drafts: ({ layout, work }) =>
    // Only a lever can be tied to the bar: a foot brake cannot.
    VEHICLE_TRAITS[layout.vehicleKind].bar &&
    layout.masters.some(
      (m) => work.masterIds.includes(m.id) && CONTROL_TRAITS[m.control].held === 'lever',
    ) &&
    (work.purpose === 'new or dry' || isSoft(work))
      ? [{ kind: 'tie back' }]
      : [],
  figures: () => ({ minutes: handsOn(2, 'hands on; it stays tied over night') }),
  title: () => 'Tie the lever back',
  words: () => ({
    steps: [
      'Measure where the lever bites.',
      'Tie it back to the bar, upright, cap on, over night.',
      'Measure the bite again in the morning.',
    ],
    why: 'Fine bubbles find their way up. A drop of the bite tells a leak, or air that moved.',
  }),
  materials: () => [],
  maySkip: () => true,
  leavesDanger: () => false,
};
