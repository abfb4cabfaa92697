import { stageTitle, type PlanStage } from '../plan';
import type { RunState } from './state';

/** A stage that opens no bleeder. */
export type OwnStage = Exclude<PlanStage, { kind: 'bleed' }>;

/** Whether a stage may be left out by a recorded decision: a compulsory bench run, a lost valve and a hold point may not. */
export function maySkip(stage: PlanStage): boolean {
  return stage.kind === 'tool cycle' || stage.kind === 'tie back' || (stage.kind === 'bench' && !stage.compulsory);
}

/** Whether a stage that opens no bleeder is through or was left out. */
export function isThrough(stage: PlanStage, state: RunState): boolean {
  return stage.id in state.stages;
}

/** Stages that were left out by decision under any plan of the run, with the reason: they show at the gate and on the record. */
export function skippedStages(state: RunState): { readonly title: string; readonly reason: string }[] {
  return [...state.past, state].flatMap(({ plan, stages }) =>
    plan.stages.flatMap((stage) => {
      const reason = stages[stage.id]?.skipped;
      return reason ? [{ title: stageTitle(plan.layout, stage), reason }] : [];
    }),
  );
}
