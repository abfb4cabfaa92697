import { standIn, type Instrument, type InstrumentKind } from '@brook/core/instrument';

/** Ways in which a practice instrument may behave, so that each can be met before it counts. */
export const PRACTICE_WAYS = ['well', 'out of range', 'low battery', 'lost half-way'] as const;
export type PracticeWay = (typeof PRACTICE_WAYS)[number];

const SETTLES_AT: Readonly<Record<InstrumentKind, { well: number; outside: number }>> = { 'water meter': { well: 2.6, outside: 9 }, 'boiling tester': { well: 172, outside: 340 } };

/** An instrument that only stands in for one, by this phone's clock. Real ones take its place as they come. */
export function practiceInstrument(kind: InstrumentKind, way: PracticeWay): Instrument {
  return standIn({
    kind,
    settlesAt: way === 'out of range' ? SETTLES_AT[kind].outside : SETTLES_AT[kind].well,
    batteryPercent: way === 'low battery' ? 6 : 82,
    ...(way === 'lost half-way' ? { lostAfterMs: 1_400 } : {}),
    random: Math.random,
    now: () => performance.now(),
    wait: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
  });
}
