import type { Method } from '../../hydraulics/flow';
import type { StrokeShape } from '../stages';
import { CLOSED_STROKES, type ClosedPhase, type ClosedSignal } from './closedStrokes';
import { callOf } from './cues';
import { hear, type CallMachine, type CallResult } from './machine';
import { OPEN_HOSE, type HosePhase, type HoseSignal } from './openHose';
import { SHAPE_WORDS } from './shape';

/** One beat of a tempo: what is called, and how long until the next. */
export interface Beat {
  readonly phase: ClosedPhase | HosePhase;
  readonly seconds: number;
}

/** One stroke in beats. */
export interface Tempo {
  readonly beats: readonly Beat[];
  /** Whether it goes on by itself: of two people one must say "shut" before the other may let go. */
  readonly byItself: boolean;
}

/** Shares of a closed stroke's time: held and opened, shut, let go [M]. */
const HELD = 0.2;
const SHUT = 0.2;

/**
 * One stroke in beats, each as long as the shape of the stroke asks for.
 *
 * @param secondsPerStroke above 0
 * @returns null where nothing is called
 * @throws RangeError for a time that is not above 0
 */
export function tempoOf(
  method: Method,
  shape: StrokeShape,
  secondsPerStroke: number,
): Tempo | null {
  if (!(secondsPerStroke > 0))
    throw new RangeError(`a stroke takes ${secondsPerStroke} s; give more than 0`);
  const { downShare } = SHAPE_WORDS[shape];
  const at = (phase: Beat['phase'], share: number): Beat => ({
    phase,
    seconds: share * secondsPerStroke,
  });
  switch (callOf(method)) {
    case null:
      return null;
    case 'open hose':
      return { beats: [at('back', downShare), at('down', 1 - downShare)], byItself: true };
    case 'closed strokes': {
      const moving = 1 - HELD - SHUT;
      return {
        beats: [
          at('ready', HELD / 2),
          at('held', HELD / 2),
          at('sinking', moving * downShare),
          at('at the end', SHUT),
          at('shut', moving * (1 - downShare)),
        ],
        byItself: method !== 'two people',
      };
    }
  }
}

/** What has happened by the time that a beat calls its phase. */
const HEARD_BY: {
  readonly closed: Readonly<Partial<Record<ClosedPhase, readonly ClosedSignal[]>>>;
  readonly hose: Readonly<Partial<Record<HosePhase, readonly HoseSignal[]>>>;
} = {
  closed: {
    ready: ['let go', 'ready'],
    held: ['holding'],
    sinking: ['opened', 'sinking'],
    'at the end': ['at the end'],
    shut: ['shut'],
  },
  hose: { down: ['down'], back: ['back'] },
};

/**
 * What the call tells the run when one beat follows on another: the machine
 * says it, not the clock.
 *
 * @throws Error where the machine does not lead from the one to the other
 */
export function beatTells(
  method: Method,
  from: Beat['phase'],
  to: Beat['phase'],
): CallResult | null {
  return callOf(method) === 'open hose'
    ? through(OPEN_HOSE, from as HosePhase, to as HosePhase, HEARD_BY.hose)
    : through(CLOSED_STROKES, from as ClosedPhase, to as ClosedPhase, HEARD_BY.closed);
}

function through<P extends string, S extends string>(
  machine: CallMachine<P, S>,
  from: P,
  to: P,
  heardBy: Readonly<Partial<Record<P, readonly S[]>>>,
): CallResult | null {
  let phase = from;
  let told: CallResult | null = null;
  for (const signal of heardBy[to] ?? []) {
    const heard = hear(machine, phase, signal);
    phase = heard?.phase ?? phase;
    told = heard?.told ?? told;
  }
  if (phase !== to) throw new Error(`a call in "${from}" does not come to "${to}"`);
  return told;
}
