import type { Range } from '../../base/units';

/** How fluid is moved through one bleeder after another. */
export const METHODS = [
  'two people',
  'alone at the lever',
  'alone, bottle',
  'pressure',
  'vacuum',
  'gravity',
  'reverse',
  'injection',
] as const;
export type Method = (typeof METHODS)[number];

/** What is at hand today. */
export interface Means {
  readonly helper: boolean;
  readonly bottle: boolean;
  readonly vacuumPump: boolean;
  /** A pot whose gauge reads, with a cap that seals on this reservoir. */
  readonly pressurePot: boolean;
  readonly syringe: boolean;
  readonly selfRefilling: boolean;
  readonly scanTool: boolean;
}

/** What a workshop has until somebody says otherwise. */
export const USUAL_MEANS: Means = {
  helper: true,
  bottle: true,
  vacuumPump: false,
  pressurePot: false,
  syringe: true,
  selfRefilling: false,
  scanTool: false,
};

/** What is true of the vehicle and the day. */
export interface Circumstances {
  readonly temperatureC: number;
  /** On a lift or stands with the rear axle hanging. */
  readonly axleHanging: boolean;
  /** Nobody is sure that the master's bore is clean beyond its usual stroke. */
  readonly masterWorn: boolean;
  /** Old fluid dark or with particles. */
  readonly dirty: boolean;
  /** The level never moves while pumping and no bubbles come. */
  readonly takesNoFluid: boolean;
  /** The workshop's own liking, null without. */
  readonly preferred: Method | null;
}

/** How warm it may be where somebody works, °C [M]. */
export const WORKSHOP_C: Range = { what: 'Temperature', unit: '°C', least: -30, most: 50 };

export const USUAL_DAY: Circumstances = {
  temperatureC: 20,
  axleHanging: false,
  masterWorn: false,
  dirty: false,
  takesNoFluid: false,
  preferred: null,
};

/** How a count is made: strokes with the moment of the push, or a steady flow watched at the jar. */
export type MethodKind = 'strokes' | 'steady';

export interface MethodTraits {
  readonly kind: MethodKind;
  readonly reverse: boolean;
  /** How many people it takes. */
  readonly people: 1 | 2;
  /** One whole stroke and the push in it, s [M]. */
  readonly strokeS?: { readonly whole: number; readonly push: number };
  /** Whether the flow goes by without hands: then its time is waiting. */
  readonly drips?: true;
  /** Whether it brings its own supply: a pot that holds the fluid of the job. */
  readonly brings?: 'a pot';
  /** What each opening takes beyond reach, hose and cap, minutes [M]. */
  readonly moreMinutes?: number;
  /** Pressure at the reservoir and suction at the bleeder, kPa [C]. */
  readonly drivenKpa?: number;
  /** Flow that a hand gives, mL/s [M]. */
  readonly handMlS?: number;
  /** Flow to reckon the time with where it cannot be computed, mL/s [M]. */
  readonly usualMlS?: number;
  /** The most that a level was seen to fall by it, mL/s: the upper end of the usual range [M]. */
  readonly mostMlS?: number;
  /** How far the bleeder is opened. */
  readonly open: 'first movement' | 'up to one turn';
}

/** What each method is by nature. A quarter-turn bleeder is opened a quarter with any of them. */
export const METHOD_TRAITS: Readonly<Record<Method, MethodTraits>> = {
  'two people': {
    kind: 'strokes',
    reverse: false,
    people: 2,
    strokeS: { whole: 6, push: 1.5 },
    open: 'first movement',
  },
  'alone at the lever': {
    kind: 'strokes',
    reverse: false,
    people: 1,
    strokeS: { whole: 4, push: 1.5 },
    open: 'first movement',
  },
  'alone, bottle': {
    kind: 'strokes',
    reverse: false,
    people: 1,
    strokeS: { whole: 8, push: 3 },
    // One walks between pedal and wheel.
    moreMinutes: 2,
    open: 'up to one turn',
  },
  pressure: {
    kind: 'steady',
    reverse: false,
    people: 1,
    brings: 'a pot',
    drivenKpa: 70,
    usualMlS: 3,
    mostMlS: 5,
    open: 'up to one turn',
  },
  vacuum: {
    kind: 'steady',
    reverse: false,
    people: 1,
    drivenKpa: 60,
    usualMlS: 2,
    mostMlS: 3,
    open: 'first movement',
  },
  gravity: {
    kind: 'steady',
    reverse: false,
    people: 1,
    drips: true,
    drivenKpa: 0,
    usualMlS: 0.4,
    mostMlS: 0.7,
    open: 'up to one turn',
  },
  reverse: { kind: 'steady', reverse: true, people: 1, handMlS: 1, open: 'first movement' },
  injection: {
    kind: 'steady',
    reverse: false,
    people: 1,
    handMlS: 1,
    mostMlS: 2,
    open: 'first movement',
  },
};

/** Highest pressure at a car's reservoir without the maker's word, kPa: 0.7 to 1.4 bar are usual, the lowest that flows is the right one [C]. */
export const MOST_PRESSURE_KPA = 140;
