import { CONTROL_TRAITS, type Control } from '../circuit';
import { forcesFor, type Forces } from './curve';
import { JUDGED_BY, judgeMeasured, type Judged, type MissingMeasure } from './judge';
import { isSamePlace, type At, type Reading } from './reading';
import { PEDAL_RESULTS, type PedalResult } from './resultWords';
import type { PedalSetup } from './setup';

/** When in a job a pedal or lever is measured: as it came, right after the servo was emptied, and when the bleed is through. */
export const MEASURED_WHEN = ['before', 'servo emptied', 'after'] as const;
export type MeasuredWhen = (typeof MEASURED_WHEN)[number];

/** Heights that a ruler can have read at a pedal or lever, mm. */
export const HEIGHT_MM = { what: 'Height', unit: 'mm', least: 0, most: 400 } as const;
/** Forces of a foot or hand that can have been meant, N. */
export const FORCE_N = { what: 'Force', unit: 'N', least: 1, most: 600 } as const;
/** How far a pedal can have sunk, mm. */
export const SUNK_MM = { what: 'Sunk', unit: 'mm', least: 0, most: 400 } as const;
/** Seconds for which a steady push is watched; from then on that it stays says something [M]. */
export const SINK_S = 30;

/** Who read it, and when. */
interface ReadBy {
  readonly eventId: string;
  readonly person: string;
  readonly atMs: number;
}

/** One reading on record. */
export type MeasuredReading = Reading & ReadBy;

/** How far it sank under a steady firm push. */
export interface SinkWatched extends ReadBy {
  readonly mm: number;
  /** Seconds for which it was watched. */
  readonly seconds: number;
}

/** What was measured at one control in one state. */
export interface ControlMeasured {
  readonly masterId: string;
  readonly when: MeasuredWhen;
  /** Each place once: the last reading of it. */
  readonly readings: readonly MeasuredReading[];
  readonly sink: SinkWatched | null;
}

/** How a control is held: heights above the floor, or distances of the tip from the bar. */
export const heldAs = (control: Control): 'pedal' | 'lever' =>
  CONTROL_TRAITS[control].held === 'lever' ? 'lever' : 'pedal';

/** One thing to measure, in its turn. */
export interface Measure {
  readonly at: At | 'sink';
  readonly pumped: boolean;
  /** Short, as a heading. */
  readonly title: string;
  /** What to do, in one sentence. */
  readonly how: string;
}

/** How what is measured at a control is called. */
const HEIGHT_OF = {
  pedal: 'height of the pad above the floor',
  lever: 'distance of the tip from the bar',
} as const;

/**
 * What is measured at a pedal or lever, in turn: what its word needs, and
 * between them the low forces that tell the air finer.
 *
 * @param fine whether the low forces are read as well
 * @param forces of this control, whole newtons
 */
export function measuresFor(held: 'pedal' | 'lever', forces: Forces, fine: boolean): Measure[] {
  const { low, light, firm } = forces;
  const height = HEIGHT_OF[held];
  const push = held === 'pedal' ? 'Press' : 'Pull at the tip';
  const under = (forceN: number, title: string, how: string, pumped = false): Measure => ({
    at: { forceN },
    pumped,
    title,
    how,
  });
  return [
    { at: 'rest', pumped: false, title: 'At rest', how: `Untouched: the ${height}.` },
    {
      at: 'first resistance',
      pumped: false,
      title: 'First resistance',
      how: `One finger, until it first resists: the ${height}.`,
    },
    ...(fine
      ? low.map((n) => under(n, `${n} N`, `${push} with ${n} N, first stroke: the ${height}.`))
      : []),
    under(light, 'Light push', `${push} with ${light} N, first stroke: the ${height}.`),
    under(firm, 'Firm push', `${push} with ${firm} N, first stroke: the ${height}.`),
    under(firm, 'Firm, pumped', `Pump it up at once, then ${firm} N again: the ${height}.`, true),
    {
      at: 'sink',
      pumped: true,
      title: 'Does it sink?',
      how: `Hold ${firm} N steady for ${SINK_S} s: how far does it creep on?`,
    },
  ];
}

/** The forces for a control in whole newtons, upwards: below them the springs hold everything back. */
export function wholeForces(held: 'pedal' | 'lever', setup: PedalSetup): Forces {
  const { ratio, preloadN } = setup;
  const { low, light, firm } = forcesFor(held, { ratio, preloadN: preloadN.value });
  const up = Math.ceil;
  return { low: [up(low[0]), up(low[1])], light: up(light), firm };
}

/** Whether a measure was taken. */
export function wasTaken(
  { at, pumped }: Pick<Measure, 'at' | 'pumped'>,
  measured: Pick<ControlMeasured, 'readings' | 'sink'> | null,
): boolean {
  if (!measured) return false;
  return at === 'sink'
    ? measured.sink !== null
    : measured.readings.some((r) => isSamePlace(r, { at, pumped }));
}

/** Higher under more force by more than two readings of a ruler can differ, mm [M]. */
const HIGHER_BY_MM = 5;

/**
 * What cannot be about a height: more force never lifts a pedal, unless it was
 * pumped in between.
 *
 * @returns one sentence that says what would be right; null where it can be
 */
export function heightFault(
  { at, pumped }: Pick<Measure, 'at' | 'pumped'>,
  heightMm: number,
  readings: readonly Reading[],
): string | null {
  if (at === 'sink' || pumped) return null;
  const before = readings
    .filter((r) => !r.pumped && !isSamePlace(r, { at, pumped }))
    .filter((r) => orderOf(r.at) < orderOf(at))
    .sort((a, b) => orderOf(b.at) - orderOf(a.at))[0];
  return before && heightMm > before.heightMm + HIGHER_BY_MM
    ? `That is higher than before (${before.heightMm} mm). Under more force it comes lower; read both again.`
    : null;
}

/** Places in the order in which the force grows. */
function orderOf(at: At): number {
  if (at === 'rest') return -2;
  return at === 'first resistance' ? -1 : at.forceN;
}

/** The word for what was measured, or what of it is still missing. */
export function judgeControl(
  held: 'pedal' | 'lever',
  { readings, sink }: Pick<ControlMeasured, 'readings' | 'sink'>,
  { light, firm }: Forces,
): Judged | { readonly missing: readonly MissingMeasure[] } {
  return judgeMeasured(held, readings, {
    lightN: light,
    firmN: firm,
    // Let go sooner, that it stayed says nothing; that it sank does.
    sinkMm:
      sink && (sink.seconds >= SINK_S || sink.mm > JUDGED_BY[held].sinksOverMm) ? sink.mm : null,
  });
}

/** The worse of two words; the one that was said where the other was not. */
export function worseResult(a: PedalResult | null, b: PedalResult | null): PedalResult | null {
  if (a === null || b === null) return a ?? b;
  return PEDAL_RESULTS.indexOf(a) >= PEDAL_RESULTS.indexOf(b) ? a : b;
}

/**
 * Where a reading was taken, in a word or two.
 *
 * @example "300 N, pumped"
 */
export const readingWords = ({ at, pumped }: Pick<Reading, 'at' | 'pumped'>): string =>
  `${typeof at === 'object' ? `${at.forceN} N` : at}${pumped ? ', pumped' : ''}`;
