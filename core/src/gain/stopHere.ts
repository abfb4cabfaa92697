import { isActuator } from '../circuit';
import { firstPlanOf, missingAt, RunFluid, type RunState } from '../run';
import type { PlanStop } from '../stages';
import { strokesBuy, type MoreStrokes } from './planGain';
import type { OldWater } from './oldWater';

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
  const bowl = plan.bowls.find((b) => b.id === stop.bowlId)!;
  for (let n = 0; n < strokes; n++) {
    if (fluid.levelMl(bowl.id) - stop.strokeMl.value < bowl.topUpLevelMl.value)
      fluid.fillBowl(bowl.id, bowl.maxMl);
    fluid.bleed(stop.bleeder.id, stop.strokeMl.value);
  }
  return strokesBuy(plan, stop, strokes, before, fluid.inside()[part.id]!, water);
}
