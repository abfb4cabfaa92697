import { emptyOnWayMl, wayTo } from '../../fluid/inside';
import type { PlanOpening } from '../../bleed/stages';
import { TINY_ML } from '../standing';
import type { RunState } from './state';

/** What a look into the jar would say, with its sign, before it is said. */
export interface JarSays {
  /** Beyond the count; below 0 less, mL. */
  readonly moreMl: number;
  /** Counts at this opening then, and how many more or less that is. */
  readonly strokes: number;
  readonly moreStrokes: number;
  /** By it the reservoir would stand below its outlets: it was filled unsaid, or ran dry. */
  readonly belowOutlet: boolean;
}

/** @param after the state once it is said */
export function jarSays(before: RunState, after: RunState, opening: PlanOpening): JarSays {
  const at = ({ bleeders }: RunState) => bleeders.find((b) => b.openingId === opening.id)!.strokes;
  const reservoir = before.plan.reservoirs.find((b) => b.id === opening.reservoirId)!;
  return {
    moreMl: after.jar.standsMl - before.jar.standsMl,
    strokes: at(after),
    moreStrokes: at(after) - at(before),
    belowOutlet: after.levelMl[reservoir.id]! < reservoir.airDrawnMl,
  };
}

/** The sentence for a reading that cannot be, or says nothing, or null. Millilitres since it was put under. */
export function jarFault(state: RunState, opening: PlanOpening, jarMl: number): string | null {
  const { jar, empties, plan } = state;
  const b = state.bleeders.find((x) => x.openingId === opening.id);
  const lookedMl = jar.standsMl - jar.since.reduce((sum, s) => sum + s.ml, 0);
  if (jarMl < lookedMl - TINY_ML)
    return `It stood at ${Math.round(lookedMl)} mL at the last look; give as much or more. If it was emptied, say that first.`;
  const wasEmpty =
    emptyOnWayMl(empties, wayTo(plan.layout, opening.bleeder.id)) > 0 || (b && b.swallowedMl > 0);
  return wasEmpty && jarMl - lookedMl < TINY_ML
    ? 'Nothing came into it, and this way began empty: only a look into the reservoir says how far it is filled.'
    : null;
}
