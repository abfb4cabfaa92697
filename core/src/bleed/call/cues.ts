import {
  bleederName,
  CONTROL_TRAITS,
  type Bleeder,
  type Control,
  type ControlTraits,
} from '../../vehicle/circuit';
import { capital } from '../../base/text';
import type { Method } from '../../hydraulics/flow';
import type { StrokeShape } from '../stages';
import type { ClosedPhase } from './closedStrokes';
import type { HosePhase } from './openHose';
import { SHAPE_WORDS } from './shape';

/** What a cue names: a vehicle has more than one pedal, and more than one wheel. */
export interface Called {
  readonly control: Control;
  readonly bleeder: Bleeder;
  readonly shape: StrokeShape;
  /** Quick pumps before it is held, by the house rule. */
  readonly pumps: number;
}

/** What is called out in one phase. */
export interface Cue {
  /** Whose turn it is. */
  readonly turn: 'control' | 'wrench';
  /** The one big word for whoever's turn it is. */
  readonly word: string;
  /** The whole sentence: which control or bleeder, and how. */
  readonly say: string;
}

/** How each is worked, and what it meets at its end: whoever expects that does not let go in fright. */
export const WORKED: Readonly<
  Record<ControlTraits['held'], Readonly<Record<'word' | 'in' | 'out' | 'end', string>>>
> = {
  pedal: {
    word: 'Push',
    in: 'push it down',
    out: 'let it come up',
    end: 'It may go to the floor: that is right',
  },
  lever: {
    word: 'Pull',
    in: 'pull it in',
    out: 'let it come out',
    end: 'It may meet the bar: that is right',
  },
  coupling: {
    word: 'Push',
    in: 'push it in',
    out: 'let it come out',
    end: 'It may go to the end of its travel: that is right',
  },
};

/** How two people call strokes that work, by method; null where nothing is called. */
export function callOf(method: Method): 'closed strokes' | 'open hose' | null {
  switch (method) {
    case 'two people':
    case 'alone at the lever':
      return 'closed strokes';
    case 'alone, bottle':
      return 'open hose';
    case 'pressure':
    case 'vacuum':
    case 'gravity':
    case 'reverse':
    case 'injection':
      return null;
  }
}

/** What is called in a phase, by how the method is called. */
export const cueOf = (method: Method, phase: ClosedPhase | HosePhase, called: Called): Cue =>
  callOf(method) === 'open hose'
    ? hoseCue(phase as HosePhase, called)
    : closedCue(phase as ClosedPhase, called);

/** What is called at once when the order of a round was broken. */
export const brokenCue = (method: Method, called: Called): Cue =>
  cueOf(method, callOf(method) === 'open hose' ? 'hose out' : 'let go while open', called);

/** What is called in a phase of a closed stroke. Never "let go" while the bleeder is open. */
export function closedCue(phase: ClosedPhase, called: Called): Cue {
  const { control, bleeder, shape, pumps } = called;
  const { held } = CONTROL_TRAITS[control];
  const worked = WORKED[held];
  const how = SHAPE_WORDS[shape];
  const name = capital(control);
  const at = bleederName(bleeder);
  switch (phase) {
    case 'ready':
      return {
        turn: 'control',
        word: worked.word,
        say:
          pumps > 0
            ? `${name}: pump ${pumps} times, then ${worked.in} and hold it`
            : `${name}: ${worked.in} and hold it`,
      };
    case 'held':
      return { turn: 'wrench', word: 'Open', say: `${capital(at)}: open, only as far as it flows` };
    case 'open':
    case 'sinking':
      return {
        turn: 'control',
        word: 'Go with it',
        say: `${name}: go with it ${how.down} to the end, and hold it there. ${worked.end}`,
      };
    case 'at the end':
      return {
        turn: 'wrench',
        word: 'Shut',
        say: `${capital(at)}: shut. ${name} stays held until then`,
      };
    case 'shut':
    case 'shut too soon':
      return {
        turn: 'control',
        word: 'Let go',
        say: `${name}: ${worked.out} ${how.back}`,
      };
    case 'released':
      return {
        turn: 'control',
        word: 'Wait',
        say: `${name}: wait a moment, the master fills again`,
      };
    case 'let go while open':
      return {
        turn: 'wrench',
        word: 'Shut',
        say: `${capital(at)}: shut at once. Air may have gone in; this round is made again`,
      };
  }
}

/** What is called in a phase of strokes into a bottle. */
export function hoseCue(phase: HosePhase, called: Called): Cue {
  const { control, bleeder, shape } = called;
  const { held } = CONTROL_TRAITS[control];
  const worked = WORKED[held];
  const how = SHAPE_WORDS[shape];
  const name = capital(control);
  const at = capital(bleederName(bleeder));
  switch (phase) {
    case 'shut':
      return {
        turn: 'wrench',
        word: 'Open',
        say: `${at}: end of the hose below the fluid, then open`,
      };
    case 'back':
      return {
        turn: 'control',
        word: worked.word,
        say: `${name}: ${worked.in} ${how.down} to the end`,
      };
    case 'down':
      return {
        turn: 'control',
        word: 'Back',
        say: `${name}: ${worked.out} ${how.back}`,
      };
    case 'held down':
      return {
        turn: 'wrench',
        word: 'Shut',
        say: `${at}: shut, while the ${control} is held down`,
      };
    case 'through':
      return { turn: 'control', word: 'Let go', say: `${name}: ${worked.out}` };
    case 'hose out':
      return {
        turn: 'wrench',
        word: 'Shut',
        say: `${at}: shut at once. The end of the hose was out of the fluid: what was seen so far does not count`,
      };
  }
}
