import type { Job, VehicleDriveState } from '@brook/contract';
import type { JobStage } from '@brook/core/job';
import type { Plan } from '@brook/core/plan';
import { foldEvent, foldRun, type RunEvent, type RunState } from '@brook/core/run';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v4 as uuid } from 'uuid';
import { api, ApiProblem } from './api';
import { deviceId } from './device';
import { forgetLists } from './job';
import { confirm, enqueue, outboxOf } from './outbox';

/** What happened, without what the log adds by itself. */
export type Happening = RunEvent extends infer E
  ? E extends RunEvent
    ? Omit<E, 'id' | 'deviceId' | 'deviceSeq' | 'atMs'>
    : never
  : never;

export interface LiveRun {
  readonly state: RunState;
  /** Events that wait on this phone. */
  readonly waiting: number;
  readonly link: 'up' | 'down' | 'refused';
  /** What the server refused, in its sentence. */
  readonly refusal: string | null;
  /** Whether what waits on this phone has been read; before that nothing may be counted. */
  readonly ready: boolean;
  /** Put an event down. Painted once it is kept, so that a number that was seen is never lost. */
  readonly say: (happening: Happening) => void;
  readonly undo: () => void;
}

const RETRY_MS = 3_000;

interface Appended {
  readonly stage: JobStage;
  readonly version: number;
  readonly drive: VehicleDriveState;
}

/** The run of a job as this phone knows it: the server's log, then what still waits here. */
export function useRun(job: Job, plan: Plan): LiveRun {
  const client = useQueryClient();
  const [local, setLocal] = useState<readonly RunEvent[]>([]);
  const [waiting, setWaiting] = useState(0);
  const [ready, setReady] = useState(false);
  const [link, setLink] = useState<LiveRun['link']>('up');
  const [refusal, setRefusal] = useState<string | null>(null);
  const sending = useRef(false);
  const state = useRunState(plan, job.events, local);

  const flush = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      for (;;) {
        const events = (await outboxOf(job.id)).waiting;
        setWaiting(events.length);
        if (events.length === 0) break;
        const answer = await api<Appended>(`/jobs/${job.id}/events`, {
          method: 'POST',
          body: { events: events.slice(0, 500) },
        });
        await confirm(job.id, new Set(events.slice(0, 500).map((e) => e.id)));
        setLink('up');
        setRefusal(null);
        const known = client.getQueryData<Job>(['job', job.id]);
        if (known && known.stage !== answer.stage)
          void client.invalidateQueries({ queryKey: ['job', job.id] });
        if (known && (known.stage !== answer.stage || known.drive.state !== answer.drive.state)) {
          client.setQueryData<Job>(['job', job.id], {
            ...known,
            version: answer.version,
            drive: answer.drive,
            vehicleDrive: answer.drive.state,
          });
          forgetLists(client);
        }
      }
    } catch (error) {
      setLink(error instanceof ApiProblem ? 'refused' : 'down');
      setRefusal(error instanceof ApiProblem ? error.message : null);
    } finally {
      sending.current = false;
    }
  }, [client, job.id]);

  useEffect(() => {
    let here = true;
    void outboxOf(job.id).then(({ waiting: kept }) => {
      if (!here) return;
      setLocal((before) => [...before, ...kept.filter((e) => !before.some((b) => b.id === e.id))]);
      setReady(true);
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
  const say = useCallback(
    (happening: Happening) => {
      const base = { id: uuid(), deviceId: deviceId(), atMs: Date.now() };
      enqueue(job.id, seqFloor, (deviceSeq) => ({ ...base, deviceSeq, ...happening }) as RunEvent)
        .then((event) => {
          setLocal((before) => [...before, event]);
          setWaiting((n) => n + 1);
          afterPaint(() => void flush());
        })
        .catch(() => {
          setLink('refused');
          setRefusal('This phone cannot keep the tap. Free some storage, then tap again.');
        });
    },
    [job.id, seqFloor, flush],
  );
  const undo = useCallback(() => {
    const last = state.log.at(-1);
    if (last) say({ kind: 'undone', eventId: last.id });
  }, [say, state.log]);

  return { state, waiting, link, refusal, ready, say, undo };
}

/** Fold the server's log and what this phone added; a tap folds that tap alone. */
function useRunState(
  plan: Plan,
  server: readonly RunEvent[],
  local: readonly RunEvent[],
): RunState {
  const log = useMemo(() => new FoldedLog(foldRun(plan, server)), [plan, server]);
  return useMemo(() => log.with(local), [log, local]);
}

/** A state with events on top of it that only grow in number. */
class FoldedLog {
  private folded = 0;

  constructor(private state: RunState) {}

  with(events: readonly RunEvent[]): RunState {
    for (const event of events.slice(this.folded)) this.state = foldEvent(this.state, event);
    this.folded = Math.max(this.folded, events.length);
    return this.state;
  }
}

function lastSeqOf(events: readonly RunEvent[]): number {
  const mine = deviceId();
  return events.reduce((last, e) => (e.deviceId === mine ? Math.max(last, e.deviceSeq) : last), 0);
}

/** Do what can wait until the frame that shows the tap is out. A hidden page draws no frames. */
function afterPaint(work: () => void): void {
  if (document.hidden) work();
  else requestAnimationFrame(() => setTimeout(work));
}
