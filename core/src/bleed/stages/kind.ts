import type { Layout } from '../../vehicle/circuit';
import type { Figure } from '../../base/figure';
import type { Timed, StageHalt, StageHead, StageInput, StagePlan, StagePreferences } from './base';
import type { Material } from './material';

/** What to do in a stage, step by step, and the reason that counts there. All of it common practice, no source. */
export interface StageWords {
  readonly steps: readonly string[];
  readonly why: string;
}

/**
 * Where a stage stands in the order of the work [C]: a part is compared before
 * old fluid is drawn off, a master is benched and joined before new fluid is
 * filled, everything else in the chain of the plan.
 */
export type StageWhen = 'before drawing' | 'before filling' | 'in the chain';

/**
 * What every kind of stage brings along, whether it opens bleeders or not.
 *
 * @typeParam D the stage before its figures are known
 * @typeParam F what it drafts besides, where something must follow it
 */
export interface StageKind<D, S, F = never> {
  /** The stages that a job asks for, in order. */
  readonly drafts: (input: StageInput) => readonly (D | F)[];
  /** What it is called, where one line must do. */
  readonly title: (layout: Layout, stage: Omit<S, keyof StageHead>) => string;
  /** What goes by without hands, minutes; null where nothing does. */
  readonly waiting: Figure | null;
  /** What must be at hand for it. */
  readonly materials: (plan: Pick<StagePlan, 'layout' | 'preferences'>, stage: S) => Material[];
}

/** What a saying does: whether it touches the vehicle, the sentence where it cannot belong here, and what it stops the run for. */
export interface SayingRule<S, E, A = E> {
  /** What was touched is proved anew; what is only read and written down is not. */
  readonly touches: boolean;
  readonly fault: (plan: StagePlan, stage: S, event: E) => string | null;
  /** @param said everything that was said in the stage, this last */
  readonly halts: (
    plan: StagePlan,
    stage: S,
    event: E,
    said: readonly Timed<A>[],
  ) => StageHalt | null;
}

/**
 * A kind of stage that opens no bleeder, with all that belongs to it. Each
 * stands in a file of its own; a kind without a part does not compile.
 *
 * @typeParam E what is said in it; never where a tap is enough
 */
export interface OwnStageKind<
  D extends { readonly kind: string },
  S extends D & StageHead,
  E extends { readonly kind: string } = never,
  F = never,
> extends StageKind<D, S, F> {
  readonly kind: D['kind'];
  /** Where it stands in the order of the work. */
  readonly when: (preferences: StagePreferences) => StageWhen;
  /** Whether being through with it opens the system, as a bleeder does. */
  readonly opens: boolean;
  /** Hands-on minutes and what it brings besides. */
  readonly figures: (
    layout: Layout,
    draft: D,
    preferences: StagePreferences,
  ) => Omit<S, keyof D | 'id'>;
  readonly words: (plan: StagePlan, stage: S) => StageWords;
  /** Whether it may be left out by a recorded decision. */
  readonly maySkip: (stage: S) => boolean;
  /** Whether danger may stay behind where it was left out: then the vehicle is not released. */
  readonly leavesDanger: (plan: StagePlan, stage: S) => boolean;
  /** Why one tap is not enough here; null where it is. */
  readonly notByTap: (stage: S) => string | null;
  readonly sayings: {
    readonly [X in E['kind']]: SayingRule<S, Extract<E, { readonly kind: X }>, E>;
  };
  /** Whether what was said brings it through; a tap or a decision does so by itself. */
  readonly isThrough: (plan: StagePlan, stage: S, said: readonly Timed<E>[]) => boolean;
  /** What somebody says next who does just what is called for; null where that is a tap. */
  readonly usual: (plan: StagePlan, stage: S, said: readonly Timed<E>[]) => E | null;
  /** Whether some of it was only practised: nothing was done on this vehicle. */
  readonly practised: (said: readonly Timed<E>[]) => boolean;
  /** Its lines in the record. */
  readonly recordLines: (plan: StagePlan, stage: S, said: readonly Timed<E>[]) => readonly string[];
}

/** What a kind says that is through by a tap: nothing. */
export const BY_TAP = {
  notByTap: () => null,
  sayings: {},
  isThrough: () => false,
  usual: () => null,
  practised: () => false,
  recordLines: () => [],
} as const;
