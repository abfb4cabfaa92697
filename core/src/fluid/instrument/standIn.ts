import {
  InstrumentLost,
  type Instrument,
  type InstrumentKind,
  type RawReading,
} from './instrument';

/** How a stand-in behaves. */
export interface StandInScript {
  readonly kind: InstrumentKind;
  /** What it settles at, % or °C; outside its range it says so. */
  readonly settlesAt: number;
  readonly batteryPercent: number;
  /** Milliseconds after which the link breaks; never when left out. */
  readonly lostAfterMs?: number;
  /** 0 up to, not including, 1, as often as asked. */
  readonly random: () => number;
  /** Milliseconds of the caller's clock. */
  readonly now: () => number;
  /** Let time pass. */
  readonly wait: (ms: number) => Promise<void>;
}

/** How each kind settles: from where, how fast, with how much noise, between which ends [M]. */
const BEHAVIOUR: Readonly<
  Record<
    InstrumentKind,
    {
      readonly start: number;
      readonly tauMs: number;
      readonly noise: number;
      readonly least: number;
      readonly most: number;
      readonly dryMs: number;
    }
  >
> = {
  'water meter': { start: 0, tauMs: 600, noise: 0.04, least: 0, most: 6, dryMs: 400 },
  'boiling tester': { start: 25, tauMs: 900, noise: 0.5, least: 100, most: 300, dryMs: 800 },
};
const CONNECT_MS = 500;
const BETWEEN_MS = 200;

/** An instrument that only stands in for one, for practice and for tests: it connects, settles, has noise, an end of its range, a battery and a link that can break. */
export function standIn(script: StandInScript): Instrument {
  let since: number | null = null;
  const { start, tauMs, noise, least, most, dryMs } = BEHAVIOUR[script.kind];
  const lost = (atMs: number) => script.lostAfterMs !== undefined && atMs >= script.lostAfterMs;
  return {
    kind: script.kind,
    practice: true,
    async connect() {
      await script.wait(CONNECT_MS);
      since = script.now();
    },
    async read(): Promise<RawReading> {
      await script.wait(BETWEEN_MS);
      if (since === null) throw new InstrumentLost();
      const atMs = script.now() - since;
      if (lost(atMs)) {
        since = null;
        throw new InstrumentLost();
      }
      if (atMs < dryMs)
        return { atMs, value: null, outOfRange: false, batteryPercent: script.batteryPercent };
      const value =
        script.settlesAt +
        (start - script.settlesAt) * Math.exp(-(atMs - dryMs) / tauMs) +
        (script.random() - 0.5) * 2 * noise;
      const settled = atMs - dryMs > 4 * tauMs;
      const outOfRange = settled && (script.settlesAt < least || script.settlesAt > most);
      return {
        atMs,
        value: Math.max(script.kind === 'boiling tester' && !settled ? 100 : least, value),
        outOfRange,
        batteryPercent: script.batteryPercent,
      };
    },
    disconnect() {
      since = null;
    },
  };
}
