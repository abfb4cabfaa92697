import type { Plan, PreparationStep } from '../plan';
import type { Colour } from '../fluid';
import type { ToolEntry } from '../scanTool';
import type { BubbleReading, Decision, HaltReason, RunEvent, ToolWitness } from './event';

/** What is known at one opening of a bleeder. */
export interface BleederState {
  readonly stopId: string;
  readonly strokes: number;
  readonly bledMl: number;
  /** Last reading and the count of strokes at which it was taken. */
  readonly bubbles: { readonly reading: BubbleReading; readonly atStroke: number } | null;
  /** Count of strokes at which bubbles were last seen; 0 when never. */
  readonly lastBubblesAtStroke: number;
  readonly colour: { readonly seen: Colour; readonly atStroke: number } | null;
  readonly shut: boolean;
}

export interface Halt {
  readonly eventId: string;
  readonly reason: HaltReason;
  readonly stopId: string | null;
  readonly decision: Decision | null;
}

/** An entry of a tool cycle and who says so. */
export type ToolRecord = ToolEntry & { readonly by: ToolWitness };

/** What was reached under one plan before the rest was planned anew. */
export interface RunLeg {
  readonly plan: Plan;
  readonly stages: RunState['stages'];
  readonly tools: RunState['tools'];
  readonly bleeders: readonly BleederState[];
  readonly because: HaltReason;
}

/** State of a run: a fold over its log. */
export interface RunState {
  /** The plan in force: the one that was accepted, or what a decision made of the rest of it. */
  readonly plan: Plan;
  /** The plans before it, with what was reached. */
  readonly past: readonly RunLeg[];
  readonly prepared: readonly PreparationStep[];
  /** Stages that open no bleeder: through, or left out with the reason. */
  readonly stages: Readonly<Record<string, { readonly skipped: string | null }>>;
  /** In the order of the plan in force. */
  readonly bleeders: readonly BleederState[];
  /** By bleeder id: left shut by decision. It was not bled and the vehicle cannot be released. */
  readonly leftShut: Readonly<Record<string, HaltReason>>;
  /** What a scan tool said and did, by stage. */
  readonly tools: Readonly<Record<string, readonly ToolRecord[]>>;
  /** Present level by the model, mL, per bowl. */
  readonly levelMl: Readonly<Record<string, number>>;
  readonly removedMl: number;
  readonly pouredMl: number;
  readonly bledMl: number;
  readonly topUps: number;
  readonly halts: readonly Halt[];
  readonly ended: HaltReason | null;
  /** Moment at which the brake was first opened: from here on "do not drive". */
  readonly openedAtMs: number | null;
  /** Events in effect, in log order; what undo works on. */
  readonly log: readonly RunEvent[];
  /** Ids ever seen, undone ones and undos included: a second copy changes nothing. */
  readonly seenIds: readonly string[];
}

/** State before the first event: reservoir at MAX with old fluid, every bleeder shut. */
export function emptyRun(plan: Plan): RunState {
  return {
    plan,
    past: [],
    prepared: [],
    bleeders: plan.stops.map((s) => freshBleeder(s.id)),
    // A new or dry system begins with nothing above its outlets.
    levelMl: Object.fromEntries(
      plan.bowls.map((b) => [b.id, plan.work.purpose === 'new or dry' ? b.airDrawnMl : b.maxMl]),
    ),
    leftShut: {},
    stages: {},
    tools: {},
    removedMl: 0,
    pouredMl: 0,
    bledMl: 0,
    topUps: 0,
    halts: [],
    ended: null,
    openedAtMs: null,
    log: [],
    seenIds: [],
  };
}

/** Whether an opening is still to be done: neither shut, nor of a bleeder that is left shut. */
export function isWaiting(state: RunState, b: BleederState): boolean {
  const bleederId = state.plan.stops.find((s) => s.id === b.stopId)?.bleeder.id;
  return !b.shut && (bleederId === undefined || !(bleederId in state.leftShut));
}

/** The plan that was accepted. */
export function firstPlanOf(state: RunState): Plan {
  return state.past[0]?.plan ?? state.plan;
}

/** A bleeder that nothing is known of yet. */
export function freshBleeder(stopId: string): BleederState {
  return {
    stopId,
    strokes: 0,
    bledMl: 0,
    bubbles: null,
    lastBubblesAtStroke: 0,
    colour: null,
    shut: false,
  };
}
