import { CONTROL_TRAITS } from '../../vehicle/circuit';
import { capital } from '../../base/text';
import { CLOSED_STROKES, OPEN_PHASES, type ClosedPhase, type ClosedSignal } from './closedStrokes';
import { closedCue, WORKED, type Called, type Cue } from './cues';
import { hear, type PhaseAfter } from './machine';
import { SHAPE_WORDS } from './shape';

/** What a helper's phone tells: two taps a round, and the one thing that must be said at once. */
export const HELPER_SIGNALS = ['at the end', 'shut', 'let go too soon'] as const;
export type HelperSignal = (typeof HELPER_SIGNALS)[number];

/** What happened before a helper's tap and was not tapped: nobody presses a phone while they push. */
const UNHEARD: Readonly<
  Record<HelperSignal, Readonly<Partial<Record<ClosedPhase, readonly ClosedSignal[]>>>>
> = {
  // It came up again before it could be pushed to its end once more.
  'at the end': { shut: ['let go'], 'shut too soon': ['let go'] },
  shut: {},
  // Whether it was open by then nobody knows; it is taken as open.
  'let go too soon': {
    ready: ['holding', 'opened'],
    held: ['opened'],
    released: ['holding', 'opened'],
    shut: ['let go', 'holding', 'opened'],
    'shut too soon': ['let go', 'holding', 'opened'],
  },
};

/**
 * Where a call of closed strokes stands after a tap on the helper's phone.
 *
 * @returns null where the tap means nothing now, as when the page went on under the finger
 */
export function helperHears(
  phase: ClosedPhase,
  signal: HelperSignal,
): PhaseAfter<ClosedPhase> | null {
  const unheard = UNHEARD[signal][phase] ?? [];
  const from = unheard.reduce((at, s) => hear(CLOSED_STROKES, at, s)?.phase ?? at, phase);
  return hear(CLOSED_STROKES, from, signal === 'let go too soon' ? 'let go' : signal);
}

/** Whether pedal or lever must stay where it is: the bleeder is open, or may be. */
export const mustHold = (phase: ClosedPhase): boolean => OPEN_PHASES.includes(phase);

/** What whoever is at the pedal or lever reads in one phase. */
export interface HelperCue {
  readonly word: string;
  readonly say: string;
  /** The one tap that is waited for. */
  readonly signal: Exclude<HelperSignal, 'let go too soon'>;
}

/** The same call in the words of whoever is at pedal or lever. It never says "let go" while the bleeder may be open. */
export function helperCue(phase: ClosedPhase, { control, shape, pumps }: Called): HelperCue {
  const worked = WORKED[CONTROL_TRAITS[control].held];
  const how = SHAPE_WORDS[shape];
  const name = capital(control);
  switch (phase) {
    case 'ready':
    case 'held':
    case 'open':
    case 'sinking':
    case 'released':
    case 'shut':
    case 'shut too soon':
      return {
        word: worked.word,
        say: `${name}: ${pumps > 0 ? `pump ${pumps} times, then ` : ''}${worked.in} and hold it. When it gives, go with it ${how.down} to the end and hold it there. ${worked.end}`,
        signal: 'at the end',
      };
    case 'at the end':
      return {
        word: 'Hold',
        say: `${name}: hold it there until “shut” is called`,
        signal: 'shut',
      };
    case 'let go while open':
      return {
        word: 'Stop',
        say: `${name}: leave it where it is until “shut” is called. This round is made again`,
        signal: 'shut',
      };
  }
}

/** What is read between "shut" and the next push. */
export function letGoCue({ control, shape }: Called): Pick<HelperCue, 'word' | 'say'> {
  const worked = WORKED[CONTROL_TRAITS[control].held];
  return {
    word: 'Let go',
    say: `${capital(control)}: ${worked.out} ${SHAPE_WORDS[shape].back}`,
  };
}

/** The call in the words of whoever holds the wrench, where the helper's phone hears two taps a round and not when it is opened. */
export function wrenchCue(phase: ClosedPhase, called: Called): Cue {
  if (phase === 'at the end' || phase === 'let go while open') return closedCue(phase, called);
  const { word, say, turn } = closedCue('held', called);
  return { turn, word, say: `${say}, once it is held` };
}
