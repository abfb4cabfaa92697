import { TAKE_UPS, type TakeUp } from '../../control/clutch';
import { takeUpPasses, type CheckItem, type ProofItem } from '../items';
import {
  isSamePlace,
  pedalPasses,
  type ControlMeasured,
  type PedalResult,
} from '../../control/pedal';
import type { Plan } from '../../bleed/plan';
import {
  answerOf,
  isBadAnswer,
  partOf,
  voidsOf,
  type JobEvent,
  type JobEventKind,
  type Logged,
} from '../events';
import { takeUpRead, withMeasured, type TakeUpRead } from './measured';
import type { TakenBack } from './undo';

/** Who answered, and when. */
export interface Answered {
  readonly eventId: string;
  readonly person: string;
  readonly atMs: number;
}

/** An answer that holds. */
export type ProofAnswer = Answered & ProofItem & { readonly value: boolean | PedalResult | TakeUp };

/** Answers that no longer hold, because something was done after they were given. */
export interface Voided {
  readonly items: readonly ProofItem[];
  /** The event that came after them, whose it was and when. */
  readonly because: Answered & { readonly kind: JobEventKind };
}

/** What was judged, tried and looked at so far. What is absent nobody has looked at, or it no longer holds. */
export interface ProofState {
  readonly answers: readonly ProofAnswer[];
  /** What is to be answered again, and why. */
  readonly voided: readonly Voided[];
  /** What was measured at each control in each state; of the end only what still holds. */
  readonly measured: readonly ControlMeasured[];
  /** Where each clutch takes up, by a ruler, as far as it still holds. */
  readonly takeUps: readonly TakeUpRead[];
  /** Photos of items, as far as they still show what is there. */
  readonly photos: readonly ProofPhoto[];
}

/** A photo of one thing of the proof, by the event that tells of it. */
export type ProofPhoto = Answered & ProofItem;

export const NO_PROOF: ProofState = {
  answers: [],
  voided: [],
  measured: [],
  takeUps: [],
  photos: [],
};

type Touches = 'all' | 'level' | 'nothing';

const OF_THE_LEVEL: readonly CheckItem[] = ['level', 'reservoir cap'];

/** What of a proof an event makes void, as its kind says; an undo by what it takes back. */
export function touches(event: Logged<JobEvent>, takenBack: TakenBack<Logged<JobEvent>>): Touches {
  if (event.kind === 'undone') {
    const target = takenBack(event);
    return target ? touches(target, takenBack) : 'nothing';
  }
  const voids = voidsOf(event);
  return typeof voids === 'string' ? voids : 'nothing';
}

/** What the proof must know besides an event: what undos take back, the plans that named openings, and what came before. */
export interface ProofContext {
  readonly takenBack: TakenBack<Logged<JobEvent>>;
  readonly plans: readonly Plan[];
  /** What stands before an event, in effect, and its phone had not heard of. */
  readonly unheard: (event: Logged<JobEvent>) => readonly Logged<JobEvent>[];
}

/** The masters whose circuits an event can touch: of the opening that it names, else of the plan under which it was made; null where that is not known. */
function circuitsOf(event: Logged<JobEvent>, context: ProofContext): readonly string[] | null {
  if (event.kind === 'undone') {
    const target = context.takenBack(event);
    return target ? circuitsOf(target, context) : null;
  }
  if (event.kind === 'halted' && event.masterId) return [event.masterId];
  if ('openingId' in event && event.openingId !== null)
    for (const plan of context.plans) {
      const opening = plan.openings.find((s) => s.id === event.openingId);
      if (opening) return mastersAt(plan, [opening]);
    }
  const plan = context.plans.find((p) => p.id === event.planId);
  return plan ? [...plan.work.masterIds, ...mastersAt(plan, plan.openings)] : null;
}

const mastersAt = ({ layout }: Plan, openings: Plan['openings']): string[] =>
  layout.masters
    .filter((m) => m.chambers.some((c) => openings.some((s) => s.chamberId === c.id)))
    .map((m) => m.id);

/**
 * A proof after one event: an answer is taken up, or answers given before it
 * are void. What stands before an answer and its phone had not heard of is as
 * if it came after it: bad news counts whenever it arrives, good news for what
 * its phone knew.
 */
export function proofAfter(
  proof: ProofState,
  event: Logged<JobEvent>,
  context: ProofContext,
): ProofState {
  const after = proofBy(proof, event, context);
  if (!answers(event) || isBadAnswer(event, context.plans)) return after;
  const unheard = context.unheard(event);
  if (unheard.length === 0) return after;
  // A reading amounts to something only with the others: where it and they did not know of each other, all are taken again.
  const again = isReading(event)
    ? unheard.filter((e) => !answers(e) || isWorseReading(e, event))
    : unheard;
  const then = again.reduce((before, e) => proofBy(before, e, context), after);
  // A bad answer stands until it is answered by who knows of it: no event that stands before it makes it void.
  const bad = after.answers.filter((a) => !passes(a) && !then.answers.some((t) => isSame(t, a)));
  return bad.length === 0 ? then : { ...then, answers: [...then.answers, ...bad] };
}

