import type { Plan } from '../../bleed/plan';
import type { TakeUp } from '../../control/clutch';
import type { PedalResult } from '../../control/pedal';
import type { ProofItem } from '../items';
import type { RunStanding } from '../standing';
import type { EventBase, Logged } from './base';
import type { Brought, OpenItemKind } from './brought';

/**
 * What of a proof an event makes void: it was given for what was there then. A
 * stroke, a part, a shut bleeder make all of it void; fluid that was poured what
 * was said of the level; nothing is said with its reason.
 */
export type Voids = 'all' | 'level' | Nothing;

/** What is said where an event does nothing of a sort: why. What is left out does not compile. */
export interface Nothing {
  readonly nothing: string;
}

/** @param why it does nothing of that sort */
export const nothing = (why: string): Nothing => ({ nothing: why });

/** Most kinds bring nothing by themselves: what they make void must be proved anew, and that is said by `voids`. */
export const BRINGS_NOTHING = nothing(
  'what it makes void is proved anew; besides that it is no harm',
);
/** Most kinds settle nothing, and prove nothing. */
export const SETTLES_NOTHING = nothing('nothing that is owed is over by it');
export const PROVES_NOTHING = nothing('it is no answer to the proof');

/** What an event answers of the proof, and whether the answer passes. */
export type Answer = ProofItem & {
  readonly value: boolean | PedalResult | TakeUp;
};

/**
 * What an event brings against its vehicle by itself, wherever it stands in
 * the order: before the proof, behind "test drive only", after the release.
 */
export type Opens<H> =
  | Nothing
  | ((event: H & { readonly id: string }, plans: readonly Plan[]) => readonly Brought[]);
/** Which sorts of open items it may settle, or be the ground on which they were settled. */
export type Settles = Nothing | readonly OpenItemKind[];
/** What it answers; a reading answers only with the others, and says so by null. */
export type Proves<H> = Nothing | ((event: H, plans: readonly Plan[]) => Answer | null);

/** What an undo of it does: it takes back what was said, or first asks whether what was poured went in, for that stays in. */
export type Undo = 'takes it back' | 'asks whether it went in' | Nothing;

/** Most of what a phone says is as if it had not been said. */
export const TAKES_BACK = 'takes it back';
const DECIDED_AT_DESK = nothing('This was decided at the desk; it is not taken back by undo.');

/** What was ever there in a job, taken back or not: what an event may name. */
export interface Known {
  /** Every plan that the job ever had, the accepted one first. */
  readonly plans: readonly Plan[];
  readonly find: (eventId: string) => { readonly kind: string } | undefined;
  /** How many photos and voice notes its log tells of. */
  readonly mediaNotes: number;
  /** What an undo of a kind does. */
  readonly undoOf: (event: { readonly kind: string }) => Undo;
}

/** How what an event names is called. */
export interface Names {
  /** Of an opening, its bleeder. */
  readonly at: (openingId: string) => string;
  /** Of a master, its control. */
  readonly control: (masterId: string | null) => string;
  readonly stage: (stageId: string) => string;
}

/**
 * What an event is part of: the run, the proof, the job besides; what is said
 * at the desk with the server's answer; what is said of a vehicle outside any job.
 */
export type Part = 'run' | 'proof' | 'job' | 'desk' | 'vehicle';

/** A kind of event: what it says, and what it does to safety. */
export interface EventKind<H extends { readonly kind: string }, P extends Part> {
  readonly kind: H['kind'];
  readonly part: P;
  /** Whether it may be said before a plan was accepted: it belongs to the job from its first day to long after its last. */
  readonly beforePlan: boolean;
  readonly voids: Voids | ((event: H) => Voids);
  readonly opens: Opens<H>;
  readonly settles: Settles;
  readonly proves: Proves<H>;
  readonly undo: Undo | ((event: H) => Undo);
  /** The sentence for one that names what was never there, or null. What was done on the vehicle is kept even where it should not have been done. */
  readonly fault: (event: H, known: Known) => string | null;
  /** What it was, in a few words, for a person who is asked about it. */
  readonly words: (event: H, names: Names) => string;
}

/** A kind as a phone says it: its file leaves out what follows from its part. */
type Said<H extends { readonly kind: string }> = Omit<EventKind<H, Part>, 'part' | 'beforePlan'>;

/** What a kind of the run does to where it stands. */
export interface Folds<H> {
  readonly fold: (run: RunStanding, event: Logged<EventBase & H>) => RunStanding;
  /** As it stands in the log, with what follows from where the run stood; left out, as it was said. */
  readonly kept?: (run: RunStanding, event: Logged<EventBase & H>) => Logged<EventBase & H>;
}

type Silent<H extends { readonly kind: string }> = Pick<
  EventKind<H, Part>,
  'kind' | 'voids' | 'opens' | 'settles' | 'proves'
>;

export const runEvent = <H extends { readonly kind: string }>(
  said: Said<H> & Folds<H> & { readonly beforePlan?: true },
): EventKind<H, 'run'> & Folds<H> => ({ beforePlan: false, ...said, part: 'run' });

export const proofEvent = <H extends { readonly kind: string }>(
  said: Said<H>,
): EventKind<H, 'proof'> => ({ ...said, part: 'proof', beforePlan: false });

export const jobEvent = <H extends { readonly kind: string }>(
  said: Said<H>,
): EventKind<H, 'job'> => ({ ...said, part: 'job', beforePlan: true });

/** What the server makes names only what it has looked up itself. */
const looked = { fault: () => null, words: ({ kind }: { readonly kind: string }) => kind };

/** Under which name a job keeps the last word of what was said at the desk: of its drives one more, or how the last one went. */
export type Keeps =
  | 'said'
  | 'takenIn'
  | 'fluid'
  | 'accepted'
  | 'fluidUsed'
  | 'drive'
  | 'driveResult'
  | 'released'
  | 'ended';

/** What a kind of the desk leaves with its job. */
export interface KeptAtDesk {
  readonly keeps: Keeps | Nothing;
}

export const deskEvent = <H extends { readonly kind: string }>(
  said: Silent<H> & KeptAtDesk,
): EventKind<H, 'desk'> & KeptAtDesk => ({
  ...looked,
  ...said,
  undo: DECIDED_AT_DESK,
  part: 'desk',
  beforePlan: false,
});

export const vehicleEvent = <H extends { readonly kind: string }>(
  said: Silent<H>,
): EventKind<H, 'vehicle'> => ({
  ...looked,
  ...said,
  undo: DECIDED_AT_DESK,
  part: 'vehicle',
  beforePlan: false,
});
