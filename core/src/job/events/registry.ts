import type { Plan } from '../../bleed/plan';
import type { EventBase, Logged } from './base';
import { prepared, type PreparedHappening } from './prepared';
import { counting, type CountingHappening } from './counting';
import { stroke, type StrokeHappening } from './stroke';
import { roundBroken, type RoundBrokenHappening } from './roundBroken';
import { strokesJudged, type StrokesJudgedHappening } from './strokesJudged';
import { bubbles, type BubblesHappening } from './bubbles';
import { colour, type ColourHappening } from './colour';
import { tried, type TriedHappening } from './tried';
import { bleederOpened, type BleederOpenedHappening } from './bleederOpened';
import { pressureSet, type PressureSetHappening } from './pressureSet';
import { flowSet, type FlowSetHappening } from './flowSet';
import { syringeReadied, type SyringeReadiedHappening } from './syringeReadied';
import { syringeEmpty, type SyringeEmptyHappening } from './syringeEmpty';
import { toppedUp, type ToppedUpHappening } from './toppedUp';
import { drawnOff, type DrawnOffHappening } from './drawnOff';
import { levelSeen, type LevelSeenHappening } from './levelSeen';
import { jarSet, type JarSetHappening } from './jarSet';
import { jarRead, type JarReadHappening } from './jarRead';
import { shut, type ShutHappening } from './shut';
import { openedAgain, type OpenedAgainHappening } from './openedAgain';
import { shutEarly, type ShutEarlyHappening } from './shutEarly';
import { halted, type HaltedHappening } from './halted';
import { decided, type DecidedHappening } from './decided';
import { mended, type MendedHappening } from './mended';
import { sizeFound, type SizeFoundHappening } from './sizeFound';
import { partFitted, type PartFittedHappening } from './partFitted';
import { masterFitted, type MasterFittedHappening } from './masterFitted';
import { takenOff, type TakenOffHappening } from './takenOff';
import { note, type NoteHappening } from './note';
import { pedalJudged, type PedalJudgedHappening } from './pedalJudged';
import { takeUpJudged, type TakeUpJudgedHappening } from './takeUpJudged';
import { pedalRead, type PedalReadHappening } from './pedalRead';
import { sinkWatched, type SinkWatchedHappening } from './sinkWatched';
import { takeUpRead, type TakeUpReadHappening } from './takeUpRead';
import { checked, type CheckedHappening } from './checked';
import { mediaNote, type MediaNoteHappening } from './mediaNote';
import { cameOff, type CameOffHappening } from './cameOff';
import { backOn, type BackOnHappening } from './backOn';
import { clutchNeeds, type ClutchNeedsHappening } from './clutchNeeds';
import { jointTightened, type JointTightenedHappening } from './jointTightened';
import { lookLater, type LookLaterHappening } from './lookLater';
import { clockStarted, type ClockStartedHappening } from './clockStarted';
import { clockEnded, type ClockEndedHappening } from './clockEnded';
import { undone, type UndoneHappening } from './undone';
import { workSaid, type WorkSaidHappening } from './workSaid';
import { takenIn, type TakenInHappening } from './takenIn';
import { fluidRead, type FluidReadHappening } from './fluidRead';
import { planAccepted, type PlanAcceptedHappening } from './planAccepted';
import { fluidUsed, type FluidUsedHappening } from './fluidUsed';
import { driveSet, type DriveSetHappening } from './driveSet';
import { driveEnded, type DriveEndedHappening } from './driveEnded';
import { overridden, type OverriddenHappening } from './overridden';
import { released, type ReleasedHappening } from './released';
import { ended, type EndedHappening } from './ended';
import { marked, type MarkedHappening } from './marked';
import { lookedAt, type LookedAtHappening } from './lookedAt';
import { strippedElsewhere, type StrippedElsewhereHappening } from './strippedElsewhere';
import { cycleElsewhere, type CycleElsewhereHappening } from './cycleElsewhere';
import type { RunStanding } from '../standing';
import {
  TAKES_BACK,
  type Answer,
  type EventKind,
  type Folds,
  type Keeps,
  type KeptAtDesk,
  type Known,
  type Names,
  type Part,
  type Undo,
  type Voids,
} from './kind';
import type { Brought, OpenItemKind } from './brought';
import { stageEventFault, stageFold, stageVoids, type StageEvent } from './stageEvent';

