import type { SizeFound } from '../../vehicle/circuit';
import { toFillMl, type Empties } from '../../fluid/inside';
import type { Plan, PreparationStep } from '../../bleed/plan';
import type { Colour } from '../../fluid/verdict';
import type { StageState } from '../../bleed/stages';
import type { HaltReason } from './haltReason';
import type { BubbleReading, CountWay, Decision, Tightened, Try } from './terms';

/** What was tried where bubbles stayed the same, or passed over, and what it changed. */
export interface Tried {
  readonly what: Try;
  readonly done: boolean;
  readonly atStroke: number;
  readonly before: BubbleReading | null;
  /** Read after the strokes that followed; null as long as nobody has looked. */
  readonly after: BubbleReading | null;
}

/** What is known at one opening of a bleeder. */
export interface BleederState {
  readonly openingId: string;
  readonly strokes: number;
  /** Out at this bleeder, into the jar. */
  readonly bledMl: number;
  /** Drawn at this opening and swallowed by what was empty on its way. */
  readonly swallowedMl: number;
  /** Whether a jar that was read says what it gave. */
  readonly byJar: boolean;
  /** Last reading and the count of strokes at which it was taken. */
  readonly bubbles: { readonly reading: BubbleReading; readonly atStroke: number } | null;
  /** Count of strokes at which bubbles were last seen; 0 when never. */
  readonly lastBubblesAtStroke: number;
  /** Equal readings other than none in a row, with strokes between them. */
  readonly equalBubbles: number;
  readonly tried: readonly Tried[];
  /** Rounds whose order was broken. */
  readonly broken: number;
  /** Count of strokes at which that happened last; 0 when never, or before the first. */
  readonly lastBrokenAtStroke: number;
  readonly colour: { readonly seen: Colour; readonly atStroke: number } | null;
  /** How far it was opened, turns; null where nobody said. */
  readonly openedTurns: number | null;
  /** Count of strokes at which somebody came back to it; null where nobody did. */
  readonly againAtStroke: number | null;
  /** A steady flow that runs, with the event that let it; null where none does. */
  readonly flow: {
    readonly eventId: string;
    readonly sinceMs: number;
    readonly dueMs: number;
  } | null;
  /** Whether it ran since somebody looked what it gave. */
  readonly flowUnread: boolean;
  /** From below: whether the syringe that is joined was rid of its air and tied. */
  readonly syringeReady: boolean;
  readonly shut: boolean;
  readonly tightened: Tightened | null;
  /** Why it was shut before it was done; null where nobody said so. */
  readonly early: string | null;
}

export interface Halt {
  readonly eventId: string;
  readonly reason: HaltReason;
  readonly openingId: string | null;
  /** The control at which it was found; null where it was none, or nobody said which. */
  readonly masterId: string | null;
  readonly decision: Decision | null;
}

/** The jar under the bleeders, since somebody last looked at it. */
export interface Jar {
  /** Where it stands by that look and by the count since, mL. */
  readonly standsMl: number;
  /** Whether somebody looked at it: until then what stood in it at first is not known, and taken for none. */
  readonly seen: boolean;
  /** Whether it was emptied or changed unread: then what was bled altogether is no measurement. */
  readonly unread: boolean;
  /** What each opening gave since by the count, and what it may have given more with full strokes, mL. */
  readonly since: readonly JarShareSince[];
}

/** What one opening gave since somebody looked at the jar, mL. */
export interface JarShareSince {
  readonly openingId: string;
  readonly reservoirId: string;
  readonly ml: number;
  /** Of that, what a fill of its reservoir made up for since: an error of the count is in what was poured. */
  readonly filledMl: number;
  /** Of that, what fell since the level was last known: an error of the count is in the level. */
  readonly fellMl: number;
  /** What full strokes may have given beyond it. */
  readonly slackMl: number;
}

/** Who counts: one source at a time. */
export interface Counting {
  readonly deviceId: string;
  readonly way: CountWay;
}

/** A stroke that another source counted: it counts when somebody says so. */
export interface UncountedStroke {
  readonly eventId: string;
  readonly openingId: string;
  readonly deviceId: string;
  readonly person: string;
  readonly atMs: number;
  /** How many it says. */
  readonly made: number;
}

