import type { HowKnown } from '../../vehicle/circuit';
import type { Colour } from '../../fluid/verdict';
import type { Plan, PreparationStep } from '../../bleed/plan';
import type { MasterChanged } from '../../bleed/scope';
import type { StageEvent } from '../../bleed/stages';

export const BUBBLE_READINGS = ['none', 'fine', 'some', 'many'] as const;
export type BubbleReading = (typeof BUBBLE_READINGS)[number];

/** What can stop a run. */
export const HALT_REASONS = [
  'ran dry',
  'seized',
  'snapped',
  'nothing comes',
  'air never ends',
  'tool stopped',
  'wrong part',
  'not as planned',
  'other size',
  'grease',
  'other product',
  'leak',
  'pedal not right',
] as const;
export type HaltReason = (typeof HALT_REASONS)[number];

/** Those that can be met at a bleeder; the pedal is judged when all of them are shut, a tool's stop, a wrong part and another size follow from what is recorded. */
export const HALTS_AT_BLEEDER = HALT_REASONS.filter(
  (r) =>
    r !== 'pedal not right' &&
    r !== 'tool stopped' &&
    r !== 'wrong part' &&
    r !== 'not as planned' &&
    r !== 'other size',
);

/** What a mend cures on the vehicle, so that the run goes on where it stood [C]. */
export const MENDABLE: readonly HaltReason[] = ['leak'];

/** What a person may decide on a halt. */
export const DECISIONS = [
  'plan anew',
  'another method',
  'go on',
  'do it last',
  'leave shut',
  'end job',
] as const;
export type Decision = (typeof DECISIONS)[number];

/** Decisions after which the rest is planned anew from the state reached. */
export type Onward = Exclude<Decision, 'go on' | 'end job'>;

/** How strokes are counted: a tap for each, by a beat, by reading the jar, by a helper's phone. */
export const COUNT_WAYS = ['tap', 'tempo', 'jar', 'helper'] as const;
export type CountWay = (typeof COUNT_WAYS)[number];

/** How many strokes are said at once, at the most. */
export const MOST_MADE = 10;

/** How the order of a round is broken: let go while the bleeder was open, or the end of the hose out of the fluid. */
export const BROKEN_ROUNDS = ['let go while open', 'hose end out'] as const;
export type BrokenRound = (typeof BROKEN_ROUNDS)[number];

/** What may help where bubbles stay the same, in order of effort [C]. */
export const TRIES = [
  'open less',
  'tap it',
  'flick it',
  'another stroke',
  'turn it up',
  'wait',
  'another method',
] as const;
export type Try = (typeof TRIES)[number];

/** By how much the jar says that more left an opening than was counted there, mL; below 0 less. */
export interface JarShare {
  readonly openingId: string;
  readonly ml: number;
  /** Of that, what a fill of its reservoir has made up for since, mL: so much more, or less, was poured. */
  readonly filledMl: number;
  /** Of that, what its reservoir stands lower now, or higher, mL. */
  readonly fellMl: number;
}

/** What every event of a log carries; made on the phone that saw it happen. */
export interface EventBase {
  /** Made by the client; the same id always means the same event. */
  readonly id: string;
  readonly deviceId: string;
  /** Counts up on that device from 1; 0 where the server made the event. */
  readonly deviceSeq: number;
  /** When it happened by that device's clock, milliseconds since 1970. */
  readonly atMs: number;
  /** The plan under which it was made; null before there was one. */
  readonly planId: string | null;
}

/** What is said of a master once its lines are joined. */
export type MasterJoined = Pick<
  MasterChanged,
  'linesStayedFull' | 'nothingElseOpened' | 'modulatorLostNothing' | 'heldDown' | 'bench'
>;

/** How tight a bleeder was made: an honest "by feel" is never a torque. */
export type Tightened = 'by feel' | { readonly torqueNm: number };

