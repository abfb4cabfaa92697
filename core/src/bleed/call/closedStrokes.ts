import type { CallMachine } from './machine';

/** Phases of a closed stroke, in their order; the last two are of a round that does not count. */
export const CLOSED_PHASES = [
  'ready',
  'held',
  'open',
  'sinking',
  'at the end',
  'shut',
  'released',
  'let go while open',
  'shut too soon',
] as const;
export type ClosedPhase = (typeof CLOSED_PHASES)[number];

export const CLOSED_SIGNALS = [
  'holding',
  'opened',
  'sinking',
  'at the end',
  'shut',
  'let go',
  'ready',
] as const;
export type ClosedSignal = (typeof CLOSED_SIGNALS)[number];

/** Phases in which the bleeder is open. */
export const OPEN_PHASES: readonly ClosedPhase[] = [
  'open',
  'sinking',
  'at the end',
  'let go while open',
];

/**
 * Strokes with the bleeder shut in between, by two people or by one at a lever:
 * pressed and held, opened, sinking, at the end, shut, and only then let go [C].
 * Whoever lets go while it is open has drawn air in: it is shut first, and the
 * round is made again. "At the end" says by itself that it was held and opened,
 * so that two taps make a round.
 */
export const CLOSED_STROKES: CallMachine<ClosedPhase, ClosedSignal> = {
  first: 'ready',
  phases: {
    ready: { holding: 'held', 'at the end': 'at the end' },
    held: { opened: 'open', 'at the end': 'at the end', 'let go': 'ready' },
    open: {
      sinking: 'sinking',
      'at the end': 'at the end',
      shut: 'shut too soon',
      'let go': { to: 'let go while open', tells: 'broken' },
    },
    sinking: {
      'at the end': 'at the end',
      shut: 'shut too soon',
      'let go': { to: 'let go while open', tells: 'broken' },
    },
    'at the end': {
      shut: { to: 'shut', tells: 'stroke' },
      'let go': { to: 'let go while open', tells: 'broken' },
    },
    shut: { 'let go': 'released' },
    'shut too soon': { 'let go': 'released' },
    'let go while open': { shut: 'released' },
    released: { ready: 'ready', holding: 'held', 'at the end': 'at the end' },
  },
};
