import type { CheckItem } from '../gate';
import type { PedalResult } from '../pedal';
import type { Kept } from '../run';
import { sayingTouches, type StageSaying } from '../stages';
import type { JobEvent, JobEventKind } from './event';
import type { TakenBack } from './undo';

/** Who answered, and when. */
export interface Answered {
  readonly eventId: string;
  readonly person: string;
  readonly atMs: number;
}

/** One thing that the proof asks for. */
export type ProofItem = CheckItem | 'pedal';

/** Answers that no longer hold, because something was done after they were given. */
export interface Voided {
  readonly items: readonly ProofItem[];
  /** The event that came after them, whose it was and when. */
  readonly because: Answered & { readonly kind: JobEventKind };
}

/** What was judged and looked at so far. Absent means that nobody has looked, or that it no longer holds. */
export interface ProofState {
  readonly pedal: (Answered & { readonly result: PedalResult }) | null;
  readonly checks: Readonly<Partial<Record<CheckItem, Answered & { readonly passes: boolean }>>>;
  /** What is to be answered again, and why. */
  readonly voided: readonly Voided[];
}

export const NO_PROOF: ProofState = { pedal: null, checks: {}, voided: [] };

type Touches = 'all' | 'level' | 'nothing';

/**
 * What of a proof an event makes void: it was given for what was there then.
 * A stroke, a part, a shut bleeder touch everything; fluid poured touches the
 * level; what is only seen or written touches nothing.
 */
const TOUCHES: Readonly<Record<Exclude<JobEventKind, StageSaying['kind']>, Touches>> = {
  prepared: 'all',
  counting: 'nothing',
  stroke: 'all',
  'strokes judged': 'all',
  bubbles: 'nothing',
  colour: 'nothing',
  'bleeder opened': 'all',
  'topped up': 'level',
  shut: 'all',
  'stage done': 'all',
  'stage skipped': 'all',
  halted: 'all',
  decided: 'all',
  mended: 'all',
  'size found': 'nothing',
  'taken off': 'all',
  note: 'nothing',
  // An undo touches what it takes back; see below.
  undone: 'nothing',
  'pedal judged': 'nothing',
  checked: 'nothing',
  'fluid read': 'nothing',
  'plan accepted': 'nothing',
  'fluid used': 'nothing',
  'drive set': 'nothing',
  'drive ended': 'nothing',
  released: 'nothing',
  ended: 'nothing',
};

const OF_THE_LEVEL: readonly ProofItem[] = ['level', 'reservoir cap'];

/** What an event makes void, an undo by what it takes back, what is said in a stage by its rule there. */
export function touches(event: Kept<JobEvent>, takenBack: TakenBack<Kept<JobEvent>>): Touches {
  if (event.kind === 'drive ended') return event.result === 'bad' ? 'all' : 'nothing';
  if (event.kind === 'undone') {
    const target = takenBack(event);
    return target ? touches(target, takenBack) : 'nothing';
  }
  const { kind } = event;
  if (isListed(kind)) return TOUCHES[kind];
  return sayingTouches(kind) ? 'all' : 'nothing';
}

function isListed(kind: JobEventKind): kind is keyof typeof TOUCHES {
  return Object.hasOwn(TOUCHES, kind);
}

/** A proof after one event: an answer is taken up, or answers given before it are void. */
export function proofAfter(
  proof: ProofState,
  event: Kept<JobEvent>,
  takenBack: TakenBack<Kept<JobEvent>>,
): ProofState {
  const answered: Answered = { eventId: event.id, person: event.person, atMs: event.atMs };
  if (event.kind === 'pedal judged')
    return { ...answeredAgain(proof, 'pedal'), pedal: { ...answered, result: event.result } };
  if (event.kind === 'checked') {
    const next = answeredAgain(proof, event.item);
    return {
      ...next,
      checks: { ...next.checks, [event.item]: { ...answered, passes: event.passes } },
    };
  }
  const touched = touches(event, takenBack);
  if (touched === 'nothing') return proof;
  const given: ProofItem[] = [
    ...(proof.pedal ? (['pedal'] as const) : []),
    ...(Object.keys(proof.checks) as CheckItem[]),
  ];
  const items = given.filter((i) => touched === 'all' || OF_THE_LEVEL.includes(i));
  if (items.length === 0) return proof;
  return {
    pedal: items.includes('pedal') ? null : proof.pedal,
    checks: Object.fromEntries(
      Object.entries(proof.checks).filter(([item]) => !items.includes(item as CheckItem)),
    ),
    voided: [...proof.voided, { items, because: { ...answered, kind: event.kind } }],
  };
}

/** What was void before is answered again. */
function answeredAgain(proof: ProofState, item: ProofItem): ProofState {
  if (proof.voided.length === 0) return proof;
  return {
    ...proof,
    voided: proof.voided
      .map((v) => ({ ...v, items: v.items.filter((i) => i !== item) }))
      .filter((v) => v.items.length > 0),
  };
}
