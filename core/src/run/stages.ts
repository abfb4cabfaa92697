import { partFaults, partNeeds } from '../part';
import { stageTitle, type Plan, type PlanStage } from '../plan';
import { nextInCycle, toolSteps, type ToolNext, type ToolStep } from '../scanTool';
import type { RunEvent } from './event';
import type { RunState } from './state';

/** A stage that opens no bleeder. */
export type OwnStage = Exclude<PlanStage, { kind: 'bleed' }>;

/** Whether a stage may be left out by a recorded decision: a compulsory bench run, a lost valve, joined lines and a hold point may not. */
export function maySkip(stage: PlanStage): boolean {
  return (
    stage.kind === 'right part' ||
    stage.kind === 'slave test' ||
    stage.kind === 'tool cycle' ||
    stage.kind === 'tie back' ||
    (stage.kind === 'bench' && !stage.compulsory)
  );
}

/** The steps of a tool cycle by its plan: wheel by wheel, in the order of the bleed that follows. */
export function toolStepsOf(plan: Plan, stageId: string): ToolStep[] {
  const after = plan.stages
    .slice(plan.stages.findIndex((s) => s.id === stageId) + 1)
    .flatMap((s) => (s.kind === 'bleed' ? s.stopIds : []));
  return toolSteps(
    plan.layout,
    after.map((id) => plan.stops.find((s) => s.id === id)!.bleeder.id),
  );
}

/** Where the tool cycle of a stage stands. */
export function toolNext(
  { plan, tools }: Pick<RunState, 'plan' | 'tools'>,
  stageId: string,
): ToolNext {
  return nextInCycle(toolStepsOf(plan, stageId), tools[stageId] ?? []);
}

/** Whether a stage that opens no bleeder is through or was left out. */
export function isThrough(stage: PlanStage, state: RunState): boolean {
  return (
    stage.id in state.stages ||
    (stage.kind === 'tool cycle' && toolNext(state, stage.id).kind === 'through')
  );
}

/** Stages that were left out by decision under any plan of the run, or only practised, with the reason: they show at the gate and on the record. */
export function skippedStages(
  state: RunState,
): { readonly title: string; readonly reason: string }[] {
  return [...state.past, state].flatMap(({ plan, stages, tools }) =>
    plan.stages.flatMap((stage) => {
      const title = stageTitle(plan.layout, stage);
      const reason = stages[stage.id]?.skipped;
      if (reason) return [{ title, reason }];
      return tools[stage.id]?.some((t) => t.by === 'practice')
        ? [{ title, reason: 'Only practised with a stand-in: nothing was done on this vehicle.' }]
        : [];
    }),
  );
}

/** What is wrong with a new part as it was put down, in sentences; empty when it may be filled. */
export function partFaultsOf(
  plan: Plan,
  {
    stageId,
    found,
    pieces,
  }: Pick<Extract<RunEvent, { kind: 'part compared' }>, 'stageId' | 'found' | 'pieces'>,
): string[] {
  const stage = plan.stages.find((s) => s.id === stageId);
  return stage?.kind === 'right part'
    ? partFaults(partNeeds(plan.layout, stage.partId), found, pieces)
    : [];
}
