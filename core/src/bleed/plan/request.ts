import type { Layout } from '../../vehicle/circuit';
import type { Colour, Grade, IsoClass } from '../../fluid/verdict';
import {
  USUAL_DAY,
  USUAL_MEANS,
  type Circumstances,
  type Means,
  type Method,
} from '../../hydraulics/flow';
import type { Inside } from '../../fluid/inside';
import type { OrderId, Reached } from '../../hydraulics/order';
import { partsAsOne, routineFlush, type PartnerAge, type WorkDone } from '../scope';
import { planPreferences, type PlanPreferences } from './preferences';
import type { PreparedBefore } from './preparation';
import type { StageDraft } from '../stages';

/** Where a run stands when the rest of it is planned anew. */
export interface PlanReached extends Reached, PreparedBefore {
  /** Bleeders that are left shut by decision. */
  readonly leftShut: readonly string[];
  /** What is still to do of the plan in force; null where the scope itself is found anew. */
  readonly rest: readonly StageDraft[] | null;
}

/** Id of the plan that a job begins with; a later one has the id of the decision that made it. */
export const FIRST_PLAN = 'plan';

/** What a plan is made of. Left out: a routine flush of everything with the usual means, as the workshop and the ranking would choose. */
export interface PlanRequest {
  readonly layout: Layout;
  readonly fillGrade: Grade;
  readonly isoClass?: IsoClass | null;
  /** Colour of the new fluid as seen in its container. */
  readonly newColour: Colour;
  readonly work?: WorkDone;
  readonly means?: Means;
  readonly circumstances?: Omit<Circumstances, 'preferred'>;
  /** The technician's choice; the best of the ranking when left out. */
  readonly method?: Method | null;
  /** The technician's choice; the maker's where it was entered, else the house rule. */
  readonly order?: OrderId | null;
  /** Bleeder ids as the maker gives them. */
  readonly makerOrder?: readonly string[] | null;
  /** Bleeder ids as a search found them; for the order "least fluid". */
  readonly leastFluid?: readonly string[] | null;
  /** Hold after the first of two changed parts of one circuit until the pedal is proved. */
  readonly holdPoint?: boolean;
  /** A new or dry master is primed in place instead of on the bench. */
  readonly primeInPlace?: boolean;
  readonly partnerAges?: readonly PartnerAge[];
  readonly preferences?: Partial<PlanPreferences>;
  /** What the last job left inside; null where none is on record. */
  readonly inside?: Inside | null;
  /** What is in the system as somebody said, where no record tells. */
  readonly inSystem?: Grade | null;
  readonly reached?: PlanReached | null;
  /** Means one plan for the whole job. */
  readonly planId?: string;
}

/** What a plan was asked for beyond what it shows, so that the rest can be planned anew by the same wishes. */
export type PlanWishes = Pick<
  PlanRequest,
  | 'isoClass'
  | 'circumstances'
  | 'method'
  | 'order'
  | 'makerOrder'
  | 'leastFluid'
  | 'holdPoint'
  | 'partnerAges'
>;

/** The wishes of a request. */
export function wishesOf({
  isoClass,
  circumstances,
  method,
  order,
  makerOrder,
  leastFluid,
  holdPoint,
  partnerAges,
}: FullPlanRequest): PlanWishes {
  return { isoClass, circumstances, method, order, makerOrder, leastFluid, holdPoint, partnerAges };
}

/** A request with everything said. */
export type FullPlanRequest = {
  readonly [K in keyof Required<PlanRequest>]: Exclude<Required<PlanRequest>[K], undefined>;
} & { readonly preferences: PlanPreferences };

const { preferred: _, ...day } = USUAL_DAY;

/** What is chosen where nobody chooses: the ranking's method, the workshop's order, every care. */
export const USUAL_CHOICES = {
  means: USUAL_MEANS,
  circumstances: day,
  method: null,
  order: null,
  makerOrder: null,
  leastFluid: null,
  holdPoint: true,
  primeInPlace: false,
  partnerAges: [],
} as const satisfies Partial<PlanRequest>;

/** Fill in what was left out; each part is named once. @throws RangeError naming a preference outside its range */
export function planAsked(request: PlanRequest): FullPlanRequest {
  const { layout, work = routineFlush(layout.masters.map((m) => m.id)) } = request;
  return {
    isoClass: null,
    ...USUAL_CHOICES,
    inside: null,
    inSystem: null,
    reached: null,
    planId: FIRST_PLAN,
    ...request,
    work: { ...work, parts: partsAsOne(layout, work.parts) },
    preferences: planPreferences(request.preferences),
  };
}
