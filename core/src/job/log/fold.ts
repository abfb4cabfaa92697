import type { Plan } from '../../bleed/plan';
import { inOneGo, reduceSliced, type Sliced } from '../../base/slices';
import { foldEvent, foldingRun, plansOf, SLICE_EVENTS } from '../run';
import {
  bearsOnDriving,
  hadHeard,
  isOfRun,
  keepsOf,
  opensOf,
  type JobEvent,
  type Logged,
  type RunEvent,
} from '../events';
import type { LogIndex } from './known';
import { lateTakings } from './late';
import { proofAfter, touches, type ProofContext } from './proof';
import { NEW_JOB, type JobState, type TestDrive } from './state';
import { isTakenBackBefore, pressIn, takenBackIn, undoneIds } from './undo';

/**
 * State of a job from its log, in log order. The same everywhere: phone,
 * server, record. Undos are resolved first, then one pass goes through what is
 * in effect; what an event makes void, it makes void by its position.
 */
export const foldJob = (log: readonly Logged<JobEvent>[]): JobState => inOneGo(foldingJob(log));

/** The same in slices: a long log keeps nobody else waiting. */
export function* foldingJob(log: readonly Logged<JobEvent>[]): Sliced<JobState> {
  const undone = undoneIds(log);
  const inEffect = log.filter((e) => !undone.has(e.id));
  const late = lateTakings(log);
  const ofRun = inEffect.filter(isOfRun).filter((e) => !late.has(e.id)) as Logged<RunEvent>[];
  const context = {
    takenBack: takenBackIn(log),
    plans: plansIn(log),
    unheard: unheardIn(inEffect),
  };
  const state = yield* reduceSliced(
    inEffect,
    (job, event) => atDesk(job, event, context),
    NEW_JOB,
    SLICE_EVENTS,
  );
  const run = state.accepted ? yield* foldingRun(state.accepted.plan, ofRun) : null;
  return { ...state, log, undone, run };
}

/**
 * One more event on top of a state; an undo folds the whole log anew. A
 * decision stands in the log with the plan that followed from it.
 */
export function addToJob(job: JobState, given: Logged<JobEvent>): JobState {
  if (
    given.kind === 'undone' ||
    given.kind === 'plan accepted' ||
    isTakenBackBefore(job.log, job.undone, given)
  )
    return foldJob([...job.log, given]);
  const event =
    given.kind === 'decided' && job.run
      ? (foldEvent(job.run, given).log.at(-1) as Logged<JobEvent>)
      : given;
  const log = [...job.log, event];
  const plans = job.run ? plansOf(job.run) : [];
  const next = atDesk(job, event, {
    takenBack: () => undefined,
    plans,
    unheard: (e) => unheardIn(log.filter((x) => !job.undone.has(x.id)))(e),
  });
  const counts = event.kind !== 'counting' || !lateTakings(log).has(event.id);
  const run =
    next.run && isOfRun(event) && counts
      ? foldEvent(next.run, event as Logged<RunEvent>)
      : next.run;
  return { ...next, log, run };
}

/**
 * One more event whose fold comes later: the log and what is taken back are up to
 * date, the rest as it stood. For many undos in a row, which are folded in one go.
 *
 * @param find what the log holds by an id, where it is kept for many events in a row
 */
export function addUnfolded(
  job: JobState,
  event: Logged<JobEvent>,
  find: LogIndex['find'] = (id) => job.log.find((e) => e.id === id),
): JobState {
  const log = [...job.log, event];
  const of = event.kind === 'undone' ? find(event.eventId) : undefined;
  if (of?.kind === 'undone') return { ...job, log, undone: undoneIds(log) };
  const gone = of
    ? pressIn(log, of).map((e) => e.id)
    : isTakenBackBefore(job.log, job.undone, event)
      ? [event.id]
      : [];
  return gone.length === 0
    ? { ...job, log }
    : { ...job, log, undone: new Set([...job.undone, ...gone]) };
}

/** Finds what stands before an event of a log in effect and its phone had not heard of. */
function unheardIn(inEffect: readonly Logged<JobEvent>[]): ProofContext['unheard'] {
  const places = new Map(inEffect.map((e, i) => [e.id, i]));
  return (event) =>
    inEffect.slice(0, places.get(event.id) ?? inEffect.length).filter((e) => !hadHeard(event, e));
}

/** Every plan that a log brought, the accepted one first. */
function plansIn(log: readonly Logged<JobEvent>[]): Plan[] {
  return log.flatMap((e) => {
    if (e.kind === 'plan accepted') return [e.plan];
    return e.kind === 'decided' && e.plan ? [e.plan] : [];
  });
}

/** Everything besides the run itself. */
function atDesk(before: JobState, event: Logged<JobEvent>, context: ProofContext): JobState {
  const proof = proofAfter(before.proof, event, context);
  const job = afterTouch(before, event, context, proof);
  const keeps = keepsOf(event.kind);
  switch (keeps) {
    case null:
      return job;
    case 'drive':
      return {
        ...job,
        drives: [
          ...job.drives,
          { setBy: event.person, setAtMs: event.atMs, result: null, void: false },
        ],
      };
    case 'driveResult':
      return {
        ...job,
        drives: job.drives.map((d, i) => (i === job.drives.length - 1 ? driven(d, event) : d)),
      };
    default:
      return { ...job, [keeps]: event };
  }
}

/** A drive with how it went. */
const driven = (drive: TestDrive, event: Logged<JobEvent>): TestDrive =>
  event.kind === 'drive ended'
    ? { ...drive, result: { result: event.result, person: event.person, atMs: event.atMs } }
    : drive;

/**
 * What was done to the vehicle makes a test drive void that was set before, and
 * what was recorded of its fluid. A drive falls with bad news too, and with
 * ground that was taken back: it is set anew by a named person.
 */
function afterTouch(
  job: JobState,
  event: Logged<JobEvent>,
  context: ProofContext,
  proof: JobState['proof'],
): JobState {
  if (event.kind === 'drive ended') return { ...job, proof };
  const touched = touches(event, context.takenBack) !== 'nothing';
  const falls = touched || isBadNews(event, context);
  return {
    ...job,
    proof,
    fluidUsed: touched ? null : job.fluidUsed,
    drives:
      falls && job.drives.some((d) => !d.void)
        ? job.drives.map((d) => ({ ...d, void: true }))
        : job.drives,
  };
}

/** Whether an event brings something that holds, or takes back what the vehicle's being free stood on. */
function isBadNews(event: Logged<JobEvent>, { takenBack, plans }: ProofContext): boolean {
  if (event.kind !== 'undone') return opensOf(event, plans).some((m) => !m.owed);
  const target = takenBack(event);
  return target !== undefined && (target.kind === 'undone' || bearsOnDriving(target));
}
