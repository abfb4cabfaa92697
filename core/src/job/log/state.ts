import { takeUpOf, TAKE_UPS, type TakeUp } from '../../control/clutch';
import { type ControlAnswers, type DriveResult, type Proof } from '../items';
import type { JobStage } from '../stage';
import { nextStep, type RunState } from '../run';
import { type Logged, type JobEvent } from '../events';
import { worseResult, type PedalResult } from '../../control/pedal';
import { judgedByMeasure } from './measured';
import { NO_PROOF, type ProofState } from './proof';

export type LoggedOf<K extends JobEvent['kind']> = Logged<Extract<JobEvent, { readonly kind: K }>>;

/** One test drive, from "test drive only" to its result. */
export interface TestDrive {
  readonly setBy: string;
  readonly setAtMs: number;
  readonly result: {
    readonly result: DriveResult;
    readonly person: string;
    readonly atMs: number;
  } | null;
  /** Whether something was done to the vehicle after it was set: then it no longer holds. */
  readonly void: boolean;
}

/** State of a job: a fold over its log. */
export interface JobState {
  /** The whole log, in order, undone events and undos included. */
  readonly log: readonly Logged<JobEvent>[];
  /** Ids of the events that were taken back. */
  readonly undone: ReadonlySet<string>;
  /** What was said of the work, the last word; null in logs from before it was kept. */
  readonly said: LoggedOf<'work said'> | null;
  /** How it was taken in; null where nobody said more than why. */
  readonly takenIn: LoggedOf<'taken in'> | null;
  readonly fluid: LoggedOf<'fluid read'> | null;
  readonly accepted: LoggedOf<'plan accepted'> | null;
  /** Null before a plan was accepted. */
  readonly run: RunState | null;
  readonly proof: ProofState;
  /** What the job moved, once somebody recorded it; what moves after that makes it void. */
  readonly fluidUsed: LoggedOf<'fluid used'> | null;
  readonly drives: readonly TestDrive[];
  readonly released: LoggedOf<'released'> | null;
  readonly ended: LoggedOf<'ended'> | null;
}

/** A job that was taken in, before the first event. */
export const NEW_JOB: JobState = {
  log: [],
  undone: new Set(),
  said: null,
  takenIn: null,
  fluid: null,
  accepted: null,
  run: null,
  proof: NO_PROOF,
  fluidUsed: null,
  drives: [],
  released: null,
  ended: null,
};

/** The test drive that holds: set, nothing done since, not failed. */
export function driveInForce({ drives }: Pick<JobState, 'drives'>): TestDrive | null {
  const last = drives.at(-1);
  return last && !last.void && last.result?.result !== 'bad' ? last : null;
}

/** Where a job stands on the way. */
export function stageOf(job: JobState): JobStage {
  if (job.released) return 'released';
  if (job.ended) return 'ended';
  if (job.run) {
    if (driveInForce(job)) return 'test drive';
    return nextStep(job.run).kind === 'finished' ? 'proof' : 'run';
  }
  const { read } = job.fluid ?? {};
  // Where nothing is opened nothing is filled: it is enough that it was looked at.
  const looked = read?.verdict.hold === 'choose a fluid';
  if (looked && job.said?.work.purpose === 'look and prove') return 'plan';
  return read?.verdict.verdict === 'fill' && read.newColour ? 'plan' : 'fluid';
}

/** What was answered so far, as the gate asks for it. */
export function proofOf(job: Pick<JobState, 'proof' | 'fluidUsed' | 'run'>): Proof {
  const { answers, measured, takeUps } = job.proof;
  const masterIds = new Set([
    ...answers.flatMap((a) => (a.masterId === null ? [] : [a.masterId])),
    ...measured.map((m) => m.masterId),
    ...takeUps.map((t) => t.masterId),
  ]);
  return {
    controls: Object.fromEntries([...masterIds].map((id) => [id, controlAnswers(job, id)])),
    checks: Object.fromEntries(
      answers.flatMap((a) => (a.masterId === null ? [[a.item, a.value as boolean]] : [])),
    ),
    again: job.proof.voided.flatMap((v) => v.items),
    photos: new Set(job.proof.photos.flatMap((p) => (p.masterId === null ? [p.item] : []))),
    fluidPutDown: job.fluidUsed !== null || movedNothing(job.run),
  };
}

function controlAnswers(
  { proof, run }: Pick<JobState, 'proof' | 'run'>,
  masterId: string,
): ControlAnswers {
  const at = proof.answers.filter((a) => a.masterId === masterId);
  const result = at.find((a) => a.item === 'result')?.value ?? null;
  const takesUp = TAKE_UPS.some((t) => t === result);
  const ruler = proof.takeUps.find((t) => t.masterId === masterId) ?? null;
  const byRuler = ruler && takeUpOf(ruler.restMm, ruler.takeUpMm);
  const takeUpByFeel = takesUp ? (result as TakeUp) : null;
  const byFeel = takesUp ? null : (result as PedalResult | null);
  const measured = run && judgedByMeasure(run.plan, proof.measured, masterId);
  const byMeasure = measured && 'result' in measured ? measured.result : null;
  return {
    // A word never makes a bad measure good, nor a measure a foot that felt it sink.
    pedal: worseResult(byFeel, byMeasure),
    byFeel,
    measured,
    takeUp: lowerTakeUp(takeUpByFeel, byRuler),
    takeUpByFeel,
    checks: Object.fromEntries(
      at.flatMap((a) => (a.item === 'result' ? [] : [[a.item, a.value as boolean]])),
    ),
  };
}

/** The lower of two words for a take-up; the one that was said where the other was not. */
function lowerTakeUp(a: TakeUp | null, b: TakeUp | null): TakeUp | null {
  if (a === null || b === null) return a ?? b;
  return TAKE_UPS.indexOf(a) <= TAKE_UPS.indexOf(b) ? a : b;
}

/** Whether a run drew and poured nothing: then there is nothing to record of the fluid. */
const movedNothing = (run: JobState['run']): boolean =>
  run !== null && run.pouredMl === 0 && run.bledMl === 0 && run.removedMl === 0;
