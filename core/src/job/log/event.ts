import type { ClockKind } from '../../base/clock';
import type { Figure } from '../../base/figure';
import type {
  Colour,
  DemandSource,
  Dye,
  FluidRequest,
  FluidVerdict,
  Grade,
  IsoClass,
} from '../../fluid/verdict';
import type { CheckItem, ControlCheck, DriveResult, Overridable, TakeUp } from '../gate';
import type { At, MeasuredWhen, PedalResult } from '../../control/pedal';
import type { Plan } from '../../bleed/plan';
import type { HouseRules } from '../../bleed/rules';
import type { EventBase, RunHappening, Undone } from '../run';
import type { WorkDone } from '../../bleed/scope';
import type { AdmitAnswer, OpenRule, ShelfContainer } from '../../fluid/shelf';

/** What is judged and looked at in the proof, each by itself. */
export type ProofHappening =
  /** The result at one control, named by its master; null where an old record did not say which. */
  | {
      readonly kind: 'pedal judged';
      readonly masterId: string | null;
      readonly result: PedalResult;
    }
  /** Where a clutch takes up, in words. */
  | {
      readonly kind: 'take-up judged';
      readonly masterId: string;
      readonly takeUp: TakeUp;
    }
  /** One reading of a ruler at a pedal or lever; the last one of a place counts. */
  | {
      readonly kind: 'pedal read';
      readonly masterId: string;
      readonly when: MeasuredWhen;
      readonly at: At;
      /** Of the first stroke, or after pumping. */
      readonly pumped: boolean;
      readonly heightMm: number;
    }
  /** How far it sank under a steady firm push, by the clock. */
  | {
      readonly kind: 'sink watched';
      readonly masterId: string;
      readonly when: MeasuredWhen;
      readonly mm: number;
      readonly seconds: number;
      /** Left out: off, the servo emptied. */
      readonly engine?: 'running' | undefined;
    }
  /** Where a clutch takes up, by a ruler. */
  | {
      readonly kind: 'take-up read';
      readonly masterId: string;
      readonly restMm: number;
      readonly takeUpMm: number;
      /** After pumping; null where nobody pumped. */
      readonly pumpedMm: number | null;
      /** Free play at the top; null where nobody measured it. */
      readonly playMm: number | null;
      /** Travel of the master's rod with the slave blocked; left out where nobody tried. */
      readonly blockedMm?: number | null | undefined;
      /** Height at which the pedal's stop ends its travel; left out where nobody read it. */
      readonly endOfTravelMm?: number | null | undefined;
    }
  /** One thing that was looked at on the vehicle, or tried at the control of a master. */
  | {
      readonly kind: 'checked';
      readonly item: CheckItem | ControlCheck;
      readonly masterId?: string | null;
      readonly passes: boolean;
    };

/** How a note was taken that is no text. */
export const MEDIA = ['photo', 'voice'] as const;
export type Medium = (typeof MEDIA)[number];

/** A photo or a voice note. What it shows or says is kept under the event's own id, beside the log, and may arrive after it. */
export interface MediaNote {
  readonly kind: 'media note';
  readonly medium: Medium;
  /** The element of the layout at which it was taken; null where it is of the whole vehicle. */
  readonly elementId: string | null;
  /** The item of the proof that it shows; left out where it is of none. */
  readonly proof?:
    | {
        /** Null for what is looked at on the whole vehicle. */
        readonly masterId: string | null;
        readonly item: 'result' | CheckItem | ControlCheck;
      }
    | undefined;
}

/** What comes off a vehicle to be worked on, in the words of one tap [C]. */
export const CAME_OFF = [
  'Wheel',
  'Cap or cover',
  'Clip or bracket',
  'Plug or connector',
  'Line or hose',
  'Caliper or slave',
  'Lever or switch',
  'Another thing',
] as const;
export type CameOff = (typeof CAME_OFF)[number];

