import { heldOf } from '../../vehicle/circuit';
import type { StageHead } from './base';
import { slavePasses, slaveTests, type SlaveReading, type SlaveTest } from '../../control/clutch';
import { handsOn } from './handsOn';
import type { OwnStageKind, StageWords } from './kind';

/** What proves a clutch. */
export interface SlaveTestDraft extends SlaveTest {
  readonly kind: 'slave test';
}

/** What proved a clutch, or did not: that halts the run. */
export interface SlaveTested extends SlaveReading {
  readonly kind: 'slave tested';
  readonly stageId: string;
}

const TITLES: Readonly<Record<SlaveTest['way'], string>> = {
  blocked: 'Prove the clutch: slave blocked',
  travel: 'Prove the clutch: travel of the slave',
  'take-up': 'Prove the clutch: take-up and reverse',
};

const titleOf = ({ way, noReverse }: SlaveTest): string =>
  way === 'take-up' && noReverse ? 'Prove the clutch: take-up' : TITLES[way];

/** What to do; the reverse gear only where the vehicle has one. */
const wordsOf = ({ way, noReverse }: SlaveTest, held: string): StageWords => {
  const { steps, reverse, why } = WORDS[way];
  return {
    steps: (noReverse ? steps : [...steps, ...reverse]).map((s) => s.replace('{held}', held)),
    why,
  };
};

const WORDS: Readonly<
  Record<SlaveTest['way'], StageWords & { readonly reverse: readonly string[] }>
> = {
  blocked: {
    reverse: [],
    steps: [
      'Hold the piston of the slave at its flange or collar; nothing touches its bore.',
      'Push the master as far as it goes and measure the travel of its rod.',
      'Under 3.2 mm (1/8 in) it is bled.',
    ],
    why: 'Fluid does not give, air does. Never block a piston that can only be held in its bore.',
  },
  travel: {
    steps: [
      'Somebody works the {held} fully, slowly.',
      'Measure how far the rod of the slave moves.',
    ],
    reverse: ['In neutral, parking brake on. Reverse goes in without grating.'],
    why: 'This piston cannot be held without harm to its bore; its travel in place tells.',
  },
  'take-up': {
    steps: ['Measure the height at which it takes up.'],
    reverse: [
      'Engine running, parking brake on, {held} held in: wait ten seconds, then reverse. It goes in without grating.',
      'The height counts for next time; reverse is what proves it today.',
    ],
    why: 'The slave sits inside the gearbox and cannot be seen or held.',
  },
};

const MEASURED: Readonly<Record<SlaveTest['way'], string>> = {
  blocked: 'rod travel',
  travel: 'slave travel',
  'take-up': 'takes up at',
};

/** A height of take-up for a made-up log, mm above the floor [M]. */
const USUAL_TAKE_UP_MM = 60;

export type SlaveTestStage = StageHead & SlaveTestDraft;

export const slaveTest: OwnStageKind<SlaveTestDraft, SlaveTestStage, SlaveTested> = {
  kind: 'slave test',
  when: () => 'in the chain',
  opens: false,
  waiting: null,
  // Fluid that is only renewed lets no air in; everything else is proved.
  drafts: ({ layout, work, open }) =>
    work.purpose === 'routine flush'
      ? []
      : slaveTests(layout, open).map((test) => ({ kind: 'slave test', ...test })),
  figures: () => ({ minutes: handsOn(5, 'one push, one measurement') }),
  title: (_, stage) => titleOf(stage),
  words: ({ layout }, stage) =>
    wordsOf(stage, heldOf({ masters: layout.masters.filter((m) => m.system === 'clutch') }).word),
  materials: () => [],
  maySkip: () => true,
  leavesDanger: () => true,
  notByTap: () => 'A clutch is proved by what is measured; record the reading.',
  sayings: {
    'slave tested': {
      touches: true,
      fault: () => null,
      halts: (_, stage, event) => (slavePasses(stage, event) ? null : 'pedal not right'),
    },
  },
  isThrough: (_, stage, said) => said.some((event) => slavePasses(stage, event)),
  usual: (_, { id, way, limitMm, noReverse }) => ({
    kind: 'slave tested',
    stageId: id,
    mm: way === 'blocked' ? limitMm!.value / 2 : (limitMm?.value ?? USUAL_TAKE_UP_MM),
    reverse: way === 'blocked' || noReverse ? null : 'clean',
  }),
  practised: () => false,
  recordLines: (plan, stage, said) =>
    said.map((e) => {
      const reverse = e.reverse ? `, reverse ${e.reverse}` : '';
      const passes = slavePasses(stage, e) ? 'passes' : 'does not pass';
      return `${titleOf(stage)}: ${MEASURED[stage.way]} ${e.mm} mm${reverse}, ${passes}.`;
    }),
};
