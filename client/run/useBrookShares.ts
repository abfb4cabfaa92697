import type { Plan } from '@brook/core/plan';
import type { RunState } from '@brook/core/run';
import { CircuitFluid } from '@brook/core/washout';
import { useMemo, useRef } from 'react';

interface Tracked {
  readonly fluid: CircuitFluid;
  /** Ids of the events that the fluid has followed. */
  readonly followed: readonly string[];
}

/**
 * How new each element of the layout is by the model, from the run's log. A
 * stroke is added to what was followed before; only an undo starts over.
 */
export function useBrookShares(plan: Plan, state: RunState): ReadonlyMap<string, number> {
  const tracked = useRef<Tracked | null>(null);
  return useMemo(() => {
    const before = tracked.current;
    const grows = before !== null && before.followed.length <= state.log.length && before.followed.every((id, i) => state.log[i]!.id === id);
    const fluid = grows ? before.fluid : new CircuitFluid(plan.layout);
    for (const event of state.log.slice(grows ? before.followed.length : 0)) follow(plan, fluid, event);
    tracked.current = { fluid, followed: state.log.map((e) => e.id) };
    return fluid.newShares();
  }, [plan, state.log]);
}

function follow(plan: Plan, fluid: CircuitFluid, event: RunState['log'][number]): void {
  if (event.kind === 'prepared' && event.step === 'empty reservoir') for (const b of plan.bowls) fluid.emptyBowl(b.id);
  if (event.kind === 'prepared' && event.step === 'fill reservoir') for (const b of plan.bowls) fluid.fillBowl(b.id, b.maxMl);
  if (event.kind === 'topped up') {
    const bowl = plan.bowls.find((b) => b.id === event.bowlId);
    if (bowl) fluid.fillBowl(bowl.id, bowl.maxMl);
  }
  if (event.kind === 'decided' && event.decision === 'start again') for (const b of plan.bowls) fluid.fillBowl(b.id, b.maxMl);
  if (event.kind === 'stroke') {
    const stop = plan.stops.find((s) => s.bleeder.id === event.bleederId);
    if (!stop) return;
    // A stroke that was made against the call draws what is there; the picture then shows a little less than was drawn.
    const bowl = plan.bowls.find((b) => b.id === stop.bowlId)!;
    const ml = Math.min(stop.strokeMl.value, fluid.levelMl(stop.bowlId) - bowl.airDrawnMl);
    if (ml > 0) fluid.bleed(event.bleederId, ml);
  }
}
