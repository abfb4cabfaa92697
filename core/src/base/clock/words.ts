// Apart from the log, so that the first page can name a clock without bringing everything that a log knows.

/** What is waited for beside the work [C]. */
export const CLOCKS = [
  'penetrant',
  'settling',
  'bench',
  'cool-down',
  'lever tied back',
  'level look',
] as const;
export type ClockKind = (typeof CLOCKS)[number];

/** How long a clock may run, minutes: a day. */
export const CLOCK_MINUTES = { least: 1, most: 1440 } as const;

/** A clock in words: its usual times, and what is done when it is up. */
export interface ClockWords {
  readonly title: string;
  /** Usual times, minutes; the first is the one that is mostly meant. */
  readonly offers: readonly number[];
  readonly then: string;
}

/** Usual times are common practice, no source; those of cool-down and level look are ours [M]. */
export const CLOCK_WORDS: Readonly<Record<ClockKind, ClockWords>> = {
  penetrant: {
    title: 'Penetrant',
    offers: [15, 720],
    then: 'Six-point socket, light taps, a little tighter before looser. Never force.',
  },
  settling: {
    title: 'Settling',
    offers: [30],
    then: 'A few slow strokes, then look at the bubbles anew.',
  },
  bench: {
    title: 'Bench',
    offers: [15, 30],
    then: 'The chamber nearer the pushrod takes longest. After half an hour look at fittings and threads.',
  },
  'cool-down': {
    title: 'Pump cools',
    offers: [10, 5],
    then: 'Go on with the tool where it stopped.',
  },
  'lever tied back': {
    title: 'Lever tied back',
    offers: [600, 120],
    then: 'Measure the bite before anybody else pulls the lever.',
  },
  'level look': {
    title: 'Level',
    offers: [5, 2],
    then: 'Look into the reservoir before anything goes on.',
  },
};
