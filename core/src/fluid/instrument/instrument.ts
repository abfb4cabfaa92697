import { readingFault } from '../verdict';

/** What can be connected: a conductivity meter for water, a heated probe for the boiling point. */
export const INSTRUMENT_KINDS = ['water meter', 'boiling tester'] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

/** One value as an instrument sends it. */
export interface RawReading {
  /** Milliseconds since it was connected. */
  readonly atMs: number;
  /** % or °C; null while there is none, as when the probe is dry. */
  readonly value: number | null;
  readonly outOfRange: boolean;
  /** 0 to 100. */
  readonly batteryPercent: number;
}

/**
 * The fewest verbs that an instrument needs. `read` answers with the next value
 * or fails with `InstrumentLost` when the link is gone.
 */
export interface Instrument {
  readonly kind: InstrumentKind;
  /** Whether it only stands in for one: what it says is for practice. */
  readonly practice: boolean;
  connect(): Promise<void>;
  read(): Promise<RawReading>;
  disconnect(): void;
}

/** The link to an instrument is gone. */
export class InstrumentLost extends Error {
  constructor() {
    super(
      'The instrument is out of reach. Hold it near the phone and connect again, or type the reading.',
    );
  }
}

export type InstrumentPhase = 'waiting' | 'settling' | 'steady' | 'out of range' | 'low battery';

export interface InstrumentState {
  readonly phase: InstrumentPhase;
  /** Mean of the last readings once steady, the last one while settling; null where there is none. */
  readonly value: number | null;
  /** Half of the spread of the last readings. */
  readonly plusMinus: number | null;
}

/** So many readings must agree, within so much [M]. */
const STEADY_READINGS = 5;
const STEADY_WITHIN: Readonly<Record<InstrumentKind, number>> = {
  'water meter': 0.15,
  'boiling tester': 2,
};
/** Below this an instrument's readings drift and are not taken, % [M]. */
const LEAST_BATTERY_PERCENT = 10;

/** What the readings so far amount to: a value is only offered once the last few agree. */
export function instrumentState(
  kind: InstrumentKind,
  readings: readonly RawReading[],
): InstrumentState {
  const last = readings.at(-1);
  if (!last) return { phase: 'waiting', value: null, plusMinus: null };
  if (last.batteryPercent < LEAST_BATTERY_PERCENT)
    return { phase: 'low battery', value: null, plusMinus: null };
  if (
    last.value !== null &&
    (last.outOfRange ||
      readingFault(kind === 'water meter' ? 'waterPercent' : 'boilingC', last.value))
  )
    return { phase: 'out of range', value: null, plusMinus: null };
  if (last.value === null) return { phase: 'waiting', value: null, plusMinus: null };
  const values = readings
    .slice(-STEADY_READINGS)
    .flatMap((r) => (r.value === null || r.outOfRange ? [] : [r.value]));
  const spread = Math.max(...values) - Math.min(...values);
  if (values.length < STEADY_READINGS || spread > STEADY_WITHIN[kind])
    return { phase: 'settling', value: last.value, plusMinus: null };
  return {
    phase: 'steady',
    value: values.reduce((sum, v) => sum + v, 0) / values.length,
    plusMinus: spread / 2,
  };
}

/** What to do in each phase, in one short sentence. */
export const INSTRUMENT_WORDS: Readonly<Record<InstrumentPhase, string>> = {
  waiting: 'Put the probe into the fluid.',
  settling: 'Hold it still.',
  steady: 'Steady: take it.',
  'out of range': 'Out of range. Wipe the probe, look at the grade that is set, try again.',
  'low battery':
    'Low battery: its readings drift and are not taken. Charge it, or type a reading from another.',
};
