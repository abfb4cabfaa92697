import { standIn, type Instrument, type InstrumentKind } from '@brook/core/fluid/instrument';
import { standInTool, type ScanTool } from '@brook/core/bleed/scanTool';

/** Ways in which a practice instrument may behave, so that each can be met before it counts. */
export const PRACTICE_WAYS = ['well', 'out of range', 'low battery', 'lost half-way'] as const;
export type PracticeWay = (typeof PRACTICE_WAYS)[number];

const SETTLES_AT: Readonly<Record<InstrumentKind, { well: number; outside: number }>> = {
  'water meter': { well: 2.6, outside: 9 },
  'boiling tester': { well: 172, outside: 340 },
};

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

/** Ways in which a practice scan tool may behave. */
export const PRACTICE_TOOL_WAYS = [
  'well',
  'battery low',
  'stops half-way',
  'a code stays',
  'lost half-way',
] as const;
export type PracticeToolWay = (typeof PRACTICE_TOOL_WAYS)[number];

/** How much faster than life a practice tool runs its steps; the pump cools by the clock of the run all the same. */
const PRACTICE_SPEED = 10;

/** A scan tool that only stands in for one, by this phone's clock. */
export function practiceTool(way: PracticeToolWay): ScanTool {
  return standInTool({
    batteryV: way === 'battery low' ? 11.3 : 12.6,
    ignition: 'on',
    codes: [],
    ...(way === 'a code stays' ? { codeAfter: 'Valve of one wheel: no answer (practice)' } : {}),
    ...(way === 'stops half-way' ? { abortsAfter: 3 } : {}),
    ...(way === 'lost half-way' ? { lostAfterMs: 6_000 } : {}),
    speed: PRACTICE_SPEED,
    now: () => performance.now(),
    wait: (ms) => new Promise((resolve) => setTimeout(resolve, ms)),
  });
}
