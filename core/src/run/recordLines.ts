import { slavePasses } from '../clutch';
import { stageTitle } from '../plan';
import { partFaultsOf, toolStepsOf } from './stages';
import { firstPlanOf, type RunState } from './state';
import { TOOL_WITNESS_WORDS } from './words';

/** What a scan tool said and did, one line for each cycle of the run, for the record. */
export function toolLines(state: RunState): string[] {
  return [...state.past, state].flatMap((leg) =>
    Object.entries(leg.tools).map(([stageId, said]) => {
      const steps = toolStepsOf(leg.plan, stageId);
      const done = steps.filter((s) =>
        said.some((t) => t.kind === 'step' && t.done && t.stepId === s.id),
      ).length;
      const stopped = said.filter((t) => t.kind === 'step' && !t.done).length;
      const checks = said.flatMap((t) => (t.kind === 'checked' ? [t.check] : []));
      const codes = checks.at(-1)?.codes ?? [];
      const by = [...new Set(said.map((t) => TOOL_WITNESS_WORDS[t.by]))].join(', ');
      return `Tool cycle, ${by}: ${done} of ${steps.length} steps done${stopped > 0 ? `, stopped ${stopped} times` : ''}; battery ${checks[0]?.batteryV.toFixed(1) ?? '–'} V; codes at the last reading: ${codes.length === 0 ? 'none' : codes.join(', ')}.`;
    }),
  );
}

/** What was measured to prove a clutch, one line a reading, for the record. */
export function slaveLines(state: RunState): string[] {
  const legs = [...state.past, state];
  return state.log.flatMap((e) => {
    if (e.kind !== 'slave tested') return [];
    const stage = legs
      .flatMap((l) => l.plan.stages)
      .find((s) => s.id === e.stageId && s.kind === 'slave test');
    if (stage?.kind !== 'slave test') return [];
    const what = { blocked: 'rod travel', travel: 'slave travel', 'take-up': 'takes up at' }[
      stage.way
    ];
    return [
      `${stageTitle(state.plan.layout, stage)}: ${what} ${e.mm} mm${e.reverse ? `, reverse ${e.reverse}` : ''}, ${slavePasses(stage, e) ? 'passes' : 'does not pass'}.`,
    ];
  });
}

/** What was found on each new part of a run, one line a comparison, for the record. */
export function partLines(state: RunState): string[] {
  const plan = firstPlanOf(state);
  return state.log.flatMap((e) => {
    const stage =
      e.kind === 'part compared' ? plan.stages.find((s) => s.id === e.stageId) : undefined;
    if (e.kind !== 'part compared' || !stage) return [];
    const faults = partFaultsOf(plan, e);
    const pieces = e.pieces.reduce((sum, p) => sum + p.count, 0);
    return [
      `${stageTitle(plan.layout, stage)}: ${faults.length === 0 ? `fits, ${pieces} pieces counted` : faults.join(' ')}${faults.length === 0 ? '.' : ''}`,
    ];
  });
}
