import type { Appended, Job } from '@brook/contract';
import { isPhoneEvent, type JobEvent, type JobState, type PhoneHappening } from '@brook/core/log';
import type { Plan } from '@brook/core/plan';
import type { EventBase, Kept, RunState } from '@brook/core/run';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import { api, ApiProblem } from './api';
import { deviceId } from './device';
import { FollowedJob, logOf } from './jobFold';
import { forgetLists } from './job';
import {
  drop,
  enqueue,
  outboxOf,
  settle,
  type Outbox,
  type PhoneEvent,
  type RefusedEvent,
} from './outbox';
import { useSession } from './session';

export interface LiveRun {
  readonly state: RunState;
  /** The whole job, its proof among it. */
  readonly job: JobState;
  /** Events that wait on this phone. */
  readonly waiting: number;
  /** What the server refused of this phone; it stops nothing behind it. */
  readonly refused: readonly RefusedEvent[];
  readonly link: 'up' | 'down' | 'refused';
  /** Why nothing is sent, in a sentence. */
  readonly refusal: string | null;
  /** Whether what waits on this phone has been read; before that nothing may be counted. */
  readonly ready: boolean;
  /** Whether this phone counts; another one that taps is asked about. */
  readonly counts: boolean;
  /** Record what happened. Painted once it is kept, so that a number that was seen is never lost. */
  readonly say: (happening: PhoneHappening) => void;
  /** Take back this phone's last; without one of its own another's is asked about, by name. */
  readonly undo: () => void;
  /** The event of another phone that somebody was asked about, and how to answer. */
  readonly undoAsked: Kept<JobEvent> | null;
  readonly answerUndo: (takeBack: boolean) => void;
  readonly dropRefused: (eventId: string) => void;
  readonly sayAgain: (refused: RefusedEvent) => void;
}

const RETRY_MS = 3_000;
const BATCH = 500;

/** The run of a job as this phone knows it: the server's log, then what still waits here. */
export function useRun(job: Job, accepted: Plan): LiveRun {
  const person = useSession().data?.user.name ?? '';
  const [box, setBox] = useState<Outbox | null>(null);
  const [link, setLink] = useState<LiveRun['link']>('up');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [undoAsked, setUndoAsked] = useState<Kept<JobEvent> | null>(null);
  const state = useJobState(job, box, person);

  const keep = useCallback(async () => setBox(await outboxOf(job.id)), [job.id]);
  const flush = useSender(job.id, keep, setLink, setRefusal);

  useEffect(() => {
    let here = true;
    void outboxOf(job.id).then((kept) => {
      if (!here) return;
      setBox(kept);
      void flush();
    });
    const again = () => void flush();
    const timer = setInterval(again, RETRY_MS);
    window.addEventListener('online', again);
    return () => {
      here = false;
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [job.id, flush]);

  const seqFloor = useMemo(() => lastSeqOf(job.events), [job.events]);
  const planId = state.run?.plan.id ?? accepted.id;
  const say = useCallback(
    (happening: PhoneHappening) => {
      const base = { id: uuid(), deviceId: deviceId(), atMs: Date.now(), planId };
      enqueue(job.id, seqFloor, (deviceSeq) => ({ ...base, deviceSeq, ...happening }))
        .then((after) => {
          setBox(after);
          afterPaint(() => void flush());
        })
        .catch(() => {
          setLink('refused');
          setRefusal('This phone cannot keep the tap. Free some storage, then tap again.');
        });
    },
    [job.id, seqFloor, planId, flush],
  );
  const undo = useCallback(() => {
    const { own, other } = lastToUndo(state);
    if (own) say({ kind: 'undone', eventId: own.id });
    else setUndoAsked(other);
  }, [say, state]);
  const answerUndo = useCallback(
    (takeBack: boolean) => {
      if (takeBack && undoAsked) say({ kind: 'undone', eventId: undoAsked.id });
      setUndoAsked(null);
    },
    [say, undoAsked],
  );
  const dropRefused = useCallback(
    (eventId: string) => void drop(job.id, eventId).then(keep),
    [job.id, keep],
  );
  const sayAgain = useCallback(
    ({ event }: RefusedEvent) => {
      void drop(job.id, event.id).then(() => say(happeningOf(event)));
    },
    [job.id, say],
  );

  const counting = state.run?.counting ?? null;
  return {
    state: state.run!,
    job: state,
    waiting: box?.waiting.length ?? 0,
    refused: box?.refused ?? [],
    link,
    refusal,
    ready: box !== null && state.run !== null,
    counts: counting === null || counting.deviceId === deviceId(),
    say,
    undo,
    undoAsked,
    answerUndo,
    dropRefused,
    sayAgain,
  };
}

/** The server's log and behind it what waits on this phone, folded; a tap folds that tap alone. */
function useJobState(job: Job, box: Outbox | null, person: string): JobState {
  const followed = useMemo(() => {
    void job.id;
    return new FollowedJob();
  }, [job.id]);
  const server = useMemo(() => logOf(job), [job]);
  return useMemo(() => {
    const known = new Set(server.map((e) => e.id));
    const waiting = (box?.waiting ?? []).filter((e) => !known.has(e.id));
    return followed.after([...server, ...waiting.map((e) => ({ ...e, person }))]);
  }, [followed, server, box, person]);
}

/** Sends what waits, a batch at a time, and takes up what the server answers. */
function useSender(
  jobId: string,
  keep: () => Promise<void>,
  setLink: (link: LiveRun['link']) => void,
  setRefusal: (sentence: string | null) => void,
): () => Promise<void> {
  const client = useQueryClient();
  const sending = useRef(false);
  return useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      for (;;) {
        const { waiting } = await outboxOf(jobId);
        if (waiting.length === 0) break;
        const since = client.getQueryData<Job>(['job', jobId])?.events.length ?? 0;
        const answer = await api<Appended>(`/jobs/${jobId}/events`, {
          method: 'POST',
          body: {
            events: waiting.slice(0, BATCH),
            lowestWaiting: waiting[0]!.deviceSeq,
            since,
          },
        });
        takeUp(client, jobId, since, answer);
        await settle(jobId, ...sorted(answer));
        await keep();
        setLink('up');
        setRefusal(null);
      }
    } catch (error) {
      setLink(error instanceof ApiProblem ? 'refused' : 'down');
      setRefusal(error instanceof ApiProblem ? error.message : null);
    } finally {
      sending.current = false;
    }
  }, [client, jobId, keep, setLink, setRefusal]);
}

