import type { HelperNews, Job, LiveBeat, LiveLog, LivePhone } from '@brook/contract';
import { JOB_LINE_LOST_MS } from '@brook/contract/beats';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api } from './api';
import { call } from './call';
import { heardTime } from './clock';
import { deviceId } from './device';
import { heardOfHelper } from './helper';
import { Line } from './line';
import { outboxOf } from './outbox';
import { takeUp } from './takeUp';
import { heard } from './touch';
import { listsHeard } from './workshopNews';

/** Whether what others do to a job is seen at once, and which phones worked on it. */
export interface Live {
  readonly inTouch: boolean;
  /** Whether it is not, because too many pages are open. */
  readonly full: boolean;
  readonly phones: readonly LivePhone[];
}

const NOTHING: Live = { inTouch: false, full: false, phones: [] };

/**
 * A line to a job, open while its page is looked at: a hidden page closes it,
 * because a browser keeps few open for one address. A closed job has one too:
 * what comes late to its record, or to its vehicle, counts at once.
 */
export function useLive(jobId: string, open: boolean): Live {
  const client = useQueryClient();
  const [live, setLive] = useState<Live>(NOTHING);
  useEffect(() => {
    if (!open) return;
    const lists = listsHeard(client);
    const line = new Line({
      address: () => {
        const since = client.getQueryData<Job>(['job', jobId])?.events.length ?? 0;
        return `/api/v1/jobs/${jobId}/live?since=${since}&device=${deviceId()}`;
      },
      silentMs: JOB_LINE_LOST_MS,
      on: {
        log: (data) => {
          heard();
          const log = data as LiveLog;
          takeUp(client, jobId, log.since, log);
        },
        beat: (data) => {
          heard();
          const { nowMs, phones } = data as LiveBeat;
          // One way only: half a second is what a slow line may have taken.
          heardTime(nowMs, Date.now() - 500, Date.now());
          setLive({ inTouch: true, full: false, phones });
          lists.back();
          heardOfHelper(jobId, { inTouch: true });
        },
        changed: () => {
          heard();
          lists.changed();
        },
        helper: (data) => {
          heard();
          heardOfHelper(jobId, { news: data as HelperNews, inTouch: true });
        },
      },
      onLost: () => {
        setLive((before) => ({ ...before, inTouch: false }));
        lists.lost();
        heardOfHelper(jobId, { inTouch: false });
        // Whether the server is gone, or the line alone, a question tells.
        void api('/session').catch(() => undefined);
      },
      onFull: () => setLive((before) => ({ ...before, full: true })),
    });
    const away = () => {
      line.shut();
      lists.lost();
      void sayAway(jobId);
    };
    const look = () => (document.hidden ? away() : line.open());
    look();
    document.addEventListener('visibilitychange', look);
    return () => {
      document.removeEventListener('visibilitychange', look);
      away();
    };
  }, [client, jobId, open]);
  return live;
}

/** This phone turns to something else: others are told what it holds. It goes out even as the page closes. */
async function sayAway(jobId: string): Promise<void> {
  const { waiting, lastSeq } = await outboxOf(jobId);
  if (lastSeq === 0) return;
  const body = { holds: waiting.length };
  await call('post', '/jobs/{id}/away', { id: jobId, body, keepalive: true }).catch(
    () => undefined,
  );
}