// The kinds of each part: what each says, by the name of its file. What a stage says stands with its stage.

/** What is done and seen while a vehicle is bled. `openingId` names one opening of a bleeder. */
export interface RunKinds {
  readonly prepared: PreparedHappening;
  readonly counting: CountingHappening;
  readonly stroke: StrokeHappening;
  readonly roundBroken: RoundBrokenHappening;
  readonly strokesJudged: StrokesJudgedHappening;
  readonly bubbles: BubblesHappening;
  readonly colour: ColourHappening;
  readonly tried: TriedHappening;
  readonly bleederOpened: BleederOpenedHappening;
  readonly pressureSet: PressureSetHappening;
  readonly flowSet: FlowSetHappening;
  readonly syringeReadied: SyringeReadiedHappening;
  readonly syringeEmpty: SyringeEmptyHappening;
  readonly toppedUp: ToppedUpHappening;
  readonly drawnOff: DrawnOffHappening;
  readonly levelSeen: LevelSeenHappening;
  readonly jarSet: JarSetHappening;
  readonly jarRead: JarReadHappening;
  readonly shut: ShutHappening;
  readonly openedAgain: OpenedAgainHappening;
  readonly shutEarly: ShutEarlyHappening;
  readonly halted: HaltedHappening;
  readonly decided: DecidedHappening;
  readonly mended: MendedHappening;
  readonly sizeFound: SizeFoundHappening;
  readonly partFitted: PartFittedHappening;
  readonly masterFitted: MasterFittedHappening;
  readonly takenOff: TakenOffHappening;
  readonly note: NoteHappening;
}
/** What is judged, looked at and measured in the proof, each by itself. */
export interface ProofKinds {
  readonly pedalJudged: PedalJudgedHappening;
  readonly takeUpJudged: TakeUpJudgedHappening;
  readonly pedalRead: PedalReadHappening;
  readonly sinkWatched: SinkWatchedHappening;
  readonly takeUpRead: TakeUpReadHappening;
  readonly checked: CheckedHappening;
  readonly clutchNeeds: ClutchNeedsHappening;
}
/** What is said of a job besides. */
export interface JobKinds {
  readonly mediaNote: MediaNoteHappening;
  readonly cameOff: CameOffHappening;
  readonly backOn: BackOnHappening;
  readonly jointTightened: JointTightenedHappening;
  readonly lookLater: LookLaterHappening;
  readonly clockStarted: ClockStartedHappening;
  readonly clockEnded: ClockEndedHappening;
  readonly undone: UndoneHappening;
}
/** What a person does with the server's answer: it checks first, then puts the event into the log. */
export interface DeskKinds {
  readonly workSaid: WorkSaidHappening;
  readonly takenIn: TakenInHappening;
  readonly fluidRead: FluidReadHappening;
  readonly planAccepted: PlanAcceptedHappening;
  readonly fluidUsed: FluidUsedHappening;
  readonly driveSet: DriveSetHappening;
  readonly driveEnded: DriveEndedHappening;
  readonly overridden: OverriddenHappening;
  readonly released: ReleasedHappening;
  readonly ended: EndedHappening;
}
/** What can be said of a vehicle outside any job. */
export interface VehicleKinds {
  readonly marked: MarkedHappening;
  readonly lookedAt: LookedAtHappening;
  readonly cycleElsewhere: CycleElsewhereHappening;
  readonly strippedElsewhere: StrippedElsewhereHappening;
}

