import type { Plan } from '../../bleed/plan';

/**
 * What of a proof an event makes void: it was given for what was there then. A
 * stroke, a part, a shut bleeder make all of it void; fluid that was poured what
 * was said of the level; nothing is said with its reason.
 */
export type Voids = 'all' | 'level' | { readonly nothing: string };

/** @param why it leaves every answer as it was */
export const nothing = (why: string): Voids => ({ nothing: why });

/** What was ever there in a job, taken back or not: what an event may name. */
export interface Known {
  /** Every plan that the job ever had, the accepted one first. */
  readonly plans: readonly Plan[];
  readonly find: (eventId: string) => { readonly kind: string } | undefined;
  /** How many photos and voice notes its log tells of. */
  readonly mediaNotes: number;
  /** Whether a kind is one that a phone says by itself, and so one that it may take back. */
  readonly byPhone: (kind: string) => boolean;
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
  /** The sentence for one that names what was never there, or null. What was done on the vehicle is kept even where it should not have been done. */
  readonly fault: (event: H, known: Known) => string | null;
  /** What it was, in a few words, for a person who is asked about it. */
  readonly words: (event: H, names: Names) => string;
}

/** A kind as a phone says it: its file leaves out what follows from its part. */
type Said<H extends { readonly kind: string }> = Omit<EventKind<H, Part>, 'part' | 'beforePlan'>;
type Silent<H extends { readonly kind: string }> = Pick<EventKind<H, Part>, 'kind' | 'voids'>;

export const runEvent = <H extends { readonly kind: string }>(
  said: Said<H> & { readonly beforePlan?: true },
): EventKind<H, 'run'> => ({ beforePlan: false, ...said, part: 'run' });

export const proofEvent = <H extends { readonly kind: string }>(
  said: Said<H>,
): EventKind<H, 'proof'> => ({ ...said, part: 'proof', beforePlan: false });

export const jobEvent = <H extends { readonly kind: string }>(
  said: Said<H>,
): EventKind<H, 'job'> => ({ ...said, part: 'job', beforePlan: true });

/** What the server makes names only what it has looked up itself. */
const looked = { fault: () => null, words: ({ kind }: { readonly kind: string }) => kind };

export const deskEvent = <H extends { readonly kind: string }>(
  said: Silent<H>,
): EventKind<H, 'desk'> => ({ ...looked, ...said, part: 'desk', beforePlan: false });

export const vehicleEvent = <H extends { readonly kind: string }>(
  said: Silent<H>,
): EventKind<H, 'vehicle'> => ({ ...looked, ...said, part: 'vehicle', beforePlan: false });
