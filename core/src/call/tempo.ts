import type { Method } from '../flow';
import type { StrokeShape } from '../stages';
import type { ClosedPhase } from './closedStrokes';
import { callOf } from './cues';
import type { HosePhase } from './openHose';
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