type Registered<Says extends object, P extends Part> = {
  readonly [K in keyof Says]: Says[K] extends { readonly kind: string }
    ? EventKind<Says[K], P> &
        (P extends 'run' ? Folds<Says[K]> : P extends 'desk' ? KeptAtDesk : unknown)
    : never;
};
const RUN: Registered<RunKinds, 'run'> = {
  prepared,
  counting,
  stroke,
  roundBroken,
  strokesJudged,
  bubbles,
  colour,
  tried,
  bleederOpened,
  pressureSet,
  flowSet,
  syringeReadied,
  syringeEmpty,
  toppedUp,
  drawnOff,
  levelSeen,
  jarSet,
  jarRead,
  shut,
  openedAgain,
  shutEarly,
  halted,
  decided,
  mended,
  sizeFound,
  partFitted,
  masterFitted,
  takenOff,
  note,
};
const PROOF: Registered<ProofKinds, 'proof'> = {
  pedalJudged,
  takeUpJudged,
  pedalRead,
  sinkWatched,
  takeUpRead,
  checked,
  clutchNeeds,
};
const JOB: Registered<JobKinds, 'job'> = {
  mediaNote,
  cameOff,
  backOn,
  jointTightened,
  lookLater,
  clockStarted,
  clockEnded,
  undone,
};
const DESK: Registered<DeskKinds, 'desk'> = {
  workSaid,
  takenIn,
  fluidRead,
  planAccepted,
  fluidUsed,
  driveSet,
  driveEnded,
  overridden,
  released,
  ended,
};
const VEHICLE: Registered<VehicleKinds, 'vehicle'> = {
  marked,
  lookedAt,
  cycleElsewhere,
  strippedElsewhere,
};

export type RunHappening = RunKinds[keyof RunKinds] | StageEvent;
export type ProofHappening = ProofKinds[keyof ProofKinds];
/** Everything that a phone may say by itself, without reception; it is kept in whatever order it arrives. */
export type PhoneHappening = RunHappening | ProofHappening | JobKinds[keyof JobKinds];
export type DeskHappening = DeskKinds[keyof DeskKinds];
export type VehicleHappening = VehicleKinds[keyof VehicleKinds] | UndoneHappening;

/** One event of a run. */
export type RunEvent = EventBase & RunHappening;

/** One event of a job's log. */
export type JobEvent = EventBase & (PhoneHappening | DeskHappening);
export type JobEventKind = JobEvent['kind'];

/** One event of a vehicle's own log. */
export type VehicleEvent = EventBase & VehicleHappening;

/** What one kind of event says. */
export type HappeningOf<K extends string> = Extract<
  PhoneHappening | DeskHappening | VehicleHappening,
  { readonly kind: K }
>;

/** A kind as it is asked of any event: its file has made sure that it fits. */
type AnyKind = EventKind<{ readonly kind: string }, Part> &
  Partial<Folds<{ readonly kind: string }> & KeptAtDesk>;
const BY_KIND: ReadonlyMap<string, AnyKind> = new Map(
  [RUN, PROOF, JOB, DESK, VEHICLE]
    .flatMap((kinds) => Object.values(kinds) as unknown as AnyKind[])
    .map((k) => [k.kind, k]),
);

/** Which part of a log a kind belongs to; what a stage says is of the run. */
export const partOf = (kind: string): Part => BY_KIND.get(kind)?.part ?? 'run';

/** Whether an event belongs to the run. */
export const isOfRun = <E extends { readonly kind: JobEventKind }>(
  event: E,
): event is Extract<E, { readonly kind: RunHappening['kind'] }> => partOf(event.kind) === 'run';

/** Whether an event is one that a phone says by itself, and so one that it may take back. */
export const isPhoneEvent = <E extends { readonly kind: JobEventKind }>(
  event: E,
): event is Extract<E, { readonly kind: PhoneHappening['kind'] }> => isByPhone(event.kind);

/** The same of its kind alone. */
export const isByPhone = (kind: string): boolean => !['desk', 'vehicle'].includes(partOf(kind));

/** What an undo of an event does; what a stage says is taken back. */
export function undoOf(event: { readonly kind: string }): Undo {
  const undo = BY_KIND.get(event.kind)?.undo ?? TAKES_BACK;
  return typeof undo === 'function' ? undo(event) : undo;
}

