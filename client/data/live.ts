import type { Job, LiveBeat, LiveLog, LivePhone } from '@brook/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api } from './api';
import { call } from './call';
import { heardTime } from './clock';
import { deviceId } from './device';
import { outboxOf } from './outbox';
import { takeUp } from './takeUp';
import { heard } from './touch';

/** Whether what others do to a job is seen at once, and which phones worked on it. */
export interface Live {
  readonly inTouch: boolean;
  readonly phones: readonly LivePhone[];
}

/** The server beats every four seconds; two that are missed and a bit. */
const SILENT_MS = 10_000;
const LOOK_MS = 1_000;
const AGAIN_MS = 3_000;
const NOTHING: Live = { inTouch: false, phones: [] };

/**
 * A line to a job, open while its page is looked at: a hidden page closes it,
 * because a browser keeps few open for one address.
 */
export function useLive(jobId: string, open: boolean): Live {
  const client = useQueryClient();
  const [live, setLive] = useState<Live>(NOTHING);
  useEffect(() => {
    if (!open) return;
    const line = new Line(jobId, {
      since: () => client.getQueryData<Job>(['job', jobId])?.events.length ?? 0,
      log: (log) => takeUp(client, jobId, log.since, log),
      live: setLive,
    });
    const away = () => {
      line.shut();
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

interface Ears {
  readonly since: () => number;
  readonly log: (log: LiveLog) => void;
  readonly live: (change: (before: Live) => Live) => void;
}

class Line {
  private source: EventSource | null = null;
  private timer: ReturnType<typeof setInterval> | null = null;
  private lastHeard = 0;
  private lastTried = 0;
  private inTouch = true;

  constructor(
    private readonly jobId: string,
    private readonly ears: Ears,
  ) {}

  open(): void {
    if (this.timer) return;
    this.connect();
    this.timer = setInterval(this.look, LOOK_MS);
    window.addEventListener('offline', this.cut);
    window.addEventListener('online', this.connect);
  }

  shut(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    this.source?.close();
    this.source = null;
    window.removeEventListener('offline', this.cut);
    window.removeEventListener('online', this.connect);
  }

  private readonly connect = (): void => {
    this.source?.close();
    this.lastTried = performance.now();
    const source = new EventSource(
      `/api/v1/jobs/${this.jobId}/live?since=${this.ears.since()}&device=${deviceId()}`,
    );
    this.source = source;
    source.addEventListener('log', ({ data }) => {
      this.hear();
      this.ears.log(JSON.parse(data as string) as LiveLog);
    });
    source.addEventListener('beat', ({ data }) => {
      this.hear();
      const { nowMs, phones } = JSON.parse(data as string) as LiveBeat;
      // One way only: half a second is what a slow line may have taken.
      heardTime(nowMs, Date.now() - 500, Date.now());
      this.ears.live(() => ({ inTouch: true, phones }));
    });
    source.addEventListener('error', () => this.lose());
  };

  private hear(): void {
    this.lastHeard = performance.now();
    this.inTouch = true;
    heard();
  }

  /** Nothing comes any more: whether the server is gone, or the line alone, a question tells. */
  private lose(): void {
    if (!this.inTouch) return;
    this.inTouch = false;
    this.ears.live((before) => ({ ...before, inTouch: false }));
    void api('/session').catch(() => undefined);
  }

  /** The phone says itself that it has no reception. */
  private readonly cut = (): void => {
    this.source?.close();
    this.source = null;
    this.lose();
  };

  /** A line that was shut for good, or that says nothing any more, is made anew. */
  private readonly look = (): void => {
    const now = performance.now();
    const silent = now - Math.max(this.lastHeard, this.lastTried) > SILENT_MS;
    const gone = this.source === null || this.source.readyState === EventSource.CLOSED;
    if (silent) this.lose();
    if (silent || (gone && now - this.lastTried > AGAIN_MS)) this.connect();
  };
}
