import { refusalWords, type Plan } from '../plan';
import type { Decision, HaltReason, RunEvent } from './event';
import { planOnward } from './onward';
import { maySkip, toolStepsOf } from './stages';
import type { RunState } from './state';

/** Decisions that are offered on each halt; the first is the usual one. */
export const DECISIONS_ON: Readonly<Record<HaltReason, readonly Decision[]>> = {
  'ran dry': ['plan anew', 'end job'],
  seized: ['do it last', 'go on', 'leave shut', 'end job'],
  snapped: ['end job'],
  'nothing comes': ['go on', 'leave shut', 'end job'],
  'tool stopped': ['go on', 'end job'],
  'wrong part': ['go on', 'end job'],
  'air never ends': ['go on', 'plan anew', 'end job'],
  grease: ['leave shut', 'end job'],
  'other product': ['end job'],
  leak: ['end job'],
  'pedal not right': ['plan anew', 'end job'],
};

/**
 * The sentence for an event that cannot belong to this run, or null. It looks
 * at what the event names, not at whether it came in the best order: what was
 * done on the car is recorded even where it should not have been done.
 */
export function eventFault(state: RunState, event: RunEvent): string | null {
  const { plan } = state;
  if (state.seenIds.includes(event.id)) return null;
  if (state.ended && event.kind !== 'undone')
    return 'The run has ended; nothing can be added to it.';
  switch (event.kind) {
    case 'prepared':
      return plan.preparation.includes(event.step)
        ? null
        : `"${event.step}" is not a step of this plan; it should be one of ${plan.preparation.join(', ')}.`;
    case 'stroke':
    case 'bubbles':
    case 'colour':
    case 'shut':
      return bleederFault(plan, event.stopId);
    case 'topped up':
      return plan.bowls.some((b) => b.id === event.bowlId)
        ? null
        : `There is no reservoir chamber "${event.bowlId}"; it should be one of ${plan.bowls.map((b) => b.id).join(', ')}.`;
    case 'stage done':
    case 'stage skipped': {
      const stage = plan.stages.find((s) => s.id === event.stageId && s.kind !== 'bleed');
      if (!stage)
        return `There is no stage "${event.stageId}" in this plan that is done by itself.`;
      if (event.kind === 'stage done' && stage.kind === 'slave test')
        return 'A clutch is proved by what is measured; put the reading down.';
      if (event.kind === 'stage done' && stage.kind === 'right part')
        return 'A new part is through when it was compared and its pieces counted; put that down.';
      if (event.kind === 'stage done' && stage.kind === 'tool cycle' && stage.atHand)
        return 'A tool cycle is through when each of its steps is; put those down.';
      return event.kind === 'stage done' || maySkip(stage)
        ? null
        : 'This stage cannot be left out.';
    }
    case 'part compared':
      return plan.stages.some((s) => s.id === event.stageId && s.kind === 'right part')
        ? null
        : `There is no part to compare in "${event.stageId}" of this plan.`;
    case 'slave tested':
      return plan.stages.some((s) => s.id === event.stageId && s.kind === 'slave test')
        ? null
        : `There is no test of a slave in "${event.stageId}" of this plan.`;
    case 'tool checked':
    case 'tool step': {
      if (!plan.stages.some((s) => s.id === event.stageId && s.kind === 'tool cycle'))
        return `There is no tool cycle "${event.stageId}" in this plan.`;
      if (event.kind === 'tool checked') return null;
      const steps = toolStepsOf(plan, event.stageId);
      return steps.some((s) => s.id === event.stepId)
        ? null
        : `There is no step "${event.stepId}" in this cycle; it should be one of ${steps.map((s) => s.id).join(', ')}.`;
    }
    case 'halted':
      return event.stopId === null ? null : bleederFault(plan, event.stopId);
    case 'decided': {
      const halt = state.halts.find((h) => h.eventId === event.haltId);
      if (!halt) return `There is no halt "${event.haltId}" to decide on.`;
      const offered = DECISIONS_ON[halt.reason];
      if (!offered.includes(event.decision))
        return `"${event.decision}" is not open after "${halt.reason}"; it should be one of ${offered.join(', ')}.`;
      if (event.decision === 'go on' || event.decision === 'end job' || halt.decision !== null)
        return null;
      const onward = planOnward(state, halt, event.decision);
      return onward.verdict === 'planned'
        ? null
        : `The rest cannot be planned like this. ${onward.reasons.map((r) => refusalWords(plan.layout, r)).join(' ')}`;
    }
    case 'undone':
      return state.log.some((e) => e.id === event.eventId)
        ? null
        : `There is no event "${event.eventId}" in effect to undo.`;
    default:
      return event satisfies never;
  }
}

function bleederFault(plan: Plan, stopId: string): string | null {
  if (plan.stops.some((s) => s.id === stopId)) return null;
  return `There is no bleeder "${stopId}" in this plan; it should be one of ${plan.stops.map((s) => s.id).join(', ')}.`;
}
