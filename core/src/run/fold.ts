import { slavePasses } from '../clutch';
import { OPENING_STEPS, type Plan } from '../plan';
import { toolUnmet } from '../scanTool';
import { bowlsRunDry } from './dry';
import type { HaltReason, RunEvent } from './event';
import { planOnward } from './onward';
import { partFaultsOf } from './stages';
import {
  emptyRun,
  firstPlanOf,
  freshBleeder,
  isWaiting,
  type BleederState,
  type RunState,
  type ToolRecord,
} from './state';

/**
 * State of a run from its log, in log order. The same everywhere: phone,
 * server, record. An id that was seen before changes nothing; undo names the
 * id that it undoes.
 *
 * @param plan the one that was accepted
 */
export function foldRun(
  plan: Plan,
  events: readonly RunEvent[],
  from: RunState = emptyRun(plan),
): RunState {
  return events.reduce(foldEvent, from);
}

/** One event on top of a state. */
export function foldEvent(state: RunState, event: RunEvent): RunState {
  if (state.seenIds.includes(event.id)) return state;
  const seenIds = [...state.seenIds, event.id];
  if (event.kind === 'undone') {
    const kept = state.log.filter((e) => e.id !== event.eventId);
    if (kept.length === state.log.length) return { ...state, seenIds };
    return { ...kept.reduce(apply, emptyRun(firstPlanOf(state))), seenIds };
  }
  return { ...apply(state, event), seenIds };
}

function apply(before: RunState, event: RunEvent): RunState {
  if (event.kind === 'decided') return decide(before, event);
  const state = logged(before, event);
  switch (event.kind) {
    case 'prepared':
      return prepare(state, event);
    case 'stroke':
      return stroke(state, event);
    case 'bubbles':
      return atBleeder(state, event.stopId, (b) => ({
        ...b,
        bubbles: { reading: event.reading, atStroke: b.strokes },
        lastBubblesAtStroke: event.reading === 'none' ? b.lastBubblesAtStroke : b.strokes,
      }));
    case 'colour':
      return atBleeder(state, event.stopId, (b) => ({
        ...b,
        colour: { seen: event.colour, atStroke: b.strokes },
      }));
    case 'topped up':
      return topUp(state, event.bowlId);
    case 'shut':
      return atBleeder(state, event.stopId, (b) => ({ ...b, shut: true }));
    case 'stage done': {
      // Lines that come off open the system as a bleeder does.
      const opens = state.plan.stages.some(
        (s) => s.id === event.stageId && s.kind === 'join lines',
      );
      return {
        ...state,
        openedAtMs: state.openedAtMs ?? (opens ? event.atMs : null),
        stages: { ...state.stages, [event.stageId]: { skipped: null } },
      };
    }
    case 'stage skipped':
      return { ...state, stages: { ...state.stages, [event.stageId]: { skipped: event.reason } } };
    case 'part compared':
      return partFaultsOf(state.plan, event).length > 0
        ? halt(state, { id: event.id, reason: 'wrong part', stopId: null })
        : { ...state, stages: { ...state.stages, [event.stageId]: { skipped: null } } };
    case 'slave tested': {
      const test = state.plan.stages.find((s) => s.id === event.stageId);
      if (test?.kind !== 'slave test') return state;
      return slavePasses(test, event)
        ? { ...state, stages: { ...state.stages, [event.stageId]: { skipped: null } } }
        : halt(state, { id: event.id, reason: 'pedal not right', stopId: null });
    }
    case 'tool checked': {
      const next = toolSaid(state, event.stageId, {
        kind: 'checked',
        check: event.check,
        by: event.by,
      });
      return toolUnmet(event.check).length > 0
        ? halt(next, { id: event.id, reason: 'tool stopped', stopId: null })
        : next;
    }
    case 'tool step': {
      const next = toolSaid(state, event.stageId, {
        kind: 'step',
        stepId: event.stepId,
        done: event.done,
        atMs: event.atMs,
        by: event.by,
      });
      return event.done ? next : halt(next, { id: event.id, reason: 'tool stopped', stopId: null });
    }
    case 'halted':
      return halt(state, event);
    case 'undone':
      return state;
    default:
      return event satisfies never;
  }
}

function prepare(state: RunState, event: Extract<RunEvent, { kind: 'prepared' }>): RunState {
  if (state.prepared.includes(event.step)) return state;
  const { bowls } = state.plan;
  const next = {
    ...state,
    prepared: [...state.prepared, event.step],
    openedAtMs: state.openedAtMs ?? (OPENING_STEPS.includes(event.step) ? event.atMs : null),
  };
  if (event.step === 'empty reservoir') {
    const removed = bowls.reduce((sum, b) => sum + state.levelMl[b.id]! - b.airDrawnMl, 0);
    return {
      ...next,
      removedMl: state.removedMl + removed,
      levelMl: Object.fromEntries(bowls.map((b) => [b.id, b.airDrawnMl])),
    };
  }
  if (event.step === 'fill reservoir')
    return bowls.reduce<RunState>((s, b) => fillTo(s, b.id, b.maxMl), next);
  return next;
}