/** Whether an answer passes, whatever it is about. */
export function passes({ value }: Pick<ProofAnswer, 'value'>): boolean {
  if (typeof value === 'boolean') return value;
  return isTakeUp(value) ? takeUpPasses(value) : pedalPasses(value);
}

const isTakeUp = (value: PedalResult | TakeUp): value is TakeUp =>
  TAKE_UPS.some((t) => t === value);

/** Whether an event is taken up by the proof: an answer, a reading, a photo of an item. */
const answers = (event: Logged<JobEvent>): boolean =>
  partOf(event.kind) === 'proof' || (event.kind === 'media note' && event.proof !== undefined);

const isReading = (event: Logged<JobEvent>): boolean =>
  event.kind === 'pedal read' || event.kind === 'sink watched' || event.kind === 'take-up read';

/** Whether a reading says worse of the same place than another: it sank further, or stood lower. */
function isWorseReading(a: Logged<JobEvent>, b: Logged<JobEvent>): boolean {
  if (a.kind === 'sink watched' && b.kind === 'sink watched')
    return a.masterId === b.masterId && a.when === b.when && a.engine === b.engine && a.mm > b.mm;
  if (a.kind === 'pedal read' && b.kind === 'pedal read')
    return (
      a.masterId === b.masterId && a.when === b.when && isSamePlace(a, b) && a.heightMm < b.heightMm
    );
  return (
    a.kind === 'take-up read' &&
    b.kind === 'take-up read' &&
    a.masterId === b.masterId &&
    a.takeUpMm < b.takeUpMm
  );
}

function proofBy(proof: ProofState, event: Logged<JobEvent>, context: ProofContext): ProofState {
  const given = answerOf(event, context.plans);
  const answered: Answered = { eventId: event.id, person: event.person, atMs: event.atMs };
  if (given) return answeredAgain(proof, { ...answered, ...given });
  if (event.kind === 'pedal read' || event.kind === 'sink watched')
    return measuredAgain(proof, event);
  if (event.kind === 'take-up read')
    return {
      ...proof,
      takeUps: [...proof.takeUps.filter((t) => t.masterId !== event.masterId), takeUpRead(event)],
      voided: stillVoid(proof.voided, resultAt(event.masterId)),
    };
  if (event.kind === 'media note' && event.medium === 'photo' && event.proof)
    return { ...proof, photos: [...proof.photos, { ...answered, ...(event.proof as ProofItem) }] };
  const touched = touches(event, context.takenBack);
  if (touched === 'nothing') return proof;
  const at = circuitsOf(event, context);
  const isVoid = (a: ProofItem): boolean =>
    touched === 'level'
      ? a.masterId === null && OF_THE_LEVEL.includes(a.item)
      : at === null || a.masterId === null || at.includes(a.masterId);
  // What was measured before the work stays as it was; what it came to is measured again.
  const isPast = (m: ControlMeasured): boolean =>
    m.when === 'after' && touched === 'all' && (at === null || at.includes(m.masterId));
  const isGone = (t: TakeUpRead): boolean =>
    touched === 'all' && (at === null || at.includes(t.masterId));
  const gone = [
    ...proof.answers.filter(isVoid).map(itemOf),
    ...proof.takeUps.filter(isGone).map((t) => resultAt(t.masterId)),
    ...proof.measured.filter(isPast).map((m) => resultAt(m.masterId)),
  ].filter((item, i, all) => all.findIndex((x) => isSame(x, item)) === i);
  const photos = proof.photos.filter((photo) => !isVoid(photo));
  if (gone.length === 0) return { ...proof, photos };
  return {
    photos,
    answers: proof.answers.filter((a) => !isVoid(a)),
    measured: proof.measured.filter((m) => !isPast(m)),
    takeUps: proof.takeUps.filter((t) => !isGone(t)),
    voided: [...proof.voided, { items: gone, because: { ...answered, kind: event.kind } }],
  };
}

const resultAt = (masterId: string): ProofItem => ({ masterId, item: 'result' });

/** One more reading; what was void of that control is being measured again. */
function measuredAgain(
  proof: ProofState,
  event: Extract<Logged<JobEvent>, { readonly kind: 'pedal read' | 'sink watched' }>,
): ProofState {
  const measured = withMeasured(proof.measured, event);
  return event.when === 'after'
    ? { ...proof, measured, voided: stillVoid(proof.voided, resultAt(event.masterId)) }
    : { ...proof, measured };
}

const itemOf = ({ masterId, item }: ProofAnswer): ProofItem => ({ masterId, item }) as ProofItem;

const isSame = (a: ProofItem, b: ProofItem): boolean =>
  a.masterId === b.masterId && a.item === b.item;

/** The new answer in the place of the old; what was void before is answered again. */
function answeredAgain(proof: ProofState, answer: ProofAnswer): ProofState {
  return {
    ...proof,
    answers: [...proof.answers.filter((a) => !isSame(a, answer)), answer],
    voided: stillVoid(proof.voided, answer),
  };
}

/** What is void still once one item of it is answered again. */
function stillVoid(voided: readonly Voided[], answered: ProofItem): readonly Voided[] {
  if (voided.length === 0) return voided;
  return voided
    .map((v) => ({ ...v, items: v.items.filter((i) => !isSame(i, answered)) }))
    .filter((v) => v.items.length > 0);
}
