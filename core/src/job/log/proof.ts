import type { TakeUp } from '../../control/clutch';
import type { CheckItem, ControlCheck } from '../items';
import type { ControlMeasured, PedalResult } from '../../control/pedal';
import type { Plan } from '../../bleed/plan';
import { voidsOf, type JobEvent, type JobEventKind, type Logged } from '../events';
import { takeUpRead, withMeasured, type TakeUpRead } from './measured';
import type { TakenBack } from './undo';

/** Who answered, and when. */
export interface Answered {
  readonly eventId: string;
  readonly person: string;
  readonly atMs: number;
}

/** One thing that the proof asks for: at the control of a master, or on the whole vehicle. */
export type ProofItem =
  | { readonly masterId: string; readonly item: 'result' | ControlCheck }
  | { readonly masterId: null; readonly item: CheckItem };

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

/** What the proof must know besides an event: what undos take back, and the plans that named openings. */
export interface ProofContext {
  readonly takenBack: TakenBack<Logged<JobEvent>>;
  readonly plans: readonly Plan[];
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

/** A proof after one event: an answer is taken up, or answers given before it are void. */
export function proofAfter(
  proof: ProofState,
  event: Logged<JobEvent>,
  context: ProofContext,
): ProofState {
  const given = answerIn(event, context.plans[0]);
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

/** What an event answers; null where it answers nothing. An old one that named no master spoke of the first in hand. */
function answerIn(
  event: Logged<JobEvent>,
  plan: Plan | undefined,
): (ProofItem & Pick<ProofAnswer, 'value'>) | null {
  switch (event.kind) {
    case 'pedal judged': {
      const masterId = event.masterId ?? plan?.work.masterIds[0] ?? null;
      return masterId === null ? null : { masterId, item: 'result', value: event.result };
    }
    case 'take-up judged':
      return { masterId: event.masterId, item: 'result', value: event.takeUp };
    case 'checked':
      return {
        ...({ masterId: event.masterId ?? null, item: event.item } as ProofItem),
        value: event.passes,
      };
    default:
      return null;
  }
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
