import {
  CONTROL_TRAITS,
  VEHICLE_TRAITS,
  type Control,
  type VehicleKind,
} from '../../vehicle/circuit';
import { forcesFor, type Forces, type WorkedBy } from './curve';
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
  /** The same with the engine running; left out where nobody watched. */
  readonly sinkRunning?: SinkWatched | undefined;
}

/** How a control is held: heights above the floor, or distances of the tip from the bar. */
export const heldAs = (control: Control): 'pedal' | 'lever' =>
  CONTROL_TRAITS[control].held === 'lever' ? 'lever' : 'pedal';

/** By what a control is worked: astride, the ankle pushes a pedal, not the leg. */
export function workedBy(control: Control, kind: VehicleKind): WorkedBy {
  const held = heldAs(control);
  return held === 'pedal' && VEHICLE_TRAITS[kind].bar ? 'foot' : held;
}

/** A steady push that is watched, engine off, and then running, where a servo works on it. */
export type Sinking = 'sink' | 'sink, engine running';

/** One thing to measure, in its turn. */
export interface Measure {
  readonly at: At | Sinking;
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
 * What is measured at a pedal or lever, in turn: what its word needs, and what
 * tells more: the low forces, each again after pumping, and the sink once more
 * with the engine running.
 *
 * @param more whether that is read as well
 * @param forces of this control, whole newtons
 * @param servo whether an engine's vacuum works on it
 */
export function measuresFor(
  held: 'pedal' | 'lever',
  { low, light, firm }: Forces,
  { more, servo = false }: { readonly more: boolean; readonly servo?: boolean },
): Measure[] {
  const height = HEIGHT_OF[held];
  const push = held === 'pedal' ? 'Press' : 'Pull at the tip';
  const first = (forceN: number): Measure => ({
    at: { forceN },
    pumped: false,
    title: forceN === light ? LIGHT[held] : forceN === firm ? FIRM[held] : `${forceN} N`,
    how: `${push} with ${forceN} N, first stroke: the ${height}.`,
  });
  const pumped = (forceN: number): Measure => ({
    at: { forceN },
    pumped: true,
    title:
      forceN === firm ? 'Firm, pumped' : forceN === light ? 'Light, pumped' : `${forceN} N, pumped`,
    how: `Pump it up at once, then ${forceN} N${forceN === firm ? ' again' : ''}: the ${height}.`,
  });
  const upwards = (more ? [...low, light, firm] : [light, firm]).sort((a, b) => a - b);
  return [
    { at: 'rest', pumped: false, title: 'At rest', how: `Untouched: the ${height}.` },
    {
      at: 'first resistance',
      pumped: false,
      title: held === 'lever' ? 'First bite' : 'First resistance',
      how: `One finger, until it first ${held === 'lever' ? 'bites' : 'resists'}: the ${height}.`,
    },
    ...upwards.map(first),
    ...(more ? upwards : [firm]).map(pumped),
    {
      at: 'sink',
      pumped: true,
      title: 'Does it sink?',
      how: `Hold ${firm} N steady for ${SINK_S} s: how far does it creep on?`,
    },
    ...(more && servo
      ? [
          {
            at: 'sink, engine running' as const,
            pumped: true,
            title: 'Engine running: does it sink?',
            how: `Foot on it, engine started: a small drop at first is the servo. From there hold it steady for ${SINK_S} s: how far does it creep on?`,
          },
        ]
      : []),
  ];
}

const LIGHT = { pedal: 'Light push', lever: 'Light pull' } as const;
const FIRM = { pedal: 'Firm push', lever: 'Firm pull' } as const;

/** Whether a measure is a watch by the clock. */
export const isSinking = (at: Measure['at']): at is Sinking =>
  at === 'sink' || at === 'sink, engine running';

/** The forces for a control in whole newtons, upwards: below them the springs hold everything back. */
export function wholeForces(by: WorkedBy, setup: PedalSetup): Forces {
  const { ratio, preloadN } = setup;
  const { low, light, firm } = forcesFor(by, { ratio, preloadN: preloadN.value });
  const up = Math.ceil;
  return { low: [up(low[0]), up(low[1])], light: up(light), firm };
}

/** Whether a measure was taken. */
export function wasTaken(
  { at, pumped }: Pick<Measure, 'at' | 'pumped'>,
  measured: Pick<ControlMeasured, 'readings' | 'sink' | 'sinkRunning'> | null,
): boolean {
  if (!measured) return false;
  if (at === 'sink') return measured.sink !== null;
  if (at === 'sink, engine running') return measured.sinkRunning !== undefined;
  return measured.readings.some((r) => isSamePlace(r, { at, pumped }));
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
  if (isSinking(at) || pumped) return null;
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
  { readings, sink, sinkRunning }: Pick<ControlMeasured, 'readings' | 'sink' | 'sinkRunning'>,
  { light, firm }: Forces,
): Judged | { readonly missing: readonly MissingMeasure[] } {
  return judgeMeasured(held, readings, {
    lightN: light,
    firmN: firm,
    sinkMm: worstSinkMm(held, sink, sinkRunning ?? null),
  });
}

/** The worse of two watches. Let go sooner, that it stayed says nothing; that it sank does. With the engine running alone it is not judged: the servo hides a slow one. */
function worstSinkMm(
  held: 'pedal' | 'lever',
  off: SinkWatched | null,
  running: SinkWatched | null,
): number | null {
  const told = (watch: SinkWatched | null) =>
    watch && (watch.seconds >= SINK_S || watch.mm > JUDGED_BY[held].sinksOverMm) ? watch.mm : null;
  const [a, b] = [told(off), told(running)];
  if (a === null) return b !== null && b > JUDGED_BY[held].sinksOverMm ? b : null;
  return b === null ? a : Math.max(a, b);
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
