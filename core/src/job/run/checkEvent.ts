import { bleederName, sizeFault } from '../../vehicle/circuit';
import { refusalWords, type Plan } from '../../bleed/plan';
import { stageFault, type OwnStage, type StageEvent } from '../../bleed/stages';
import type { Decision, HaltReason, RunEvent } from './event';
import { planOnward } from './onward';
import type { RunState } from './state';

/** Decisions that are offered on each halt; the first is the usual one. */
export const DECISIONS_ON: Readonly<Record<HaltReason, readonly Decision[]>> = {
  'ran dry': ['plan anew', 'end job'],
  seized: ['do it last', 'go on', 'leave shut', 'end job'],
  snapped: ['plan anew', 'end job'],
  'nothing comes': ['go on', 'another method', 'leave shut', 'end job'],
  'tool stopped': ['go on', 'end job'],
  'wrong part': ['go on', 'end job'],
  'not as planned': ['plan anew', 'end job'],
  'other size': ['plan anew', 'end job'],
  'air never ends': ['go on', 'plan anew', 'end job'],
  grease: ['leave shut', 'end job'],
  'other product': ['end job'],
  leak: ['end job'],
  'pedal not right': ['plan anew', 'end job'],
};

/** What an event of a run may name: everything that was ever there, taken back or not. */
export interface KnownInRun {
  /** Every plan of the job so far. */
  readonly plans: readonly Plan[];
  /** Whether there is an event of that id, of that kind where one is asked for. */
  readonly has: (eventId: string, kind?: RunEvent['kind']) => boolean;
}

/**
 * The sentence for an event that names what was never there, or null. It does
 * not ask whether it came in the best order: what was done on the vehicle is
 * kept even where it should not have been done.
 */
export function runEventFault(known: KnownInRun, event: RunEvent): string | null {
  const { plans, has } = known;
  if (event.planId !== null && !plans.some((p) => p.id === event.planId))
    return `There is no plan "${event.planId}" on this job; it should be one of ${plans.map((p) => p.id).join(', ')}.`;
  switch (event.kind) {
    case 'prepared': {
      const steps = [...new Set(plans.flatMap((p) => p.preparation))];
      return steps.includes(event.step)
        ? null
        : `"${event.step}" is not a step of this plan; it should be one of ${steps.join(', ')}.`;
    }
    case 'stroke':
    case 'round broken':
    case 'bubbles':
    case 'tried':
    case 'colour':
    case 'bleeder opened':
    case 'opened again':
    case 'syringe readied':
    case 'syringe empty':
    case 'shut':
    case 'shut early':
      return bleederFault(plans, event.openingId);
    case 'jar read': {
      const opening = plans.flatMap((p) => p.openings).find((s) => s.id === event.openingId);
      return opening && !opening.fromReservoir
        ? `What is pushed up at ${bleederName(opening.bleeder)} is not in the jar; count the marks of the syringe.`
        : bleederFault(plans, event.openingId);
    }
    case 'flow set': {
      const opening = plans.flatMap((p) => p.openings).find((s) => s.id === event.openingId);
      return opening && (!opening.fromReservoir || opening.mostMlS === null)
        ? `Nothing flows by itself at ${bleederName(opening.bleeder)}; count the ${opening.counted} there.`
        : bleederFault(plans, event.openingId);
    }
    case 'level seen': {
      const opening = plans.flatMap((p) => p.openings).find((s) => s.id === event.openingId);
      const reservoir = plans
        .flatMap((p) => p.reservoirs)
        .find((b) => b.id === opening?.reservoirId);
      if (!reservoir) return bleederFault(plans, event.openingId);
      return event.levelMl <= reservoir.maxMl
        ? null
        : `${reservoir.name} holds ${reservoir.maxMl} mL at MAX; its level should be between 0 and that.`;
    }
    case 'drawn off':
    case 'topped up': {
      const reservoirs = [...new Set(plans.flatMap((p) => p.reservoirs.map((b) => b.id)))];
      return reservoirs.includes(event.reservoirId)
        ? null
        : `There is no reservoir chamber "${event.reservoirId}"; it should be one of ${reservoirs.join(', ')}.`;
    }
    case 'halted': {
      const { openingId, masterId = null } = event;
      if (masterId !== null && !plans.some((p) => p.layout.masters.some((m) => m.id === masterId)))
        return `There is no master "${masterId}" in the layout of this plan.`;
      return openingId === null ? null : bleederFault(plans, openingId);
    }
    case 'decided':
      return has(event.haltId) ? null : `There is no halt "${event.haltId}" to decide on.`;
    case 'mended':
      return event.haltId === null || has(event.haltId)
        ? null
        : `There is no halt "${event.haltId}" that could have been mended.`;
    case 'strokes judged': {
      const unknown = event.eventIds.find((id) => !has(id, 'stroke'));
      return unknown === undefined ? null : `There is no stroke "${unknown}" to judge.`;
    }
    case 'size found':
      return sizeFault(plans[0]!.layout, event);
    case 'taken off':
      return elementFault(plans, event.elementId);
    case 'part fitted':
      return elementFault(plans, event.partId);
    case 'master fitted':
      return plans.some((p) => p.work.master?.masterId === event.masterId)
        ? null
        : `No plan of this job changes a master "${event.masterId}".`;
    case 'counting':
    case 'jar set':
    case 'pressure set':
    case 'note':
      return null;
    default:
      return stageEventFault(plans, event);
  }
}

/** The sentence for a decision that is not open on its halt as the run stands, or null. */
export function decisionFault(
  state: RunState,
  event: Extract<RunEvent, { readonly kind: 'decided' }>,
): string | null {
  const halt = state.halts.find((h) => h.eventId === event.haltId);
  // A halt that was taken back meanwhile, or was decided on already: the decision is kept and changes nothing.
  if (!halt || halt.decision !== null) return null;
  const offered = DECISIONS_ON[halt.reason];
  if (!offered.includes(event.decision))
    return `"${event.decision}" is not open after "${halt.reason}"; it should be one of ${offered.join(', ')}.`;
  if (event.decision === 'go on' || event.decision === 'end job') return null;
  const onward = planOnward(state, halt, event.decision, event.id);
  if (onward.verdict === 'planned') return null;
  const why = onward.reasons.map((r) => refusalWords(state.plan.layout, r)).join(' ');
  return `The rest cannot be planned like this. ${why}`;
}

function bleederFault(plans: readonly Plan[], openingId: string): string | null {
  const openings = plans.flatMap((p) => p.openings.map((s) => s.id));
  return openings.includes(openingId)
    ? null
    : `There is no bleeder "${openingId}" in this plan; it should be one of ${openings.join(', ')}.`;
}

/** The sentence for an element that no plan of the job knows, or null. */
export function elementFault(plans: readonly Plan[], elementId: string): string | null {
  const known = plans.some(({ layout }) =>
    [
      ...layout.reservoirs,
      ...layout.masters,
      ...layout.nodes,
      ...layout.stretches,
      ...layout.bleeders,
    ].some((e) => e.id === elementId),
  );
  return known ? null : `There is no element "${elementId}" in the layout of this plan.`;
}

function stageEventFault(plans: readonly Plan[], event: StageEvent): string | null {
  for (const plan of plans) {
    const stage = plan.stages.find(
      (s): s is OwnStage => s.id === event.stageId && s.kind !== 'bleed',
    );
    if (stage) return stageFault(plan, stage, event);
  }
  return `There is no stage "${event.stageId}" in this plan that is done by itself.`;
}
