import type { RunEvent } from '@brook/core/run';
import { get, update } from 'idb-keyval';

/** Events of one job that wait on this phone, and the last number that this phone gave for it. */
export interface Outbox {
  readonly lastSeq: number;
  readonly waiting: readonly RunEvent[];
}

const EMPTY: Outbox = { lastSeq: 0, waiting: [] };
const key = (jobId: string) => `outbox:${jobId}`;

/** What waits for a job. */
export async function outboxOf(jobId: string): Promise<Outbox> {
  return (await get<Outbox>(key(jobId))) ?? EMPTY;
}

/**
 * Put an event into the outbox. It gets its number in the same transaction,
 * so that it is queued or it is not, and two pages cannot give one number.
 *
 * @param seqFloor highest number that the server is known to have from this device
 * @returns the event as it was kept
 */
export async function enqueue(
  jobId: string,
  seqFloor: number,
  make: (deviceSeq: number) => RunEvent,
): Promise<RunEvent> {
  let kept: RunEvent | null = null;
  await update<Outbox>(key(jobId), (before = EMPTY) => {
    const lastSeq = Math.max(before.lastSeq, seqFloor) + 1;
    kept = make(lastSeq);
    return { lastSeq, waiting: [...before.waiting, kept] };
  });
  return kept!;
}

/** Take out what the server has confirmed. */
export function confirm(jobId: string, ids: ReadonlySet<string>): Promise<void> {
  return update<Outbox>(key(jobId), (before = EMPTY) => ({
    ...before,
    waiting: before.waiting.filter((e) => !ids.has(e.id)),
  }));
}
