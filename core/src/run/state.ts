import type { Plan, PreparationStep } from '../plan';
import type { Colour } from '../fluid';
import type { BubbleReading, Decision, HaltReason, RunEvent } from './event';

/** What is known at one opening of a bleeder. */
export interface BleederState {
  readonly stopId: string;
  readonly strokes: number;
  readonly bledMl: number;
  /** Made before the run was started over; they count as work and fluid, not as wash-out. */
  readonly earlierStrokes: number;
  readonly earlierBledMl: number;
  /** Last reading and the count of strokes at which it was taken. */
  readonly bubbles: { readonly reading: BubbleReading; readonly atStroke: number } | null;
  /** Count of strokes at which bubbles were last seen; 0 when never. */
  readonly lastBubblesAtStroke: number;
  readonly colour: { readonly seen: Colour; readonly atStroke: number } | null;
  readonly shut: boolean;
  /** Left shut by decision: it was not bled and the vehicle cannot be released. */
  readonly left: HaltReason | null;
}

export interface Halt {
  readonly eventId: string;
  readonly reason: HaltReason;
  readonly stopId: string | null;
  readonly decision: Decision | null;
}

/** State of a run: a fold over its log. */
export interface RunState {
  readonly prepared: readonly PreparationStep[];
  /** Stages that open no bleeder: through, or left out with the reason. */
  readonly stages: Readonly<Record<string, { readonly skipped: string | null }>>;
  /** In the order of the plan. */
  readonly bleeders: readonly BleederState[];
  /** Present level by the model, mL, per bowl. */
  readonly levelMl: Readonly<Record<string, number>>;
  readonly removedMl: number;
  readonly pouredMl: number;
  readonly bledMl: number;
  readonly topUps: number;
  readonly halts: readonly Halt[];
  /** How often the run was started over after it ran dry. */
  readonly restarts: number;
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
    prepared: [],
    bleeders: plan.stops.map((s) => freshBleeder(s.id)),
    // A new or dry system begins with nothing above its outlets.
    levelMl: Object.fromEntries(plan.bowls.map((b) => [b.id, plan.work.purpose === 'new or dry' ? b.airDrawnMl : b.maxMl])),
    stages: {},
    removedMl: 0,
    pouredMl: 0,
    bledMl: 0,
    topUps: 0,
    halts: [],
    restarts: 0,
    ended: null,
    openedAtMs: null,
    log: [],
    seenIds: [],
  };
}

/** A bleeder that nothing is known of yet. */
export function freshBleeder(stopId: string): BleederState {
  return {
    stopId,
    strokes: 0,
    bledMl: 0,
    earlierStrokes: 0,
    earlierBledMl: 0,
    bubbles: null,
    lastBubblesAtStroke: 0,
    colour: null,
    shut: false,
    left: null,
  };
}
