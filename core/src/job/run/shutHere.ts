import { isActuator } from '../../vehicle/circuit';
import { makeCount, type Visit } from '../../hydraulics/order';
import { countsOfPlan } from '../../bleed/plan';
import { missingAt } from './nextStep';
import { RunFluid } from './runFluid';
import { type RunState } from './state';
import type { PlanOpening } from '../../bleed/stages';
import { strokesBuy, type MoreStrokes, type OldWater } from '../../bleed/gain';
import { firstPlanOf } from '../standing';

/**
 * Whether a bleeder may be shut where it stands: clear and as the new fluid,
 * with nothing missing but strokes of a wash-out. What is left out is owed.
 */
export function mayShutHere({ plan, bleeders }: RunState, opening: PlanOpening): boolean {
  const b = bleeders.find((x) => x.openingId === opening.id);
  if (!b || b.shut || opening.until !== 'new' || opening.counted !== 'strokes') return false;
  const missing = missingAt(plan, opening, b);
  return missing.length === 1 && missing[0] === 'strokes';
}

/**
 * What the strokes that are left at a bleeder would still buy at its part, by
 * the fluid as the run has moved it.
 *
 * @returns null where it may not be shut yet, or nobody knows how wet the old fluid was
 */
export function restBuys(
  state: RunState,
  opening: PlanOpening,
  water: OldWater,
): MoreStrokes | null {
  if (!mayShutHere(state, opening)) return null;
  const { plan } = state;
  const part = plan.layout.nodes.find((n) => n.id === opening.bleeder.at)!;
  if (!isActuator(part)) return null;
  const strokes =
    opening.strokes.value - state.bleeders.find((b) => b.openingId === opening.id)!.strokes;
  const fluid = new RunFluid(firstPlanOf(state)).after(state.log).copy();
  const before = fluid.inside()[part.id]!;
  const setup = countsOfPlan(plan);
  const visit: Visit = {
    bleederId: opening.bleeder.id,
    method: opening.method,
    until: opening.until,
  };
  for (let n = 0; n < strokes; n++) makeCount(fluid, setup, visit);
  return strokesBuy(plan, opening, strokes, before, fluid.inside()[part.id]!, water);
}
