import type { DriveResult, Proof } from '../gate';
import type { JobStage } from '../job';
import { nextStep, type Kept, type RunState } from '../run';
import type { JobEvent } from './event';
import { NO_PROOF, type ProofState } from './proof';

export type KeptOf<K extends JobEvent['kind']> = Kept<Extract<JobEvent, { readonly kind: K }>>;

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
  readonly log: readonly Kept<JobEvent>[];
  /** Ids of the events that were taken back. */
  readonly undone: ReadonlySet<string>;
  readonly fluid: KeptOf<'fluid read'> | null;
  readonly accepted: KeptOf<'plan accepted'> | null;
  /** Null before a plan was accepted. */
  readonly run: RunState | null;
  readonly proof: ProofState;
  /** What the job moved, once somebody recorded it; what moves after that makes it void. */
  readonly fluidUsed: KeptOf<'fluid used'> | null;
  readonly drives: readonly TestDrive[];
  readonly released: KeptOf<'released'> | null;
  readonly ended: KeptOf<'ended'> | null;
}

/** A job that was taken in, before the first event. */
export const NEW_JOB: JobState = {
  log: [],
  undone: new Set(),
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
  return read?.verdict.verdict === 'fill' && read.newColour ? 'plan' : 'fluid';
}

/** What was answered so far, as the gate asks for it. */
export function proofOf(job: Pick<JobState, 'proof' | 'fluidUsed'>): Proof {
  return {
    pedal: job.proof.pedal?.result ?? null,
    checks: Object.fromEntries(
      Object.entries(job.proof.checks).map(([item, answer]) => [item, answer.passes]),
    ),
    fluidPutDown: job.fluidUsed !== null,
  };
}
