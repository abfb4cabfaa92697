import { jobEvent, type Appended, type EventAnswer } from '@brook/contract';
import {
  addToJob,
  addUnfolded,
  asksTheFold,
  foldingJob,
  isSuperfluous,
  jobEventFault,
  LogIndex,
  type JobState,
} from '@brook/core/job/log';
import {
  happeningWords,
  HALT_WORDS,
  isPhoneEvent,
  namesIn,
  opensOf,
  type EventBase,
  type JobEvent,
  type Logged,
} from '@brook/core/job/events';
import { plansOf } from '@brook/core/job/run';
import { isClosed } from '@brook/core/job/stage';
import { isDeepStrictEqual } from 'node:util';
import { endLocked } from '../job/end';
import { changeJob, type LockedJob } from '../log/locked';
import { serveOthers, servingOthers } from '../log/servingOthers';
import { heardOf } from '../live/phones';
import type { Actor } from '../../session/actor';
import { driveStateOf } from '../../workshop/vehicle/findVehicle';
import { sayOfAdditions } from '../log/additions';
import { appendAddition, appendKept, appendToVehicle, placed } from '../log/append';
import { projectOpenItems } from '../log/drive';
import { withProduct } from '../log/product';
import { additionsOf, asSent, onWire, vehicleLogOf } from '../log/stored';

/** So many events of a batch are looked at before others are served. */
const EVENTS_IN_A_ROW = 50;

/** A batch as it came, its events not yet looked at. */
export interface Batch {
  readonly events: readonly unknown[];
  readonly lowestWaiting: number;
  readonly since: number;
}

/**
 * Take a batch from a phone into a job's log. Each event is answered by
 * itself: new, known, added after the end, or refused with a sentence; one that
 * is refused stops nothing behind it.
 *
 * @returns what became of each, and what the log holds that the phone does not know
 */
export async function takeBatch(
  actor: Actor,
  jobId: string,
  batch: Batch,
  at: Date,
): Promise<Appended> {
  const take = async (locked: LockedJob): Promise<Appended> => {
    const taker = new Taker(locked);
    const answers: EventAnswer[] = [];
    for (const [i, given] of batch.events.entries()) {
      answers.push(await taker.take(given));
      if ((i + 1) % EVENTS_IN_A_ROW === 0) await serveOthers();
    }
    await taker.finish();
    await rememberDevices(locked, taker.sent, batch.lowestWaiting, sentFirst(taker.sent, answers));
    const { log } = locked.state;
    return {
      answers,
      events: log.slice(batch.since).map(onWire),
      position: log.length,
      stage: locked.job.stage,
      // Where something changed, the job is saved with the next version.
      version: locked.job.version + (locked.job.changed() ? 1 : 0),
      drive: driveStateOf(locked.vehicle),
      lastPlace: locked.lastPlace,
    };
  };
  // The log holds the accepted plan and its containers.
  return changeJob(actor, jobId, null, at, take, ['planResult', 'pick']);
}

/** Takes the events of one batch in their order. */
class Taker {
  private fresh: Logged<JobEvent>[] = [];
  private state: JobState;
  /** Whether an undo, and what came behind it, is not folded yet: all of it is folded in one go. */
  private stale = false;
  private additions: Logged<JobEvent>[] | null = null;
  private marked = false;
  readonly sent: EventBase[] = [];
  private index: LogIndex;

  constructor(private readonly locked: LockedJob) {
    this.state = locked.state;
    this.index = new LogIndex(this.state);
  }

  async take(given: unknown): Promise<EventAnswer> {
    const read = jobEvent.safeParse(given);
    if (!read.success) {
      const id = (given as { id?: unknown } | null)?.id;
      const sentence = read.error.issues.map((i) => i.message).join(' ');
      return { id: typeof id === 'string' ? id : null, result: 'refused', sentence };
    }
    const event = read.data as JobEvent;
    this.sent.push(event);
    return { id: event.id, ...(await this.takeEvent(event)) };
  }

  private async takeEvent(event: JobEvent): Promise<Omit<EventAnswer, 'id'>> {
    const refused = (sentence: string) => ({ result: 'refused' as const, sentence });
    const closed = isClosed(this.locked.job.stage);
    const additions = closed ? await this.known() : [];
    const before = this.index.find(event.id) ?? additions.find((e) => e.id === event.id);
    if (before)
      return isDeepStrictEqual(asSent(before), event)
        ? { result: 'known', sentence: null }
        : refused('This id stands for another event already; an event keeps its content.');
    if (asksTheFold(event)) await this.refold();
    const { job, at, transaction } = this.locked;
    const believable = { openedAtMs: job.openedAt.getTime(), nowMs: at.getTime() };
    const fault = jobEventFault(this.state, event, believable, this.index);
    const besides = fault !== null && additions.some((a) => namedBy(event) === a.id);
    if (fault !== null && !besides) {
      const marks = await this.markRefused(event);
      return refused(marks ? `${fault} The vehicle is marked “do not drive” for it.` : fault);
    }
    if (isSuperfluous(this.state, event)) return { result: 'known', sentence: null };
    const kept = placed(this.locked, await withProduct(event, job, transaction));
    if (closed) {
      await appendAddition(this.locked, kept);
      additions.push(kept);
      return { result: 'added after the end', sentence: null };
    }
    this.keep(kept);
    if (this.state.run?.ended) await this.end();
    return { result: 'new', sentence: null };
  }

