import { type PlanOpening } from '@brook/core/bleed/stages';
import type { Job } from '@brook/contract';
import type { Plan, PlanReservoir } from '@brook/core/bleed/plan';
import { firstPlanOf, levelFigure, RunFluid, type RunState } from '@brook/core/job/run';
import { memo, useMemo } from 'react';
import { BrookBox } from '../../ui/brook/BrookBox';
import { Gauge } from '../../ui/Gauge';

interface RunBrookProps {
  readonly job: Job;
  readonly state: RunState;
  readonly current: string | null;
  readonly height: number;
  /** Whether the line of words under the picture is shown. */
  readonly caption: boolean;
  /** Elements at which something is noted. */
  readonly noted?: readonly string[];
}

/** Bleeders whose last opening is shut, under this plan or one before it. */
function throughAt(state: RunState): string[] {
  const shutBy = ({ plan, bleeders }: Pick<RunState, 'plan' | 'bleeders'>, shut: boolean) =>
    plan.openings
      .filter((s) => bleeders.find((b) => b.openingId === s.id)!.shut === shut)
      .map((s) => s.bleeder.id);
  const waiting = new Set(shutBy(state, false));
  return [...new Set([...state.past, state].flatMap((leg) => shutBy(leg, true)))].filter(
    (id) => !waiting.has(id),
  );
}

/** The brook as the run has moved it so far. */
export const RunBrook = memo(function RunBrook({
  job,
  state,
  current,
  height,
  caption,
  noted,
}: RunBrookProps) {
  const { plan } = state;
  const accepted = firstPlanOf(state);
  const fluid = useMemo(() => new RunFluid(accepted), [accepted]);
  const inside = useMemo(() => fluid.after(state.log).inside(), [fluid, state.log]);
  const order = useMemo(() => [...new Set(plan.openings.map((s) => s.bleeder.id))], [plan]);
  return (
    <BrookBox
      layout={plan.layout}
      order={order}
      height={height}
      oldColour={job.fluid?.samples.find((s) => s.point === 'reservoir')?.colour ?? 'brown'}
      newColour={plan.newColour}
      inside={inside}
      current={current}
      done={throughAt(state)}
      caption={caption}
      {...(noted ? { noted } : {})}
    />
  );
});

interface RunGaugeProps {
  readonly plan: Plan;
  readonly reservoir: PlanReservoir;
  readonly opening: PlanOpening | null;
  readonly state: RunState;
}

/** The reservoir that the bleeder in hand, or the fill in hand, is about. */
export const RunGauge = memo(function RunGauge({ plan, reservoir, opening, state }: RunGaugeProps) {
  return (
    <Gauge
      reservoir={reservoir}
      level={levelFigure(reservoir, state.levelMl[reservoir.id]!, opening)}
      fluid={plan.newColour}
      alone={plan.reservoirs.length === 1}
    />
  );
});
