import { foldEvent, foldRun, type Kept, type RunEvent } from '../run';
import { isOfRun, type JobEvent } from './event';
import { proofAfter, touches } from './proof';
import { NEW_JOB, type JobState } from './state';
import { takenBackIn, undoneIds, type TakenBack } from './undo';

/**
 * State of a job from its log, in log order. The same everywhere: phone,
 * server, record. Undos are resolved first, then one pass goes through what is
 * in effect; what an event makes void, it makes void by its position.
 */
export function foldJob(log: readonly Kept<JobEvent>[]): JobState {
  const undone = undoneIds(log);
  const takenBack = takenBackIn(log);
  const inEffect = log.filter((e) => !undone.has(e.id));
  const ofRun = inEffect.filter(isOfRun) as Kept<RunEvent>[];
  const state = inEffect.reduce((job, event) => atDesk(job, event, takenBack), NEW_JOB);
  return {
    ...state,
    log,
    undone,
    run: state.accepted ? foldRun(state.accepted.plan, ofRun) : null,
  };
}

/**
 * One more event on top of a state; an undo folds the whole log anew. A
 * decision stands in the log with the plan that followed from it.
 */
export function addToJob(job: JobState, given: Kept<JobEvent>): JobState {
  if (given.kind === 'undone' || given.kind === 'plan accepted')
    return foldJob([...job.log, given]);
  const event =
    given.kind === 'decided' && job.run
      ? (foldEvent(job.run, given).log.at(-1) as Kept<JobEvent>)
      : given;
  const log = [...job.log, event];
  const next = atDesk(job, event, () => undefined);
  const run = next.run && isOfRun(event) ? foldEvent(next.run, event as Kept<RunEvent>) : next.run;
  return { ...next, log, run };
}

/** Everything besides the run itself. */
function atDesk(
  before: JobState,
  event: Kept<JobEvent>,
  takenBack: TakenBack<Kept<JobEvent>>,
): JobState {
  const proof = proofAfter(before.proof, event, takenBack);
  const job = afterTouch(before, event, takenBack, proof);
  switch (event.kind) {
    case 'fluid read':
      return { ...job, fluid: event };
    case 'plan accepted':
      return { ...job, accepted: event };
    case 'fluid used':
      return { ...job, fluidUsed: event };
    case 'drive set':
      return {
        ...job,
        drives: [
          ...job.drives,
          { setBy: event.person, setAtMs: event.atMs, result: null, void: false },
        ],
      };
    case 'drive ended': {
      const { result, person, atMs } = event;
      return {
        ...job,
        drives: job.drives.map((d, i) =>
          i === job.drives.length - 1 ? { ...d, result: { result, person, atMs } } : d,
        ),
      };
    }
    case 'released':
      return { ...job, released: event };
    case 'ended':
      return { ...job, ended: event };
    default:
      return job;
  }
}

/** What was done to the vehicle makes a test drive void that was set before, and what was recorded of its fluid. */
function afterTouch(
  job: JobState,
  event: Kept<JobEvent>,
  takenBack: TakenBack<Kept<JobEvent>>,
  proof: JobState['proof'],
): JobState {
  const touched = event.kind !== 'drive ended' && touches(event, takenBack) !== 'nothing';
  return {
    ...job,
    proof,
    fluidUsed: touched ? null : job.fluidUsed,
    drives:
      touched && job.drives.some((d) => !d.void)
        ? job.drives.map((d) => ({ ...d, void: true }))
        : job.drives,
  };
}
