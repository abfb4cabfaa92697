import { stageTitle, type Plan, type PlanStage } from '../plan';
import { slavePasses } from '../clutch';
import { partFaults, partNeeds } from '../part';
import { nextInCycle, toolSteps, type ToolNext, type ToolStep } from '../scanTool';
import type { RunEvent } from './event';
import { firstPlanOf, type RunState } from './state';
import { TOOL_WITNESS_WORDS } from './words';

/** A stage that opens no bleeder. */
export type OwnStage = Exclude<PlanStage, { kind: 'bleed' }>;

/** Whether a stage may be left out by a recorded decision: a compulsory bench run, a lost valve and a hold point may not. */
export function maySkip(stage: PlanStage): boolean {
  return stage.kind === 'right part' || stage.kind === 'slave test' || stage.kind === 'tool cycle' || stage.kind === 'tie back' || (stage.kind === 'bench' && !stage.compulsory);
}

/** The steps of a tool cycle by its plan: wheel by wheel, in the order of the bleed that follows. */
export function toolStepsOf(plan: Plan, stageId: string): ToolStep[] {
  const after = plan.stages.slice(plan.stages.findIndex((s) => s.id === stageId) + 1).flatMap((s) => (s.kind === 'bleed' ? s.stopIds : []));
  return toolSteps(plan.layout, after.map((id) => plan.stops.find((s) => s.id === id)!.bleeder.id));
}

/** Where the tool cycle of a stage stands. */
export function toolNext({ plan, tools }: Pick<RunState, 'plan' | 'tools'>, stageId: string): ToolNext {
  return nextInCycle(toolStepsOf(plan, stageId), tools[stageId] ?? []);
}

/** Whether a stage that opens no bleeder is through or was left out. */
export function isThrough(stage: PlanStage, state: RunState): boolean {
  return stage.id in state.stages || (stage.kind === 'tool cycle' && toolNext(state, stage.id).kind === 'through');
}

/** Stages that were left out by decision under any plan of the run, or only practised, with the reason: they show at the gate and on the record. */
export function skippedStages(state: RunState): { readonly title: string; readonly reason: string }[] {
  return [...state.past, state].flatMap(({ plan, stages, tools }) =>
    plan.stages.flatMap((stage) => {
      const title = stageTitle(plan.layout, stage);
      const reason = stages[stage.id]?.skipped;
      if (reason) return [{ title, reason }];
      return tools[stage.id]?.some((t) => t.by === 'practice') ? [{ title, reason: 'Only practised with a stand-in: nothing was done on this vehicle.' }] : [];
    }),
  );
}

/** What a scan tool said and did, one line for each cycle of the run, for the record. */
export function toolLines(state: RunState): string[] {
  return [...state.past, state].flatMap((leg) =>
    Object.entries(leg.tools).map(([stageId, said]) => {
      const steps = toolStepsOf(leg.plan, stageId);
      const done = steps.filter((s) => said.some((t) => t.kind === 'step' && t.done && t.stepId === s.id)).length;
      const stopped = said.filter((t) => t.kind === 'step' && !t.done).length;
      const checks = said.flatMap((t) => (t.kind === 'checked' ? [t.check] : []));
      const codes = checks.at(-1)?.codes ?? [];
      const by = [...new Set(said.map((t) => TOOL_WITNESS_WORDS[t.by]))].join(', ');
      return `Tool cycle, ${by}: ${done} of ${steps.length} steps done${stopped > 0 ? `, stopped ${stopped} times` : ''}; battery ${checks[0]?.batteryV.toFixed(1) ?? '–'} V; codes at the last reading: ${codes.length === 0 ? 'none' : codes.join(', ')}.`;
    }),
  );
}

/** What is wrong with a new part as it was put down, in sentences; empty when it may be filled. */
export function partFaultsOf(plan: Plan, { stageId, found, pieces }: Pick<Extract<RunEvent, { kind: 'part compared' }>, 'stageId' | 'found' | 'pieces'>): string[] {
  const stage = plan.stages.find((s) => s.id === stageId);
  return stage?.kind === 'right part' ? partFaults(partNeeds(plan.layout, stage.partId), found, pieces) : [];
}

/** What was measured to prove a clutch, one line a reading, for the record. */
export function slaveLines(state: RunState): string[] {
  const legs = [...state.past, state];
  return state.log.flatMap((e) => {
    if (e.kind !== 'slave tested') return [];
    const stage = legs.flatMap((l) => l.plan.stages).find((s) => s.id === e.stageId && s.kind === 'slave test');
    if (stage?.kind !== 'slave test') return [];
    const what = { blocked: 'rod travel', travel: 'slave travel', 'take-up': 'takes up at' }[stage.way];
    return [`${stageTitle(state.plan.layout, stage)}: ${what} ${e.mm} mm${e.reverse ? `, reverse ${e.reverse}` : ''}, ${slavePasses(stage, e) ? 'passes' : 'does not pass'}.`];
  });
}

/** What was found on each new part of a run, one line a comparison, for the record. */
export function partLines(state: RunState): string[] {
  const plan = firstPlanOf(state);
  return state.log.flatMap((e) => {
    const stage = e.kind === 'part compared' ? plan.stages.find((s) => s.id === e.stageId) : undefined;
    if (e.kind !== 'part compared' || !stage) return [];
    const faults = partFaultsOf(plan, e);
    const pieces = e.pieces.reduce((sum, p) => sum + p.count, 0);
    return [`${stageTitle(plan.layout, stage)}: ${faults.length === 0 ? `fits, ${pieces} pieces counted` : faults.join(' ')}${faults.length === 0 ? '.' : ''}`];
  });
}