/** What is done and seen while a vehicle is bled, without what every event carries. `openingId` names one opening of a bleeder. */
export type RunHappening =
  | {
      readonly kind: 'prepared';
      readonly step: PreparationStep;
      /** Of a first fill: out of which container, where somebody said so. */
      readonly containerId?: string | null;
    }
  /** From here on this device counts, and no other: one source at a time. `knew` is the last event of the log that it knew; what was counted behind that it has not seen. */
  | { readonly kind: 'counting'; readonly way: CountWay; readonly knew?: string | null | undefined }
  /** One stroke or mark; several made in a row and said at once, where `made` says how many. */
  | { readonly kind: 'stroke'; readonly openingId: string; readonly made?: number | undefined }
  /** The order of a round was broken: air may have gone in, and what was seen free of bubbles counts no more. */
  | { readonly kind: 'round broken'; readonly openingId: string; readonly how: BrokenRound }
  /** What another source counted meanwhile: strokes of their own, or the same ones counted twice. */
  | {
      readonly kind: 'strokes judged';
      readonly eventIds: readonly string[];
      readonly count: boolean;
    }
  | { readonly kind: 'bubbles'; readonly openingId: string; readonly reading: BubbleReading }
  | { readonly kind: 'colour'; readonly openingId: string; readonly colour: Colour }
  /** Where bubbles stay the same: what was tried against it, or passed over. */
  | {
      readonly kind: 'tried';
      readonly openingId: string;
      readonly what: Try;
      readonly done: boolean;
    }
  /** How far the bleeder was opened, turns. */
  | { readonly kind: 'bleeder opened'; readonly openingId: string; readonly turns: number }
  /** A pot at the reservoir: put under pressure, or let off, by its gauge. */
  | { readonly kind: 'pressure set'; readonly on: boolean }
  /** A steady flow was let run, so long at the most until somebody looks, or was stopped. What it gave is read on the jar. */
  | {
      readonly kind: 'flow set';
      readonly openingId: string;
      /** Null where it was stopped. */
      readonly lookAfterS: number | null;
    }
  /** From below: no air left in the tube of the syringe, joined to the bleeder and tied. Only then it may be opened. */
  | { readonly kind: 'syringe readied'; readonly openingId: string }
  /** The syringe is empty: shut before the plunger comes back, and readied anew. */
  | { readonly kind: 'syringe empty'; readonly openingId: string }
  /** Filled up; out of which container, where somebody said so. */
  | {
      readonly kind: 'topped up';
      readonly reservoirId: string;
      readonly containerId: string | null;
    }
  /** A reservoir drawn off to half, before or while fluid is pushed up into it. */
  | { readonly kind: 'drawn off'; readonly reservoirId: string }
  /** A look into a reservoir while a steady flow fills a way: where it stands, and whether fluid comes at the bleeder by now. */
  | {
      readonly kind: 'level seen';
      readonly openingId: string;
      readonly levelMl: number;
      readonly fluidComes: boolean;
    }
  /** The jar as it was emptied, changed or first put under: what stands in it now counts nothing. */
  | { readonly kind: 'jar set'; readonly jarMl: number }
  /** How much stands in the jar: the count and the reservoirs follow from it. */
  | {
      readonly kind: 'jar read';
      readonly openingId: string;
      readonly jarMl: number;
      /** As the fold reads it: by how much the count of each opening was short, mL, with its sign. The phone leaves it out. */
      readonly shares?: readonly JarShare[];
    }
  /** Bleeder shut, hose off, cap on. */
  | { readonly kind: 'shut'; readonly openingId: string; readonly tightened: Tightened }
  /** Somebody goes back to a bleeder that was through: three strokes and a look follow before it is shut again. */
  | { readonly kind: 'opened again'; readonly openingId: string }
  /** It was shut before it was done, and why: what it lacks stays as an open item. */
  | { readonly kind: 'shut early'; readonly openingId: string; readonly reason: string }
  | StageEvent
  | {
      readonly kind: 'halted';
      readonly reason: HaltReason;
      readonly openingId: string | null;
      /** The control at which it was found, where it was one: only that one is bled again. */
      readonly masterId?: string | null;
    }
  | {
      readonly kind: 'decided';
      readonly haltId: string;
      readonly decision: Decision;
      /** As it is stored: the plan of the rest that followed, null where the plan stayed. The phone that decides leaves it out. */
      readonly plan?: Plan | null;
    }
  /** Something that was wrong was put right: what a halt was for, or what was owed from before. */
  | {
      readonly kind: 'mended';
      readonly haltId: string | null;
      readonly openItemId?: string | null;
      readonly where: string;
      readonly how: string;
    }
  /** A size as it was found on this vehicle, in the unit of that size. */
  | {
      readonly kind: 'size found';
      readonly elementId: string;
      readonly size: string;
      readonly value: number | string;
      readonly how?: HowKnown | undefined;
    }
  /** A part that was still to be done is fitted, and how that went. What was not kept halts the run. */
  | {
      readonly kind: 'part fitted';
      readonly partId: string;
      readonly cappedAtOnce: boolean;
      readonly keptFull: boolean;
    }
  /** A master that was still to be changed is joined, and how that went. What was not kept halts the run. */
  | ({ readonly kind: 'master fitted'; readonly masterId: string } & MasterJoined)
  /** A part came off the vehicle: from here on it must not be driven. */
  | { readonly kind: 'taken off'; readonly elementId: string }
  | { readonly kind: 'note'; readonly text: string };

/** An undo names the event that it takes back; it can be taken back itself. */
export type Undone = { readonly kind: 'undone'; readonly eventId: string };

/** One event of a run. */
export type RunEvent = EventBase & RunHappening;

/** An event with the name of the person behind it, as the log keeps it. */
export type Logged<E> = E & { readonly person: string };