  /** Bad news that cannot be kept as it was said is not lost: the vehicle is marked for it. */
  private async markRefused(event: JobEvent): Promise<boolean> {
    const { vehicle, at, transaction, state } = this.locked;
    const plans = state.run ? plansOf(state.run) : [];
    if (!isPhoneEvent(event) || !opensOf(event, plans).some((m) => !m.owed)) return false;
    const { id, deviceId, deviceSeq, atMs } = event;
    const log = await vehicleLogOf(vehicle.id, transaction);
    if (log.some((e) => e.id === id)) return true;
    const reason = `Said on a phone and not taken: ${happeningWords(event, namesIn(plans))}`;
    const mark = { id, deviceId, deviceSeq, atMs, planId: null, kind: 'marked' as const, reason };
    await appendToVehicle(vehicle, placed(this.locked, mark), at, transaction);
    this.marked = true;
    return true;
  }

  private keep(event: Logged<JobEvent>): void {
    this.stale ||= event.kind === 'undone';
    this.state = this.stale
      ? addUnfolded(this.state, event, this.index.find)
      : addToJob(this.state, event);
    // As the fold keeps it: a decision with the plan that follows.
    const kept = this.state.log.at(-1)!;
    this.fresh.push(kept);
    this.index.add(kept);
  }

  /** Fold what is not folded yet; others are served before it goes on. */
  private async refold(): Promise<void> {
    if (!this.stale) return;
    this.state = await servingOthers(foldingJob(this.state.log));
    this.stale = false;
  }

  /** Put what is new into the log. */
  private async flush(): Promise<void> {
    await this.refold();
    if (this.fresh.length === 0) return;
    await appendKept(this.locked, this.fresh, this.state);
    this.fresh = [];
  }

  /** A decision ended the run, and so the job; what comes behind it goes beside the record. */
  private async end(): Promise<void> {
    await this.flush();
    const { title, say } = HALT_WORDS[this.state.run!.ended!];
    await endLocked(this.locked, `${title}. ${say}`, true);
    this.state = this.locked.state;
    this.index = new LogIndex(this.state);
  }

  private async known(): Promise<Logged<JobEvent>[]> {
    const { job, transaction } = this.locked;
    return (this.additions ??= await additionsOf(job.id, transaction));
  }

  async finish(): Promise<void> {
    await this.flush();
    // An undo can let a decision hold that was one too many before.
    if (this.state.run?.ended && !isClosed(this.locked.job.stage)) await this.end();
    if (this.additions) await sayOfAdditions(this.locked);
    if (!this.marked) return;
    const { vehicle, actor, at, transaction } = this.locked;
    await projectOpenItems(
      vehicle,
      { person: actor.name, at, settledBy: 'withdrawn' },
      transaction,
    );
  }
}

/** The event that another one names. */
function namedBy(event: JobEvent): string | null {
  if (event.kind === 'undone') return event.eventId;
  if (event.kind === 'decided' || event.kind === 'mended') return event.haltId;
  return null;
}

/** Which events came for the first time: one that is sent twice was held once. */
function sentFirst(
  sent: readonly EventBase[],
  answers: readonly EventAnswer[],
): (deviceId: string) => number {
  const known = new Set(answers.flatMap((a) => (a.result === 'known' ? [a.id] : [])));
  return (deviceId) => sent.filter((e) => e.deviceId === deviceId && !known.has(e.id)).length;
}

/** What the phones of a batch sent: so that others can say what stands on each alone. */
async function rememberDevices(
  { job, actor, at, transaction }: LockedJob,
  sent: readonly EventBase[],
  settledBelow: number,
  firstOf: (deviceId: string) => number,
): Promise<void> {
  for (const deviceId of new Set(sent.map((e) => e.deviceId))) {
    const seqs = sent.filter((e) => e.deviceId === deviceId).map((e) => e.deviceSeq);
    const highestSeq = Math.max(...seqs);
    await heardOf(
      actor,
      job.id,
      { deviceId, at, sent: { events: firstOf(deviceId), highestSeq, settledBelow } },
      transaction,
    );
  }
}
