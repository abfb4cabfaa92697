import type { CallMachine } from './machine';

/** Phases of strokes into a bottle, its bleeder open all the while. */
export const HOSE_PHASES = ['shut', 'back', 'down', 'held down', 'through', 'hose out'] as const;
export type HosePhase = (typeof HOSE_PHASES)[number];

export const HOSE_SIGNALS = ['opened', 'down', 'back', 'hose out', 'last', 'shut'] as const;
export type HoseSignal = (typeof HOSE_SIGNALS)[number];

/**
 * Strokes into a bottle, the end of the hose below the fluid: the bleeder stays
 * open while pedal or lever comes back. The fault is the end of the hose out of
 * the fluid, which voids what was seen so far. It ends with the pedal or lever
 * held down while the bleeder is shut [C].
 */
export const OPEN_HOSE: CallMachine<HosePhase, HoseSignal> = {
  first: 'shut',
  phases: {
    shut: { opened: 'back' },
    back: { down: 'down', 'hose out': { to: 'hose out', tells: 'broken' } },
    down: {
      back: { to: 'back', tells: 'stroke' },
      last: { to: 'held down', tells: 'stroke' },
      'hose out': { to: 'hose out', tells: 'broken' },
    },
    'held down': { shut: 'through' },
    through: {},
    'hose out': { shut: 'shut' },
  },
};
