import {
  helperCue,
  letGoCue,
  mustHold,
  SHAPE_WORDS,
  type Called,
  type ClosedPhase,
  type HelperCue,
} from '../../bleed/call';
import { bleederName } from '../../vehicle/circuit';
import type { PlanOpening } from '../../bleed/stages';
import { capital } from '../../base/text';
import { nextStep, type NextStep } from './nextStep';
import type { RunState } from './state';

/** A helper’s phone as the run knows it. */
export interface HelperPhone {
  readonly deviceId: string;
  /** The opening that its call is about; null before the first tap. */
  readonly openingId: string | null;
  readonly phase: ClosedPhase;
}

/** What is read where no stroke is waited for. */
interface Aside {
  readonly word: string;
  readonly say: string;
  /** The opening at which "shut" is still waited for, because it may be open; else null. */
  readonly openAt: string | null;
}

/** What a helper's phone shows: the present call and nothing of the job besides. */
export type HelperView =
  | ({
      readonly kind: 'call';
      readonly openingId: string;
      /** "left rear", from the seat. */
      readonly bleeder: string;
      /** Strokes of this call so far, so that the page knows a new round from the same. */
      readonly strokes: number;
      readonly strokesLeft: number | null;
      /** What is read first, between "shut" and the next push; null in any other phase. */
      readonly first: Pick<HelperCue, 'word' | 'say'> | null;
      /** How long that takes by the pace of this stroke, s. */
      readonly firstS: number;
    } & HelperCue)
  /** Somebody else has something to do; `word` says what pedal or lever does meanwhile. */
  | (Aside & { readonly kind: 'wait' })
  /** The wrench hand counts, and calls by voice. */
  | (Aside & { readonly kind: 'by voice' })
  | { readonly kind: 'over' };

/** The opening at which a helper calls now, or null: two people, and strokes are called for. */
export function helpedOpening(step: NextStep): PlanOpening | null {
  return (step.kind === 'stroke' || step.kind === 'more strokes') &&
    step.opening.method === 'two people'
    ? step.opening
    : null;
}

/** In which phase a helper's call is: one about another opening begins anew. */
export const phaseAt = (phone: HelperPhone, openingId: string): ClosedPhase =>
  phone.openingId === openingId ? phone.phase : 'ready';

/** What a call names at an opening. */
export const calledAt = (
  { plan }: Pick<RunState, 'plan'>,
  { control, bleeder, shape }: PlanOpening,
): Called => ({ control, bleeder, shape, pumps: Number(plan.preferences.pumpsBeforeHolding) });

/** How much of a stroke's time goes by until it has come up and the master is full again [M]. */
const BACK_SHARE = 0.4;

/** Work out what a helper's phone shows from the state of the run. */
export function helperView(state: RunState, phone: HelperPhone): HelperView {
  const step = nextStep(state);
  if (step.kind === 'ended' || step.kind === 'finished') return { kind: 'over' };
  const opening = helpedOpening(step);
  const { counting } = state;
  if (counting !== null && counting.deviceId !== phone.deviceId)
    return {
      kind: 'by voice',
      ...(held(phone) ?? {
        word: 'By voice',
        say: 'The wrench hand counts, and calls aloud',
        openAt: null,
      }),
    };
  if (!opening) return waiting(state, step, phone);
  const b = state.bleeders.find((x) => x.openingId === opening.id)!;
  const phase = phaseAt(phone, opening.id);
  const called = calledAt(state, opening);
  const cue = helperCue(phase, called);
  const back = phase === 'shut' || phase === 'shut too soon';
  return {
    kind: 'call',
    openingId: opening.id,
    bleeder: bleederName(opening.bleeder),
    strokes: b.strokes,
    strokesLeft: step.kind === 'stroke' ? step.strokesLeft : null,
    ...cue,
    // Once at each bleeder, and not while it may be open: nobody reads then.
    say:
      b.strokes === 0 && !mustHold(phase)
        ? `${cue.say}. ${SHAPE_WORDS[opening.shape].why.replace(/\.$/, '')}`
        : cue.say,
    first: back ? letGoCue(called) : null,
    firstS: back ? opening.secondsPerStroke * BACK_SHARE : 0,
  };
}

/** Where a bleeder may still be open pedal or lever stays where it is, whatever else is done. */
const held = ({ phase, openingId }: HelperPhone): Aside | null =>
  mustHold(phase)
    ? { word: 'Hold', say: 'Leave it where it is until “shut” is called aloud', openAt: openingId }
    : null;

/** What is done while nobody pushes. */
function waiting(state: RunState, step: NextStep, phone: HelperPhone): HelperView {
  const hold = held(phone);
  if (hold) return { kind: 'wait', ...hold };
  const opening = state.plan.openings.find((s) => s.id === phone.openingId);
  const say = capital(WAITS[step.kind]);
  return opening && phone.phase === 'shut'
    ? {
        kind: 'wait',
        word: 'Let go',
        say: `${letGoCue(calledAt(state, opening)).say}. ${say}`,
        openAt: null,
      }
    : { kind: 'wait', word: 'Wait', say, openAt: null };
}

const WAITS: Readonly<Record<NextStep['kind'], string>> = {
  prepare: 'the vehicle is made ready',
  stage: 'something else is done first',
  'fit part': 'a part is fitted',
  'master joined': 'the lines are joined',
  decide: 'something is wrong and is decided on; leave pedal and lever alone',
  'top up': 'the reservoir is topped up; leave pedal and lever alone',
  'draw off': 'the reservoir is drawn off; leave pedal and lever alone',
  pressure: 'the pot at the reservoir is seen to; leave pedal and lever alone',
  'ready syringe': 'the syringe is filled; leave pedal and lever alone',
  stroke: 'nobody is needed at the pedal or lever for this one',
  'more strokes': 'nobody is needed at the pedal or lever for this one',
  flow: 'fluid runs by itself; leave pedal and lever alone',
  'fill way': 'fluid is drawn in; leave pedal and lever alone',
  read: 'bubbles and colour are looked at',
  shut: 'the bleeder is shut and capped',
  'shut early': 'the bleeder is looked at',
  'last fill': 'the last fill; leave pedal and lever alone',
  finished: 'every bleeder is through',
  ended: 'the run has ended',
};
