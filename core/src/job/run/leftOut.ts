import {
  leavesDanger,
  leftOut,
  stageRecordLines,
  stageTitle,
  type OwnStage,
  type StageState,
} from '../../bleed/stages';
import type { RunState } from './state';
import type { RunLeg } from '../standing';

/** Stages that were left out by decision under any plan of the run, or only practised, with the reason: they show at the gate and on the record. */
export function skippedStages(state: RunState): LeftOutStage[] {
  return touched(state).flatMap(({ leg, stage, at }) => {
    const reason = leftOut(stage, at);
    if (reason === null) return [];
    // What the plan in force asks for anew is judged there.
    const danger = leg.plan === state.plan && leavesDanger(leg.plan, stage);
    return [{ title: stageTitle(leg.plan.layout, stage), reason, danger }];
  });
}

/** A stage that was left out, and whether danger may have stayed behind. */
export interface LeftOutStage {
  readonly title: string;
  readonly reason: string;
  readonly danger: boolean;
}

/** What was said in the stages that open no bleeder, in lines for the record, plan by plan. */
export function stageLines(state: RunState): string[] {
  return touched(state).flatMap(({ leg, stage, at }) => stageRecordLines(leg.plan, stage, at));
}

type Leg = Pick<RunLeg, 'plan' | 'stages'>;

function touched(
  state: RunState,
): { readonly leg: Leg; readonly stage: OwnStage; readonly at: StageState }[] {
  const legs: readonly Leg[] = [...state.past, state];
  return legs.flatMap((leg) =>
    leg.plan.stages.flatMap((stage) => {
      const at = leg.stages[stage.id];
      return stage.kind === 'bleed' || !at ? [] : [{ leg, stage, at }];
    }),
  );
}
