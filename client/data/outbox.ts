import type { EventBase } from '@brook/core/run';
import type { PhoneHappening } from '@brook/core/log';
import { entries, get, update } from 'idb-keyval';

/** An event as this phone says it. */
export type PhoneEvent = EventBase & PhoneHappening;

/** An event that the server refused, with its sentence. It stops nothing behind it. */
export interface RefusedEvent {
  readonly event: PhoneEvent;
  readonly sentence: string;
}

/** What this phone keeps of one job: the last number that it gave, what waits, what was refused. */
export interface Outbox {
  readonly version: 2;
  readonly lastSeq: number;
  readonly waiting: readonly PhoneEvent[];
  readonly refused: readonly RefusedEvent[];
}

/** How the first version kept it: without a shelf for what was refused, events without a plan. */
interface FirstOutbox {
  readonly version?: undefined;
  readonly lastSeq: number;
  readonly waiting: readonly (Omit<PhoneEvent, 'planId'> & { readonly kind: string })[];
}

const EMPTY: Outbox = { version: 2, lastSeq: 0, waiting: [], refused: [] };
const PREFIX = 'outbox:';
const key = (jobId: string) => `${PREFIX}${jobId}`;

/** Whatever was kept, in the shape of today; what cannot be read is set aside under another name and nothing of it is lost. */
function lifted(kept: Outbox | FirstOutbox | undefined): Outbox {
  if (!kept) return EMPTY;
  if (kept.version === 2) return kept;
  const waiting = kept.waiting.map(
    (e) =>
      ({
        ...e,
        planId: null,
        ...(e.kind === 'topped up' ? { containerId: null } : {}),
      }) as unknown as PhoneEvent,
  );
  return { ...EMPTY, lastSeq: kept.lastSeq, waiting };
}

/** What this phone keeps of a job. */
export async function outboxOf(jobId: string): Promise<Outbox> {
  return lifted(await get<Outbox | FirstOutbox>(key(jobId)));
}

/** Jobs of which something waits on this phone. */
export async function waitingJobs(): Promise<string[]> {
  const all = await entries<string, Outbox | FirstOutbox>();
  return all.flatMap(([name, box]) =>
    name.startsWith(PREFIX) && lifted(box).waiting.length > 0 ? [name.slice(PREFIX.length)] : [],
  );
}

const listeners = new Map<string, Set<() => void>>();

/** Hear when what this phone keeps of a job changed. @returns how to stop */
export function onOutbox(jobId: string, hear: () => void): () => void {
  const known = listeners.get(jobId) ?? new Set();
  listeners.set(jobId, known.add(hear));
  return () => known.delete(hear);
}

async function change(jobId: string, by: (before: Outbox) => Outbox): Promise<void> {
  await update<Outbox | FirstOutbox>(key(jobId), (before) => by(lifted(before)));
  for (const hear of listeners.get(jobId) ?? []) hear();
}

/**
 * Put an event into the outbox. It gets its number in the same transaction,
 * so that it is queued or it is not, and two pages cannot give one number.
 *
 * @param seqFloor highest number that the server is known to have from this device
 * @returns the outbox with the event in it
 */
export async function enqueue(
  jobId: string,
  seqFloor: number,
  make: (deviceSeq: number) => PhoneEvent,
): Promise<Outbox> {
  let after: Outbox | null = null;
  await change(jobId, (before) => {
    const lastSeq = Math.max(before.lastSeq, seqFloor) + 1;
    after = { ...before, lastSeq, waiting: [...before.waiting, make(lastSeq)] };
    return after;
  });
  return after!;
}

/** Take out what the server has, and put what it refused on the other shelf. */
export function settle(
  jobId: string,
  taken: ReadonlySet<string>,
  refused: ReadonlyMap<string, string> = new Map(),
): Promise<void> {
  return change(jobId, (before) => ({
    ...before,
    waiting: before.waiting.filter((e) => !taken.has(e.id) && !refused.has(e.id)),
    refused: [
      ...before.refused,
      ...before.waiting.flatMap((event) => {
        const sentence = refused.get(event.id);
        return sentence === undefined ? [] : [{ event, sentence }];
      }),
    ],
  }));
}

/** Take a refused event off its shelf: it was looked at. */
export function drop(jobId: string, eventId: string): Promise<void> {
  return change(jobId, (before) => ({
    ...before,
    refused: before.refused.filter((r) => r.event.id !== eventId),
  }));
}
