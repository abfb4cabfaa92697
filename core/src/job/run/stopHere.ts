import { isActuator } from '../../vehicle/circuit';
import { makeCount, type Visit } from '../../hydraulics/order';
import { countsOfPlan } from '../../bleed/plan';
import { missingAt } from './nextStep';
import { RunFluid } from './runFluid';
import { firstPlanOf, type RunState } from './state';
import type { PlanStop } from '../../bleed/stages';
import { strokesBuy, type MoreStrokes, type OldWater } from '../../bleed/gain';

/**
 * Whether a bleeder may be shut where it stands: clear and as the new fluid,
 * with nothing missing but strokes of a wash-out. What is left out is owed.
 */
export function mayStopHere({ plan, bleeders }: RunState, stop: PlanStop): boolean {
  const b = bleeders.find((x) => x.stopId === stop.id);
  if (!b || b.shut || stop.until !== 'new' || stop.counted !== 'strokes') return false;
  const missing = missingAt(plan, stop, b);
  return missing.length === 1 && missing[0] === 'strokes';
}

/**
 * What the strokes that are left at a bleeder would still buy at its part, by
 * the fluid as the run has moved it.
 *
 * @returns null where it may not be shut yet, or nobody knows how wet the old fluid was
 */
export function restBuys(state: RunState, stop: PlanStop, water: OldWater): MoreStrokes | null {
  if (!mayStopHere(state, stop)) return null;
  const { plan } = state;
  const part = plan.layout.nodes.find((n) => n.id === stop.bleeder.at)!;
  if (!isActuator(part)) return null;
  const strokes = stop.strokes.value - state.bleeders.find((b) => b.stopId === stop.id)!.strokes;
  const fluid = new RunFluid(firstPlanOf(state)).after(state.log).copy();
  const before = fluid.inside()[part.id]!;
  const setup = countsOfPlan(plan);
  const visit: Visit = { bleederId: stop.bleeder.id, method: stop.method, until: stop.until };
  for (let n = 0; n < strokes; n++) makeCount(fluid, setup, visit);
  return strokesBuy(plan, stop, strokes, before, fluid.inside()[part.id]!, water);
}
