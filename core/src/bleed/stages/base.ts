import type { Layout } from '../../vehicle/circuit';
import type { Figure } from '../../base/figure';
import type { Means, Method } from '../../hydraulics/flow';
import type { MethodRow } from '../method';
import type { OrderedVisit } from '../../hydraulics/order';
import type { HouseRules } from '../rules';
import type { ScopeFinding, WorkDone } from '../scope';
import type { PlanOpening } from './opening';

/** What every stage of a plan has: an id that means one thing for the whole job, and its hands-on minutes. */
export interface StageHead {
  readonly id: string;
  readonly minutes: Figure;
}

/** A stage as its neighbours see it. */
export interface StageInPlan extends StageHead {
  readonly kind: string;
  /** The openings of a stage that opens bleeders. */
  readonly openingIds?: readonly string[];
}

/** What the stages need of the house rules of a plan. */
export interface StagePreferences extends Pick<HouseRules, 'benchFill' | 'joinWay'> {
  /** Reach, hose and cap at each bleeder, minutes [M]. */
  readonly minutesPerBleeder: number;
  /** One top-up, minutes [M]. */
  readonly minutesPerTopUp: number;
}

/** What a stage knows of the plan that it stands in. */
export interface StagePlan {
  readonly layout: Layout;
  readonly work: WorkDone;
  readonly scope: Pick<ScopeFinding, 'airInModulator'>;
  readonly preferences: StagePreferences;
  readonly stages: readonly StageInPlan[];
  /** Every opening of every stage, in order. */
  readonly openings: readonly PlanOpening[];
}

/** What the stages of a job are drafted from. */
export interface StageInput {
  readonly layout: Layout;
  readonly work: WorkDone;
  readonly means: Means;
  /** A new or dry master is primed in place instead of on the bench. */
  readonly primeInPlace: boolean;
  /** Hold after the first of two changed parts of one circuit until the pedal is proved. */
  readonly holdPoint: boolean;
  /** Whether a run is under way and only the rest of it is drafted. */
  readonly underWay: boolean;
  readonly finding: ScopeFinding;
  /** Ids of the bleeders to open. */
  readonly open: readonly string[];
  /** Method of the main stage, one that can work. */
  readonly method: Method;
  readonly ranking: readonly MethodRow[];
  /** The order chosen, for a set of bleeders. */
  readonly orderOf: (bleederIds: readonly string[], method: Method) => readonly OrderedVisit[];
}

/** Something said in a stage, as the log keeps it, with its moment, milliseconds since 1970. */
export type Timed<E> = E & { readonly atMs: number };

/** What can stop a run from within a stage that opens no bleeder. */
export type StageHalt = 'wrong part' | 'pedal not right' | 'tool stopped';
