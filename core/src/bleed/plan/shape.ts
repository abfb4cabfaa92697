import type { Layout, LayoutFault, MayBeKnown } from '../../vehicle/circuit';
import type { Figure } from '../../base/figure';
import type { Means, Method } from '../../hydraulics/flow';
import type { MethodReason, MethodRow } from '../method';
import type { Colour, Grade } from '../../fluid/verdict';
import type { Inside } from '../../fluid/inside';
import type { OrderId, OrderRefusal } from '../../hydraulics/order';
import type { PartnerAdvice, ScopeFinding, WorkDone } from '../scope';
import type { PlanStage, PlanOpening } from '../stages';
import type { ReservoirTreatment } from './reservoirTreatment';
import type { Materials } from './materials';
import type { PreparationStep } from './preparation';
import type { PlanPreferences } from './preferences';
import type { PlanWishes } from './request';

/** A reservoir as the plan uses it. */
export interface PlanReservoir extends MayBeKnown {
  readonly id: string;
  readonly name: string;
  readonly maxMl: number;
  readonly minMl: number;
  readonly airDrawnMl: number;
  readonly topUpLevelMl: Figure;
  readonly finalLevelMl: number;
}

/** What was found out about the scope, as it is stored. */
export interface PlanScope
  extends Pick<ScopeFinding, 'bleeders' | 'unmet' | 'drewAir' | 'airInModulator'> {
  readonly air: readonly string[];
  readonly advice: readonly PartnerAdvice[];
}

/** What a method was found to be; the flows in full stand with the one chosen. */
export type PlanMethod = Omit<MethodRow, 'flows'>;

/** The whole plan, a value: the same request gives the same plan. */
export interface Plan {
  /** Means one plan for the whole job: events name it. */
  readonly id: string;
  readonly rulesVersion: number;
  readonly work: WorkDone;
  readonly scope: PlanScope;
  readonly order: OrderId;
  /** Bleeders of the main stage in the order chosen, where every order may be tried; else empty. */
  readonly searchable: readonly string[];
  readonly method: Method;
  readonly methods: readonly PlanMethod[];
  readonly flows: MethodRow['flows'];
  readonly means: Means;
  readonly fillGrade: Grade;
  readonly newColour: Colour;
  readonly preferences: PlanPreferences;
  /** Plans of version 3 did not keep them. */
  readonly wishes?: PlanWishes;
  readonly layout: Layout;
  /** What is inside when it begins. */
  readonly inside: Inside;
  readonly preparation: readonly PreparationStep[];
  /** What is done about the old rest before the reservoirs are filled; null where nothing is to be done about it. */
  readonly treatment: ReservoirTreatment | null;
  readonly reservoirs: readonly PlanReservoir[];
  readonly stages: readonly PlanStage[];
  /** Every opening of every stage, in order. */
  readonly openings: readonly PlanOpening[];
  readonly totals: PlanTotals;
  readonly materials: Materials;
}

export interface PlanTotals {
  readonly bledMl: Figure;
  /** What empty ways swallow before fluid comes at their bleeders. */
  readonly filledMl: Figure;
  readonly strokes: Figure;
  /** Marks of the jar or syringe, where the flow is steady. */
  readonly marks: Figure;
  readonly topUps: Figure;
  /** Drawn off the reservoir before the first stroke. */
  readonly removedMl: Figure;
  /** Out of containers: refill, top-ups and the last fill. */
  readonly pouredMl: Figure;
  /** The same in fillings of the reservoir, which a technician sees. */
  readonly fillings: Figure;
  readonly minutes: Figure;
  readonly waitingMinutes: Figure;
  readonly oldLeftMl: Figure;
  /** Old fluid in closed pockets that no stroke reaches; 0 without a modulator. */
  readonly pocketsMl: Figure;
}

export type PlanRefusal =
  | { readonly code: 'bad layout'; readonly faults: readonly LayoutFault[] }
  | { readonly code: 'high pressure'; readonly element: string; readonly name: string }
  | { readonly code: 'nothing in hand' }
  /** Work was done, and nobody said on what. */
  | { readonly code: 'nothing named' }
  /** The method chosen, or every method, cannot work here. */
  | { readonly code: 'method'; readonly method: Method; readonly reasons: readonly MethodReason[] }
  | { readonly code: 'unknown element'; readonly element: string }
  | OrderRefusal;

export type PlanResult =
  | { readonly verdict: 'planned'; readonly plan: Plan }
  | {
      readonly verdict: 'refused';
      readonly reasons: readonly PlanRefusal[];
      readonly methods: readonly PlanMethod[];
    };