/** What was reached under one plan before the rest was planned anew. */
export interface RunLeg {
  readonly plan: Plan;
  readonly stages: RunStanding['stages'];
  readonly bleeders: readonly BleederState[];
  readonly because: HaltReason;
}

/** Where a run stands, but for its log. */
export interface RunStanding {
  /** The plan that was accepted, by the sizes that were guessed then. */
  readonly accepted: Plan;
  /** Sizes that were found by now: every plan reads by them. */
  readonly sizes: readonly SizeFound[];
  /** The plan in force: the one that was accepted, or what a decision made of the rest of it. */
  readonly plan: Plan;
  /** The plans before it, with what was reached. */
  readonly past: readonly RunLeg[];
  readonly prepared: readonly PreparationStep[];
  /** Parts that were still to be done when the plan was made, and are fitted. */
  readonly fitted: readonly string[];
  /** By stage id: where the stages stand that open no bleeder. */
  readonly stages: Readonly<Record<string, StageState>>;
  /** Whether a pot at the reservoir is under pressure: then its cap is not touched. */
  readonly pressureOn: boolean;
  /** In the order of the plan in force. */
  readonly bleeders: readonly BleederState[];
  /** Bleeders left shut by decision. They were not bled and the vehicle cannot be released. */
  readonly leftShut: ReadonlyMap<string, HaltReason>;
  /** Present level by the model, mL, per reservoir. */
  readonly levelMl: Readonly<Record<string, number>>;
  /** Where it may stand at the lowest, if every stroke since the last fill was a full one, mL, per reservoir: the calls go by it. */
  readonly leastMl: Readonly<Record<string, number>>;
  /** What is empty on the ways still: it takes up fluid before any comes at a bleeder. */
  readonly empties: Empties;
  readonly removedMl: number;
  readonly pouredMl: number;
  /** Of that, what was poured out of containers that somebody named, mL by container. */
  readonly pouredFromMl: Readonly<Record<string, number>>;
  /** Out at the bleeders, into the jar. */
  readonly bledMl: number;
  readonly jar: Jar;
  readonly topUps: number;
  readonly halts: readonly Halt[];
  readonly ended: HaltReason | null;
  /** Moment at which the brake was first opened: from here on "do not drive". */
  readonly openedAtMs: number | null;
  /** Null until somebody counts. */
  readonly counting: Counting | null;
  /** Strokes of another source that nobody has judged yet. */
  readonly asked: readonly UncountedStroke[];
}

/** Where the reservoirs stand when a plan begins, mL. */
export function levelsAtFirst({ reservoirs, inside }: Plan): Readonly<Record<string, number>> {
  return Object.fromEntries(reservoirs.map((b) => [b.id, b.maxMl - toFillMl(inside[b.id]!)]));
}

/** Whether what was bled so far is what the jar holds as it was read. */
export const isBledMeasured = ({ jar, bledMl }: Pick<RunStanding, 'jar' | 'bledMl'>): boolean =>
  jar.seen && !jar.unread && jar.since.length === 0 && bledMl > 0;

/** Whether an opening is still to be done: neither shut, nor of a bleeder that is left shut. */
export function isWaiting(state: RunStanding, b: BleederState): boolean {
  const bleederId = state.plan.openings.find((s) => s.id === b.openingId)?.bleeder.id;
  return !b.shut && (bleederId === undefined || !state.leftShut.has(bleederId));
}

/** The plan that was accepted, by the sizes as they are known. */
export function firstPlanOf(state: Pick<RunStanding, 'plan' | 'past'>): Plan {
  return state.past[0]?.plan ?? state.plan;
}

/** Every plan of a run, in the order in which they came into force. */
export function plansOf(state: Pick<RunStanding, 'plan' | 'past'>): Plan[] {
  return [...state.past.map((leg) => leg.plan), state.plan];
}

/** A bleeder that nothing is known of yet. */
export function freshBleeder(openingId: string): BleederState {
  return {
    openingId,
    strokes: 0,
    bledMl: 0,
    swallowedMl: 0,
    byJar: false,
    bubbles: null,
    lastBubblesAtStroke: 0,
    equalBubbles: 0,
    tried: [],
    broken: 0,
    lastBrokenAtStroke: 0,
    colour: null,
    openedTurns: null,
    againAtStroke: null,
    flow: null,
    flowUnread: false,
    syringeReady: false,
    shut: false,
    tightened: null,
    early: null,
  };
}
