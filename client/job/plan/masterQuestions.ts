import type { Control, Layout } from '@brook/core/vehicle/circuit';
import type { HouseRules } from '@brook/core/bleed/rules';
import type { BenchEnd, MasterChanged } from '@brook/core/bleed/scope';
import type { Answer } from './answers';

export type MasterKey = Exclude<keyof MasterChanged, 'masterId' | 'bench' | 'linesOver' | 'notYet'>;
/** What was answered to each question as it is put. */
export type MasterAnswers = { readonly [K in MasterKey]: Answer };

/** What keeps the wheels shut when a master is changed, each as one asks it: the answer that is good is named, for it is not always yes. */
export const MASTER_QUESTIONS: readonly {
  readonly key: MasterKey;
  readonly question: string;
  readonly good: 'yes' | 'no';
  /** Can be said before the work is done. */
  readonly knownBefore?: boolean;
  readonly asks: (layout: Layout) => boolean;
}[] = [
  {
    key: 'linesAboveWheels',
    question: 'Do all its lines lie above the wheels?',
    good: 'yes',
    knownBefore: true,
    asks: () => true,
  },
  {
    key: 'linesStayedFull',
    question: 'Did the lines stay full?',
    good: 'yes',
    asks: () => true,
  },
  {
    key: 'heldDown',
    question: 'Was the pedal or lever held down while the lines were joined?',
    good: 'yes',
    asks: () => true,
  },
  {
    key: 'nothingElseOpened',
    question: 'Was anything else opened or renewed?',
    good: 'no',
    asks: () => true,
  },
  {
    key: 'modulatorLostNothing',
    question: 'Did a modulator lose fluid?',
    good: 'no',
    asks: (layout) => layout.nodes.some((n) => n.kind === 'modulator'),
  },
];

const HELD_DOWN: Readonly<Record<HouseRules['joinWay'] | 'either', (control: Control) => string>> =
  {
    'reservoir full': () => 'Did fluid drip at each joint before it was nipped?',
    'held down': (control) => `Was the ${control} held down until the last line was on?`,
    either: (control) =>
      `Was the ${control} held down until the last line was on, or a drip seen at each joint?`,
  };

/** How the join is asked about: held down, or a drip seen at each joint, which is as good; either where nobody can say which way it was done. */
export const heldDownQuestion = (control: Control, way: HouseRules['joinWay'] | 'either'): string =>
  HELD_DOWN[way](control);

/** Whether a condition was kept; what nobody knows was not, what is not asked was. */
export function kept(key: MasterKey, answers: Partial<MasterAnswers>): boolean {
  const { good } = MASTER_QUESTIONS.find((q) => q.key === key)!;
  return answers[key] === undefined || answers[key] === good;
}

export const BENCH_OPTIONS: readonly {
  readonly value: BenchEnd;
  readonly label: string;
  readonly about?: string;
}[] = [
  { value: 'clean', label: 'Clean' },
  {
    value: 'a few tiny bubbles',
    label: 'A few tiny bubbles',
    about: 'Not enough where no wheel is opened',
  },
  { value: 'unknown', label: 'Nobody knows' },
];
