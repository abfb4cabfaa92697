import type { Range } from '../../base/units';

/** The lowest level that somebody may have seen, mm below MAX [M]. */
export const LOWEST_LEVEL_MM: Range = { what: 'Lowest level', unit: 'mm', least: 0, most: 300 };

/** What an odometer may read [M]. */
export const ODOMETER_KM: Range = {
  what: 'Odometer',
  unit: 'km',
  least: 0,
  most: 2_000_000,
  whole: true,
};

/** Why the vehicle is here. */
export const PURPOSES = [
  'routine flush',
  'soft pedal',
  'after work',
  'new or dry',
  'look and prove',
] as const;
export type Purpose = (typeof PURPOSES)[number];

/** A part that was or will be changed or opened: the id of a node, stretch or master, and what a person says about it. */
export interface PartChanged {
  readonly partId: string;
  /** Its line was capped at the joint at once. */
  readonly cappedAtOnce: boolean;
  /** The reservoir was kept full throughout. */
  readonly keptFull: boolean;
  /** A new part, to be compared before it is filled; false where the old one goes back. Left out: new. */
  readonly newPart?: boolean;
  /** Not done yet: the run asks how it went, once it is fitted. Left out: it is done. */
  readonly notYet?: boolean;
}

/** How the bench run of a master ended. */
export const BENCH_ENDS = ['clean', 'a few tiny bubbles', 'not done', 'unknown'] as const;
export type BenchEnd = (typeof BENCH_ENDS)[number];

/** How a master was changed; every condition is asked, none is assumed. */
export interface MasterChanged {
  readonly masterId: string;
  readonly linesStayedFull: boolean;
  readonly linesAboveWheels: boolean;
  readonly nothingElseOpened: boolean;
  readonly modulatorLostNothing: boolean;
  /** Held down while the lines were joined, so that releasing draws the last air back up. */
  readonly heldDown: boolean;
  readonly bench: BenchEnd;
  /** Still to be done: planned with every care, and the run asks how it went once the lines are joined. False: it is on the vehicle. Left out by plans of older rules, which join it anew. */
  readonly notYet?: boolean;
  /** Its lines that cross, from the one that lies on top; left out or empty: they do not. */
  readonly linesOver?: readonly string[];
}

/** What earlier jobs left on the vehicle and this one takes over: it is opened whatever else is in hand. */
export interface OwedWork {
  /** Bleeders behind which air may be. */
  readonly airAt: readonly string[];
  /** Bleeders at which only old fluid was left. */
  readonly oldAt: readonly string[];
  /** Modulators that may hold air beyond the reach of a stroke. */
  readonly modulatorIds: readonly string[];
  /** Chambers of bowls behind which all rubber is to be renewed, after a wrong product. */
  readonly rubberAt?: readonly string[];
  /** Of those, where it is renewed in this run already, and the test behind the flush is still to come. */
  readonly strippedAt?: readonly string[];
}

/** What goes along with the main purpose. */
export const ALSO = ['soft', 'renew'] as const;
export type Also = (typeof ALSO)[number];

/** What else is seen at intake. */
export const SEEN_AT_INTAKE = ['wet joint', 'cracked boot', 'sinks', 'lamp lit'] as const;
export type SeenAtIntake = (typeof SEEN_AT_INTAKE)[number];

/** Something else that was found when the vehicle was taken in, and where. */
export interface FoundAtIntake {
  readonly what: SeenAtIntake;
  readonly where: string;
}

/** What was done to the vehicle, in facts that a person can answer. */
export interface WorkDone {
  readonly purpose: Purpose;
  /** Left out: nothing goes along. */
  readonly also?: readonly Also[];
  /** Left out: nothing else was found. */
  readonly found?: readonly FoundAtIntake[];
  /** Masters whose systems are in hand. */
  readonly masterIds: readonly string[];
  /** In the order in which they are fitted. */
  readonly parts: readonly PartChanged[];
  readonly master: MasterChanged | null;
  /** Lowest level seen in a reservoir, mm below MAX with the vehicle level; a reservoir that is not named never fell low. */
  readonly lowest: readonly { readonly reservoirId: string; readonly belowMaxMm: number }[];
  /** Of a dry clutch: master, line and slave come off and go on as one, so that they are filled on the bench together. Left out: they do not. */
  readonly setAsOne?: boolean;
  /** The modulator was changed, or lost fluid. */
  readonly modulatorOpened: boolean;
  /** Still soft after a whole bleed that ended clean, or air that never ends: it may stand in the modulator. */
  readonly airInModulator: boolean;
  /** On a flush: the fluid of the modulator's closed pockets is renewed too, by the tool. */
  readonly renewPockets?: boolean;
  /** End that lost pressure, where the lamp of the differential valve is lit. */
  readonly endLost: 'front' | 'rear' | null;
  /** A lamp is lit and somebody said that it is another one. */
  readonly anotherLamp?: boolean;
  /** Left out: nothing is owed from before. */
  readonly owed?: OwedWork;
}

/** Nothing was opened: a flush of these systems. */
export function routineFlush(masterIds: readonly string[]): WorkDone {
  return {
    purpose: 'routine flush',
    masterIds,
    parts: [],
    master: null,
    lowest: [],
    modulatorOpened: false,
    airInModulator: false,
    endLost: null,
  };
}