/** Put what the log holds behind what was known into the job that is shown. */
function takeUp(
  client: ReturnType<typeof useQueryClient>,
  jobId: string,
  since: number,
  answer: Appended,
): void {
  const key = ['job', jobId];
  const known = client.getQueryData<Job>(key);
  if (!known) return;
  const moved = known.stage !== answer.stage || known.drive.state !== answer.drive.state;
  client.setQueryData<Job>(key, {
    ...known,
    events: [...known.events.slice(0, since), ...answer.events],
    version: answer.version,
    drive: answer.drive,
    vehicleDrive: answer.drive.state,
  });
  if (!moved) return;
  if (known.stage !== answer.stage) void client.invalidateQueries({ queryKey: key });
  forgetLists(client);
}

/** What became of each event: taken, or refused with its sentence. */
function sorted({ answers }: Appended): [ReadonlySet<string>, ReadonlyMap<string, string>] {
  const taken = answers.flatMap((a) => (a.id && a.result !== 'refused' ? [a.id] : []));
  const refused = answers.flatMap((a): [string, string][] =>
    a.id && a.result === 'refused' ? [[a.id, a.sentence ?? 'The server refused it.']] : [],
  );
  return [new Set(taken), new Map(refused)];
}

/** The last event in effect that may be taken back: of this phone, and of another one. */
function lastToUndo({ log, undone }: JobState): {
  readonly own: Kept<JobEvent> | null;
  readonly other: Kept<JobEvent> | null;
} {
  const mine = deviceId();
  const open = log.filter((e) => isPhoneEvent(e) && e.kind !== 'undone' && !undone.has(e.id));
  return {
    own: open.filter((e) => e.deviceId === mine).at(-1) ?? null,
    other: open.filter((e) => e.deviceId !== mine).at(-1) ?? null,
  };
}

/** What an event says, without what every event carries. */
function happeningOf(event: PhoneEvent): PhoneHappening {
  const { id: _, deviceId: __, deviceSeq: ___, atMs: ____, planId: _____, ...said } = event;
  return said as PhoneHappening;
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