function stroke(state: RunState, event: Extract<RunEvent, { kind: 'stroke' }>): RunState {
  const stop = state.plan.stops.find((s) => s.id === event.stopId);
  if (!stop) return state;
  const ml = stop.strokeMl.value;
  // From below the fluid comes out of the syringe, and the bowl is drawn down as it rises.
  const levelMl = stop.fromBowl
    ? { ...state.levelMl, [stop.bowlId]: state.levelMl[stop.bowlId]! - ml }
    : state.levelMl;
  const next = {
    ...state,
    levelMl,
    bledMl: state.bledMl + ml,
    pouredMl: state.pouredMl + (stop.fromBowl ? 0 : ml),
    openedAtMs: state.openedAtMs ?? event.atMs,
  };
  return atBleeder(next, event.stopId, (b) => ({
    ...b,
    strokes: b.strokes + 1,
    bledMl: b.bledMl + ml,
  }));
}

function topUp(state: RunState, bowlId: string): RunState {
  const bowl = state.plan.bowls.find((b) => b.id === bowlId);
  if (!bowl) return state;
  const everyShut = state.bleeders.every((b) => !isWaiting(state, b));
  return {
    ...fillTo(state, bowlId, everyShut ? bowl.finalLevelMl : bowl.maxMl),
    topUps: state.topUps + (everyShut ? 0 : 1),
  };
}

function fillTo(state: RunState, bowlId: string, toMl: number): RunState {
  const poured = Math.max(0, toMl - state.levelMl[bowlId]!);
  return {
    ...state,
    pouredMl: state.pouredMl + poured,
    levelMl: { ...state.levelMl, [bowlId]: state.levelMl[bowlId]! + poured },
  };
}

const toolSaid = (state: RunState, stageId: string, said: ToolRecord): RunState => ({
  ...state,
  tools: { ...state.tools, [stageId]: [...(state.tools[stageId] ?? []), said] },
});

function halt(
  state: RunState,
  event: Pick<Extract<RunEvent, { kind: 'halted' }>, 'id' | 'reason' | 'stopId'>,
): RunState {
  const next = {
    ...state,
    halts: [
      ...state.halts,
      { eventId: event.id, reason: event.reason, stopId: event.stopId, decision: null },
    ],
  };
  if (event.reason !== 'ran dry') return next;
  const dry = new Set(bowlsRunDry(state.plan, event.stopId));
  const levels = state.plan.bowls.map((b) => [
    b.id,
    dry.has(b.id) ? Math.min(b.airDrawnMl, state.levelMl[b.id]!) : state.levelMl[b.id]!,
  ]);
  return { ...next, levelMl: { ...state.levelMl, ...Object.fromEntries(levels) } };
}

function decide(state: RunState, event: Extract<RunEvent, { kind: 'decided' }>): RunState {
  const halt = state.halts.find((h) => h.eventId === event.haltId);
  if (!halt || halt.decision !== null) return logged(state, { ...event, plan: null });
  const decided = {
    ...state,
    halts: state.halts.map((h) => (h === halt ? { ...h, decision: event.decision } : h)),
  };
  switch (event.decision) {
    case 'go on':
      return logged(decided, { ...event, plan: null });
    case 'end job':
      return { ...logged(decided, { ...event, plan: null }), ended: halt.reason };
    case 'plan anew':
    case 'leave shut':
    case 'do it last': {
      const onward = event.plan === undefined ? planOnward(decided, halt, event.decision) : null;
      // Where the rest cannot be planned like this, nothing is decided.
      if (onward?.verdict === 'refused') return logged(state, { ...event, plan: null });
      const plan = onward ? onward.plan : (event.plan ?? null);
      const bleederId = state.plan.stops.find((s) => s.id === halt.stopId)?.bleeder.id;
      const left =
        event.decision === 'leave shut' && bleederId !== undefined
          ? { ...decided, leftShut: { ...decided.leftShut, [bleederId]: halt.reason } }
          : decided;
      const next = logged(left, { ...event, plan });
      return plan ? takeUp(next, plan, halt.reason) : next;
    }
    default:
      return event.decision satisfies never;
  }
}

/** From here on the rest goes by another plan; what was done under the one before stays beside it. */
function takeUp(state: RunState, plan: Plan, because: HaltReason): RunState {
  const { stages, tools, bleeders } = state;
  return {
    ...state,
    plan,
    stages: {},
    tools: {},
    bleeders: plan.stops.map((s) => freshBleeder(s.id)),
    past: [...state.past, { plan: state.plan, stages, tools, bleeders, because }],
    prepared: state.prepared.filter((s) => !plan.preparation.includes(s)),
    levelMl: { ...Object.fromEntries(plan.bowls.map((b) => [b.id, b.maxMl])), ...state.levelMl },
  };
}

const logged = (state: RunState, event: RunEvent): RunState => ({
  ...state,
  log: [...state.log, event],
});

function atBleeder(
  state: RunState,
  stopId: string,
  change: (b: BleederState) => BleederState,
): RunState {
  return { ...state, bleeders: state.bleeders.map((b) => (b.stopId === stopId ? change(b) : b)) };
}