/** What comes off goes back on: each is asked back by itself. */
export type RefitHappening =
  | {
      readonly kind: 'came off';
      readonly what: CameOff;
      /** Where; null where it is of the whole vehicle. */
      readonly elementId: string | null;
      /** The photo or voice note that shows or says what it is, by its event; left out without one. */
      readonly noteId?: string | null | undefined;
    }
  /** Of this job by the event that told of it, of an earlier one by its open item. */
  | {
      readonly kind: 'back on';
      readonly eventId: string | null;
      readonly openItemId: string | null;
    };

/** What the manual of this vehicle asks of a clutch, and where somebody wants it to take up: said once, known to its later jobs. */
export interface ClutchNeedHappening {
  readonly kind: 'clutch needs';
  readonly masterId: string;
  /** What the slave must travel, by the manual; null where no manual says it. */
  readonly slaveTravelMm: number | null;
  /** Heights between which it should take up; null where nobody said. */
  readonly window: { readonly leastMm: number; readonly mostMm: number } | null;
  /** Thread of the pedal's rod, mm a turn; null where nobody measured it. */
  readonly pitchMm: number | null;
}

/** Why a part is used again that is looked at once more. */
export const LOOK_LATER = [
  'worn, used again',
  'used, past not known',
  'rebuilt, past not known',
] as const;
export type LookLater = (typeof LOOK_LATER)[number];

/** What is to be looked at again at a later visit, and joints with what was applied to them. */
export type LookAgainHappening =
  | {
      readonly kind: 'joint tightened';
      readonly elementId: string;
      /** The manual's value; null where nobody looked it up. */
      readonly manualNm: number | null;
      /** What was applied; null is by feel. */
      readonly appliedNm: number | null;
    }
  | {
      readonly kind: 'look later';
      /** Where; null where it is of the whole vehicle. */
      readonly elementId: string | null;
      readonly why: LookLater;
      /** Which part, where it comes from, and what was seen. */
      readonly what: string;
      /** Day by which somebody looks, YYYY-MM-DD, or what the odometer reads then; null where nobody said. */
      readonly byDate: string | null;
      readonly byKm: number | null;
    };

/** Clocks of a job: several at once, right on every phone, whoever started them. */
export type ClockHappening =
  | {
      readonly kind: 'clock started';
      readonly clock: ClockKind;
      readonly minutes: number;
      /** Where; null where it is of the whole vehicle. */
      readonly elementId: string | null;
    }
  /** Somebody looked, whether or not it was up; named by the event that started it. */
  | { readonly kind: 'clock ended'; readonly eventId: string };

/** Everything that a phone may say by itself, without reception; it is kept in whatever order it arrives. */
export type PhoneHappening =
  | RunHappening
  | ProofHappening
  | MediaNote
  | RefitHappening
  | ClockHappening
  | LookAgainHappening
  | ClutchNeedHappening
  | Undone;

/** Version of the shape in which a reading of the fluid and its verdict are stored. */
export const FLUID_READ_VERSION = 3;

/** What was read on the cap and seen at the sample points, what is to go in, and the verdict with the rules that were in force. */
export interface FluidRead extends Omit<FluidRequest, 'follow' | 'fill'> {
  /** Of the shape in which it is stored. */
  readonly version: number;
  readonly follow: {
    readonly source: DemandSource;
    readonly why: string;
  } | null;
  readonly fill: {
    readonly grade: Grade;
    readonly isoClass: IsoClass | null;
    /** What a second look at the label read, where the name is a trap. */
    readonly labelRead: Grade | null;
  } | null;
  readonly newColour: Colour | null;
  readonly newDye: Dye | null;
  readonly verdict: FluidVerdict;
  readonly rules: HouseRules;
}

/** The containers with which a plan was accepted, each with why it is looked at twice. */
export interface AcceptedPick {
  readonly containers: readonly (ShelfContainer & AdmitAnswer)[];
  readonly leftOverMl: Figure;
  /** Who took the second look, where one was needed. */
  readonly lookedBy: string | null;
  readonly openRule: OpenRule;
}

