import type { Job } from '@brook/contract';
import type { Plan, PlanBowl, PlanStop } from '@brook/core/plan';
import { levelFigure, RunFluid, type RunState } from '@brook/core/run';
import { memo, useMemo } from 'react';
import { BrookBox } from '../ui/brook/BrookBox';
import { Gauge } from '../ui/Gauge';

interface RunBrookProps {
  readonly job: Job;
  readonly plan: Plan;
  readonly state: RunState;
  readonly current: string | null;
  readonly height: number;
  /** Whether the line of words under the picture is shown. */
  readonly caption: boolean;
}

/** Bleeders whose last opening is shut. */
function throughAt(plan: Plan, state: RunState): string[] {
  const waiting = new Set(state.bleeders.filter((b) => !b.shut).map((b) => b.stopId));
  const open = new Set(plan.stops.filter((s) => waiting.has(s.id)).map((s) => s.bleeder.id));
  return plan.stops.map((s) => s.bleeder.id).filter((id) => !open.has(id));
}

/** The brook as the run has moved it so far. */
export const RunBrook = memo(function RunBrook({ job, plan, state, current, height, caption }: RunBrookProps) {
  const fluid = useMemo(() => new RunFluid(plan), [plan]);
  const shares = useMemo(() => (state.log.length > 0 ? fluid.newSharesAfter(state.log) : undefined), [fluid, state.log]);
  const order = useMemo(() => [...new Set(plan.stops.map((s) => s.bleeder.id))], [plan]);
  return (
    <BrookBox
      layout={plan.layout} order={order} height={height} oldColour={job.fluid?.samples.find((s) => s.point === 'reservoir')?.colour ?? 'brown'} newColour={plan.newColour} newShares={shares}
      current={current} done={throughAt(plan, state)} caption={caption}
    />
  );
});

interface RunGaugeProps {
  readonly plan: Plan;
  readonly bowl: PlanBowl;
  readonly stop: PlanStop | null;
  readonly state: RunState;
}

/** The reservoir that the bleeder in hand, or the fill in hand, is about. */
export const RunGauge = memo(function RunGauge({ plan, bowl, stop, state }: RunGaugeProps) {
  return <Gauge bowl={bowl} level={levelFigure(bowl, state.levelMl[bowl.id]!, stop)} fluid={plan.newColour} />;
});
