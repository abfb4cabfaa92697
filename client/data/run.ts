import type { Job } from '@brook/contract';
import { pressIn, type JobState } from '@brook/core/job/log';
import {
  isPhoneEvent,
  type JobEvent,
  type PhoneHappening,
  type EventBase,
  type Logged,
  undoOf,
} from '@brook/core/job/events';
import { helpedOpening, nextStep, type RunState } from '@brook/core/job/run';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { v4 as uuid } from '@lukeed/uuid/secure';
import { nowMs } from './clock';
import { deviceId } from './device';
import { FollowedJob, logOf } from './jobFold';
import { adoptMedia, dropMedia } from './media';
import {
  drop,
  enqueue,
  leftSince,
  onOutbox,
  othersWaiting,
  outboxOf,
  setAside,
  type Outbox,
  type PhoneEvent,
  type RefusedEvent,
  type WaitingEvent,
} from './outbox';
import { pressName } from './press';
import { useReadAnew } from './readAnew';
import { couldNotKeep, sendWaiting, useLink, type LinkState } from './sender';
import { useSession } from './session';

/** The log of a job as this phone knows it and adds to it. */
export interface LiveJob {
  /** The whole job, its proof among it. */
  readonly job: JobState;
  /** Events that wait on this phone. */
  readonly waiting: number;
  /** Whose taps wait on this phone for them to sign in. */
  readonly waitsFor: ReturnType<typeof othersWaiting>;
  /** Put those on the shelf of what was not sent. */
  readonly setOthersAside: () => void;
  /** What the server refused of this phone; it stops nothing behind it. */
  readonly refused: readonly RefusedEvent[];
  readonly link: LinkState['link'];
  /** Why nothing is sent, in a sentence. */
  readonly refusal: string | null;
  /** Whether what waits on this phone has been read; before that nothing may be counted. */
  readonly ready: boolean;
  /** Whether this phone counts; another one that taps is asked about. */
  readonly counts: boolean;
  /**
   * Record what happened. Painted once it is kept, so that a number that was seen is never lost.
   *
   * @param id where something else is kept under the id of the event already
   */
  readonly say: (happening: PhoneHappening, id?: string) => void;
  /** Take back this phone's last; without one of its own another's is asked about, by name. */
  readonly undo: () => void;
  /** The event of another phone that somebody was asked about, and how to answer. */
  readonly undoAsked: Logged<JobEvent> | null;
  readonly answerUndo: (takeBack: boolean) => void;
  /** The pour that was to be taken back, and how to answer whether it went in. */
  readonly pourAsked: Logged<JobEvent> | null;
  readonly answerPour: (wentIn: boolean) => void;
  readonly dropRefused: (eventId: string) => void;
  readonly sayAgain: (refused: RefusedEvent) => void;
}

export interface LiveRun extends LiveJob {
  readonly state: RunState;
}

/** The run of a job whose plan is accepted. */
export function useRun(job: Job): LiveRun {
  const live = useJobLog(job);
  const { run } = live.job;
  return { ...live, state: run!, ready: live.ready && run !== null };
}

/** The log of a job as this phone knows it: the server's, then what still waits here. */
export function useJobLog(job: Job): LiveJob {
  const person = useSession().data?.user;
  const { box, sent, setBox } = useBox(job.id);
  const [undoAsked, setUndoAsked] = useState<Logged<JobEvent> | null>(null);
  const [pourAsked, setPourAsked] = useState<Logged<JobEvent> | null>(null);
  const state = useJobState(job, box, sent);

  const client = useQueryClient();
  const { link, refusal } = useLink(job.id);

  const read = useCallback(() => outboxOf(job.id), [job.id]);
  const onChange = useCallback((hear: () => void) => onOutbox(job.id, hear), [job.id]);
  useReadAnew(read, onChange, setBox);
  // What waits goes out as soon as it is known who is signed in.
  const personId = person?.id;
  useEffect(() => {
    if (personId) void sendWaiting(client, job.id);
  }, [client, job.id, personId]);

  const seqFloor = useMemo(() => lastSeqOf(job.events), [job.events]);
  const planId = state.run?.plan.id ?? null;
  /** What an undo took back that is not painted yet: two in quick succession take back two. */
  const takingBack = useRef(new Set<string>());
  const { heard } = job;
  const say = useCallback(
    (happening: PhoneHappening, id: string = uuid()) => {
      const group = pressName();
      const base = { id, deviceId: deviceId(), atMs: nowMs(), planId, heard, group };
      // Nobody counts before it is known who does.
      if (!person) return;
      enqueue(job.id, { id: person.id, name: person.name }, seqFloor, (deviceSeq) => ({
        ...base,
        deviceSeq,
        ...happening,
      }))
        .then((after) => {
          setBox(after);
          afterPaint(() => void sendWaiting(client, job.id));
        })
        .catch(() => {
          takingBack.current.clear();
          couldNotKeep(
            job.id,
            'This phone cannot keep the tap. Free some storage, then tap again.',
          );
        });
    },
    [job.id, setBox, person, seqFloor, planId, heard, client],
  );
  // What is taken back is the last that was painted, however quickly the key comes after it.
  const painted = useRef(state);
  useLayoutEffect(() => {
    painted.current = state;
  }, [state]);
  const undo = useCallback(() => {
    const { own, other } = lastToUndo(painted.current, person?.name ?? '', takingBack.current);
    const press = own ? pressIn(painted.current.log, own) : [];
    const pour = press.find((e) => undoOf(e) === 'asks whether it went in');
    // What is in stays in: of a pour it is asked whether it went in.
    if (pour) return setPourAsked(pour);
    if (!own) return setUndoAsked(other);
    for (const e of press) takingBack.current.add(e.id);
    say({ kind: 'undone', eventId: own.id });
  }, [say, person]);
  const answerUndo = useCallback(
    (takeBack: boolean) => {
      if (takeBack && undoAsked) say({ kind: 'undone', eventId: undoAsked.id });
      setUndoAsked(null);
    },
    [say, undoAsked],
  );
  const answerPour = useCallback(
    (wentIn: boolean) => {
      if (!wentIn && pourAsked) say({ kind: 'undone', eventId: pourAsked.id });
      setPourAsked(null);
    },
    [say, pourAsked],
  );
  const dropRefused = useCallback(
    (eventId: string) => {
      void drop(job.id, eventId);
      // Where it told of a photo, nothing tells of that any more.
      void dropMedia(eventId);
    },
    [job.id],
  );
  const sayAgain = useCallback(
    ({ event }: RefusedEvent) => {
      const again = async () => {
        await drop(job.id, event.id);
        if (event.kind !== 'media note') return say(happeningOf(event));
        // The photo stands under the id of its event, and goes with whoever tells of it.
        if (person) await adoptMedia(event.id, person);
        say(happeningOf(event), event.id);
      };
      void again();
    },
    [job.id, person, say],
  );

  const setOthersAside = useCallback(() => {
    if (person) void setAside(job.id, person.id).then(() => sendWaiting(client, job.id));
  }, [job.id, person, client]);

  return {
    job: state,
    waiting: box?.waiting.length ?? 0,
    waitsFor: person && box ? othersWaiting(box.waiting, person.id) : [],
    setOthersAside,
    refused: box?.refused ?? [],
    link,
    refusal,
    ready: box !== null && person !== undefined,
    counts: countsHere(state.run),
    say,
    undo,
    undoAsked,
    answerUndo,
    pourAsked,
    answerPour,
    dropRefused,
    sayAgain,
  };
}

