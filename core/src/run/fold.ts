import { OPENING_STEPS, type Plan } from '../plan';
import type { HaltReason, RunEvent } from './event';
import { emptyRun, freshBleeder, type BleederState, type RunState } from './state';

/**
 * State of a run from its log, in log order. The same everywhere: phone,
 * server, record. An id that was seen before changes nothing; undo names the
 * id that it undoes.
 */
export function foldRun(plan: Plan, events: readonly RunEvent[], from: RunState = emptyRun(plan)): RunState {
  return events.reduce((state, event) => foldEvent(plan, state, event), from);
}

/** One event on top of a state. */
export function foldEvent(plan: Plan, state: RunState, event: RunEvent): RunState {
  if (state.seenIds.includes(event.id)) return state;
  const seenIds = [...state.seenIds, event.id];
  if (event.kind === 'undone') {
    const kept = state.log.filter((e) => e.id !== event.eventId);
    if (kept.length === state.log.length) return { ...state, seenIds };
    return { ...kept.reduce((s, e) => apply(plan, s, e), emptyRun(plan)), seenIds };
  }
  return { ...apply(plan, state, event), seenIds };
}

function apply(plan: Plan, before: RunState, event: RunEvent): RunState {
  const state = { ...before, log: [...before.log, event] };
  switch (event.kind) {
    case 'prepared':
      return prepare(plan, state, event);
    case 'stroke':
      return stroke(plan, state, event);
    case 'bubbles':
      return atBleeder(state, event.stopId, (b) => ({
        ...b,
        bubbles: { reading: event.reading, atStroke: b.strokes },
        lastBubblesAtStroke: event.reading === 'none' ? b.lastBubblesAtStroke : b.strokes,
      }));
    case 'colour':
      return atBleeder(state, event.stopId, (b) => ({ ...b, colour: { seen: event.colour, atStroke: b.strokes } }));
    case 'topped up':
      return topUp(plan, state, event.bowlId);
    case 'shut':
      return atBleeder(state, event.stopId, (b) => ({ ...b, shut: true }));
    case 'stage done':
      return { ...state, stages: { ...state.stages, [event.stageId]: { skipped: null } } };
    case 'stage skipped':
      return { ...state, stages: { ...state.stages, [event.stageId]: { skipped: event.reason } } };
    case 'halted':
      return halt(plan, state, event);
    case 'decided':
      return decide(plan, state, event);
    case 'undone':
      return state;
    default:
      return event satisfies never;
  }
}

function prepare(plan: Plan, state: RunState, event: Extract<RunEvent, { kind: 'prepared' }>): RunState {
  if (state.prepared.includes(event.step)) return state;
  const next = {
    ...state,
    prepared: [...state.prepared, event.step],
    openedAtMs: state.openedAtMs ?? (OPENING_STEPS.includes(event.step) ? event.atMs : null),
  };
  if (event.step === 'empty reservoir') {
    const removed = plan.bowls.reduce((sum, b) => sum + state.levelMl[b.id]! - b.airDrawnMl, 0);
    return { ...next, removedMl: state.removedMl + removed, levelMl: Object.fromEntries(plan.bowls.map((b) => [b.id, b.airDrawnMl])) };
  }
  if (event.step === 'fill reservoir') return plan.bowls.reduce<RunState>((s, b) => fillTo(s, b.id, b.maxMl), next);
  return next;
}

function stroke(plan: Plan, state: RunState, event: Extract<RunEvent, { kind: 'stroke' }>): RunState {
  const stop = plan.stops.find((s) => s.id === event.stopId);
  if (!stop) return state;
  const ml = stop.strokeMl.value;
  // From below the fluid comes out of the syringe, and the bowl is drawn down as it rises.
  const levelMl = stop.fromBowl ? { ...state.levelMl, [stop.bowlId]: state.levelMl[stop.bowlId]! - ml } : state.levelMl;
  const next = { ...state, levelMl, bledMl: state.bledMl + ml, pouredMl: state.pouredMl + (stop.fromBowl ? 0 : ml), openedAtMs: state.openedAtMs ?? event.atMs };
  return atBleeder(next, event.stopId, (b) => ({ ...b, strokes: b.strokes + 1, bledMl: b.bledMl + ml }));
}

function topUp(plan: Plan, state: RunState, bowlId: string): RunState {
  const bowl = plan.bowls.find((b) => b.id === bowlId);
  if (!bowl) return state;
  const everyShut = state.bleeders.every((b) => b.shut || b.left !== null);
  return { ...fillTo(state, bowlId, everyShut ? bowl.finalLevelMl : bowl.maxMl), topUps: state.topUps + (everyShut ? 0 : 1) };
}

function fillTo(state: RunState, bowlId: string, toMl: number): RunState {
  const poured = Math.max(0, toMl - state.levelMl[bowlId]!);
  return { ...state, pouredMl: state.pouredMl + poured, levelMl: { ...state.levelMl, [bowlId]: state.levelMl[bowlId]! + poured } };
}

function halt(plan: Plan, state: RunState, event: Extract<RunEvent, { kind: 'halted' }>): RunState {
  const next = { ...state, halts: [...state.halts, { eventId: event.id, reason: event.reason, stopId: event.stopId, decision: null }] };
  if (event.reason !== 'ran dry') return next;
  // Where it ran dry is not known for every bowl, so all count as drawn down to where air comes in.
  return { ...next, levelMl: Object.fromEntries(plan.bowls.map((b) => [b.id, Math.min(b.airDrawnMl, state.levelMl[b.id]!)])) };
}

function decide(plan: Plan, state: RunState, event: Extract<RunEvent, { kind: 'decided' }>): RunState {
  const halt = state.halts.find((h) => h.eventId === event.haltId);
  if (!halt || halt.decision !== null) return state;
  const next = { ...state, halts: state.halts.map((h) => (h === halt ? { ...h, decision: event.decision } : h)) };
  switch (event.decision) {
    case 'go on':
      return next;
    case 'end job':
      return { ...next, ended: halt.reason };
    case 'leave shut':
      return halt.stopId === null ? next : leaveShut(plan, next, halt.stopId, halt.reason);
    case 'start again': {
      // Air may stand anywhere: the reservoir is filled and every bleeder comes again from the first.
      const filled = plan.bowls.reduce<RunState>((s, b) => fillTo(s, b.id, b.maxMl), next);
      return {
        ...filled,
        restarts: state.restarts + 1,
        bleeders: state.bleeders.map((b) => (b.left ? b : startedAgain(b))),
      };
    }
    default:
      return event.decision satisfies never;
  }
}

/** A bleeder that is left shut is left in every later pass too. */
function leaveShut(plan: Plan, state: RunState, stopId: string, reason: HaltReason): RunState {
  const bleederId = plan.stops.find((s) => s.id === stopId)?.bleeder.id;
  const same = new Set(plan.stops.filter((s) => s.bleeder.id === bleederId).map((s) => s.id));
  return { ...state, bleeders: state.bleeders.map((b) => (b.stopId === stopId || (same.has(b.stopId) && !b.shut) ? { ...b, left: reason } : b)) };
}

function startedAgain(b: BleederState): BleederState {
  return { ...freshBleeder(b.stopId), earlierStrokes: b.earlierStrokes + b.strokes, earlierBledMl: b.earlierBledMl + b.bledMl };
}

function atBleeder(state: RunState, stopId: string, change: (b: BleederState) => BleederState): RunState {
  return { ...state, bleeders: state.bleeders.map((b) => (b.stopId === stopId ? change(b) : b)) };
}
