import type { Plan } from '../../bleed/plan';
import type { Figure } from '../../base/figure';
import type { AdmitAnswer, OpenRule, ShelfContainer } from '../../fluid/shelf';
import { BRINGS_NOTHING, SETTLES_NOTHING, PROVES_NOTHING, nothing, deskEvent } from './kind';

/** The containers with which a plan was accepted, each with why it is looked at twice. */
export interface AcceptedPick {
  readonly containers: readonly (ShelfContainer & AdmitAnswer)[];
  readonly leftOverMl: Figure;
  /** Who took the second look, where one was needed. */
  readonly lookedBy: string | null;
  readonly openRule: OpenRule;
}

export interface PlanAcceptedHappening {
  readonly kind: 'plan accepted';
  readonly plan: Plan;
  readonly pick: AcceptedPick | null;
}

export const planAccepted = deskEvent<PlanAcceptedHappening>({
  kind: 'plan accepted',
  voids: nothing('it is said at the desk, and touches no part'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  keeps: 'accepted',
});