/** Whether strokes are counted on this phone: nobody counts yet, it does, or a helper's phone does where no helper is called. */
function countsHere(run: RunState | null): boolean {
  const counting = run?.counting ?? null;
  if (!run || counting === null || counting.deviceId === deviceId()) return true;
  return counting.way === 'helper' && helpedOpening(nextStep(run)) === null;
}

/**
 * What this phone keeps of a job, as it was last read, and what was in it and
 * left since. Another page of this phone may have sent that and heard the
 * answer alone: a tap that was painted stays, whether or not this page has
 * reception to hear of it.
 */
function useBox(jobId: string): {
  readonly box: Outbox | null;
  readonly sent: readonly WaitingEvent[];
  readonly setBox: (after: Outbox) => void;
} {
  const [held, setHeld] = useState<{
    readonly jobId: string;
    readonly box: Outbox;
    readonly sent: readonly WaitingEvent[];
  } | null>(null);
  const setBox = useCallback(
    (box: Outbox) =>
      setHeld((before) => ({
        jobId,
        box,
        sent: before?.jobId === jobId ? [...before.sent, ...leftSince(before.box, box)] : [],
      })),
    [jobId],
  );
  return held?.jobId === jobId
    ? { box: held.box, sent: held.sent, setBox }
    : { box: null, sent: NOTHING, setBox };
}

const NOTHING: readonly WaitingEvent[] = [];

/** The server's log and behind it what waits on this phone, folded; a tap folds that tap alone. */
function useJobState(job: Job, box: Outbox | null, sent: readonly WaitingEvent[]): JobState {
  const followed = useMemo(() => {
    void job.id;
    return new FollowedJob();
  }, [job.id]);
  const server = useMemo(() => logOf(job), [job]);
  return useMemo(() => {
    const known = new Set(server.map((e) => e.id));
    const waiting = [...sent, ...(box?.waiting ?? [])].filter((w) => !known.has(w.event.id));
    return followed.after([
      ...server,
      ...waiting.map(({ event, by }) => ({ ...event, person: by.name })),
    ]);
  }, [followed, server, box, sent]);
}

/** The last event in effect that may be taken back and is not on its way: this person's on this phone, and anybody else's. */
function lastToUndo(
  { log, undone }: JobState,
  person: string,
  takingBack: ReadonlySet<string>,
): {
  readonly own: Logged<JobEvent> | null;
  readonly other: Logged<JobEvent> | null;
} {
  const mine = deviceId();
  const open = log.filter(
    (e) => isPhoneEvent(e) && e.kind !== 'undone' && !undone.has(e.id) && !takingBack.has(e.id),
  );
  const isOwn = (e: Logged<JobEvent>) => e.deviceId === mine && e.person === person;
  return {
    own: open.filter(isOwn).at(-1) ?? null,
    other: open.filter((e) => !isOwn(e)).at(-1) ?? null,
  };
}

/** What an event says, without what every event carries. */
function happeningOf(event: PhoneEvent): PhoneHappening {
  // Said again it is said by what this phone has heard by now.
  const base = ['id', 'deviceId', 'deviceSeq', 'atMs', 'planId', 'heard', 'group'];
  return Object.fromEntries(
    Object.entries(event).filter(([name]) => !base.includes(name)),
  ) as unknown as PhoneHappening;
}

function lastSeqOf(events: readonly EventBase[]): number {
  const mine = deviceId();
  return events.reduce((last, e) => (e.deviceId === mine ? Math.max(last, e.deviceSeq) : last), 0);
}

/** Do what can wait until the frame that shows the tap is out. A hidden page draws no frames. */
function afterPaint(work: () => void): void {
  if (document.hidden) work();
  else requestAnimationFrame(() => setTimeout(work));
}