/** One event of a run on top of where it stood; a decision with the plan that follows. */
export function foldOf(run: RunStanding, event: Logged<RunEvent>): RunStanding {
  const kind = BY_KIND.get(event.kind);
  return kind?.fold
    ? kind.fold(run, event)
    : stageFold(run, event as Logged<EventBase & StageEvent>);
}

/** An event of a run as it stands in the log, with what follows from where the run stood. */
export function keptOf(run: RunStanding, event: Logged<RunEvent>): Logged<RunEvent> {
  const kept = BY_KIND.get(event.kind)?.kept;
  return kept ? (kept(run, event) as Logged<RunEvent>) : event;
}

/** Under which name a job keeps what was said at the desk; null where it keeps nothing of it. */
export function keepsOf(kind: string): Keeps | null {
  const keeps = BY_KIND.get(kind)?.keeps;
  return typeof keeps === 'string' ? keeps : null;
}

/** What of a proof an event makes void; an undo by itself nothing. */
export function voidsOf(event: PhoneHappening | DeskHappening): Voids {
  const kind = BY_KIND.get(event.kind);
  if (!kind) return stageVoids(event as StageEvent);
  return typeof kind.voids === 'function' ? kind.voids(event) : kind.voids;
}

/** What an event brings against its vehicle by itself; an undo by itself nothing. */
export function opensOf(
  event: (PhoneHappening | DeskHappening | VehicleHappening) & { readonly id: string },
  plans: readonly Plan[],
): readonly Brought[] {
  const opens = BY_KIND.get(event.kind)?.opens;
  return typeof opens === 'function' ? opens(event, plans) : [];
}

/** What an event answers of the proof; null where it is no answer by itself. */
export function answerOf(
  event: PhoneHappening | DeskHappening,
  plans: readonly Plan[],
): Answer | null {
  const proves = BY_KIND.get(event.kind)?.proves;
  return typeof proves === 'function' ? proves(event, plans) : null;
}

/** Whether an event is an answer to the proof that does not pass. */
export const isBadAnswer = (event: JobEvent, plans: readonly Plan[]): boolean =>
  partOf(event.kind) === 'proof' && opensOf(event, plans).length > 0;

/** Which sorts of open items a kind may settle; what no kind knows settles none. */
export function settledBy(kind: string): readonly OpenItemKind[] {
  const settles = BY_KIND.get(kind)?.settles;
  return settles && !('nothing' in settles) ? settles : [];
}

/** Whether what an event did bears on whether its vehicle may be driven; what no kind knows does. */
export function bearsOnDriving(
  event: (PhoneHappening | DeskHappening) & { readonly id: string },
): boolean {
  const kind = BY_KIND.get(event.kind);
  if (!kind) return true;
  const brought = opensOf(event, []);
  const onlyOwed = brought.length > 0 && brought.every((b) => b.owed);
  return (
    typeof voidsOf(event) === 'string' ||
    (typeof kind.opens === 'function' && !onlyOwed) ||
    typeof kind.proves === 'function' ||
    settledBy(event.kind).length > 0
  );
}

/** Whether an event may be said before a plan was accepted. */
export const isBeforePlan = (kind: string): boolean => BY_KIND.get(kind)?.beforePlan ?? false;

/** The sentence for an event that names what was never there, or null. */
export function happeningFault(known: Known, event: JobEvent): string | null {
  const { plans } = known;
  const kind = BY_KIND.get(event.kind);
  const underPlan = partOf(event.kind) === 'run' && !isBeforePlan(event.kind);
  if (underPlan && event.planId !== null && !plans.some((p) => p.id === event.planId))
    return `There is no plan "${event.planId}" on this job; it should be one of ${plans.map((p) => p.id).join(', ')}.`;
  return kind ? kind.fault(event, known) : stageEventFault(plans, event as StageEvent);
}

/** What an event was, in a few words, for a person who is asked about it. */
export function happeningWords(event: PhoneHappening, names: Names): string {
  const kind = BY_KIND.get(event.kind);
  return kind ? kind.words(event, names) : names.stage((event as StageEvent).stageId);
}