/** What a job moved: what came out of which container, what left the vehicle. */
export interface FluidUsedEntry {
  readonly containers: readonly {
    readonly containerId: string;
    readonly pouredMl: number;
    readonly discardedMl: number;
    /** Left in it as counted, where more came out than the shelf knew of; records from before that lack it. */
    readonly countedLeftMl?: number | null;
  }[];
  readonly bledMl: number;
  readonly bledBy: 'strokes' | 'measured';
  readonly removedMl: number;
  readonly spilledMl: number;
  /** Whether what was discarded went into the waste drum. */
  readonly caught: boolean;
  /** Said where more went in than came out and stands in the reservoir. */
  readonly gap?: 'still inside' | null;
}

/** What a person does with the server's answer: it checks first, then puts the event into the log. */
export type DeskHappening =
  /** Why the vehicle is here and what was done to it, as somebody said it; the last word counts. */
  | { readonly kind: 'work said'; readonly work: WorkDone }
  /** How it was taken in: what the odometer read, and who is there to help; null where nobody said. */
  | {
      readonly kind: 'taken in';
      readonly odometerKm: number | null;
      readonly helper: string | null;
    }
  | { readonly kind: 'fluid read'; readonly read: FluidRead }
  | { readonly kind: 'plan accepted'; readonly plan: Plan; readonly pick: AcceptedPick | null }
  | { readonly kind: 'fluid used'; readonly used: FluidUsedEntry }
  /** "Test drive only" was set. */
  | { readonly kind: 'drive set' }
  | { readonly kind: 'drive ended'; readonly result: DriveResult }
  /** A lead let paper go that the gate asked for, by their own sign-in; it stays on the record. */
  | {
      readonly kind: 'overridden';
      readonly code: Overridable;
      /** What of it: the element or the item of the proof. */
      readonly of: string;
      readonly why: string;
    }
  | { readonly kind: 'released' }
  /** Ended unreleased; on a stop the vehicle must not be driven even if nothing was opened. */
  | { readonly kind: 'ended'; readonly reason: string; readonly stop: boolean };

/** One event of a job's log. */
export type JobEvent = EventBase & (PhoneHappening | DeskHappening);
export type JobEventKind = JobEvent['kind'];

/** What can be said of a vehicle outside any job. */
export type VehicleHappening =
  /** Marked by hand, as in the yard: it must not be driven. */
  | { readonly kind: 'marked'; readonly reason: string }
  /** A tool cycle that another workshop did, by its paper; and whether that names the bleed after it. */
  | {
      readonly kind: 'cycle elsewhere';
      readonly workshop: string;
      readonly date: string;
      readonly paper: string;
      readonly bledAfter: boolean;
    }
  | Undone;

/** One event of a vehicle's own log. */
export type VehicleEvent = EventBase & VehicleHappening;

const DESK = [
  'work said',
  'taken in',
  'fluid read',
  'plan accepted',
  'fluid used',
  'drive set',
  'drive ended',
  'overridden',
  'released',
  'ended',
] as const satisfies readonly DeskHappening['kind'][];
const NOT_OF_THE_RUN = [
  ...DESK,
  'pedal judged',
  'take-up judged',
  'pedal read',
  'sink watched',
  'take-up read',
  'clutch needs',
  'checked',
  'media note',
  'came off',
  'back on',
  'joint tightened',
  'look later',
  'clock started',
  'clock ended',
  'undone',
] as const;

/** Whether an event belongs to the run. */
export function isOfRun<E extends { readonly kind: JobEventKind }>(
  event: E,
): event is Exclude<E, { readonly kind: (typeof NOT_OF_THE_RUN)[number] }> {
  return !(NOT_OF_THE_RUN as readonly string[]).includes(event.kind);
}

/** Whether an event is one that a phone says by itself, and so one that it may take back. */
export function isPhoneEvent<E extends { readonly kind: JobEventKind }>(
  event: E,
): event is Exclude<E, { readonly kind: DeskHappening['kind'] }> {
  return !(DESK as readonly string[]).includes(event.kind);
}
