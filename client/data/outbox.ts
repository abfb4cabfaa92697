import { type EventBase, type PhoneHappening } from '@brook/core/job/events';
import { entries, get, update } from 'idb-keyval';

/** An event as this phone says it. */
export type PhoneEvent = EventBase & PhoneHappening;

/** Who tapped: what they tapped is sent in nobody else's name. */
export interface Tapper {
  readonly id: string;
  readonly name: string;
}

/** An event that is not with the workshop yet. */
export interface WaitingEvent {
  readonly event: PhoneEvent;
  readonly by: Tapper;
}

/** An event that the server refused, with its sentence. It stops nothing behind it. */
export interface RefusedEvent {
  readonly event: PhoneEvent;
  readonly sentence: string;
}

/** What this phone keeps of one job: the last number that it gave, what waits, what was refused. */
export interface Outbox {
  readonly version: 3;
  readonly lastSeq: number;
  readonly waiting: readonly WaitingEvent[];
  readonly refused: readonly RefusedEvent[];
}

const EMPTY: Outbox = { version: 3, lastSeq: 0, waiting: [], refused: [] };
const PREFIX = 'outbox:';
const key = (jobId: string) => `${PREFIX}${jobId}`;

/** What this phone keeps of a job. */
export async function outboxOf(jobId: string): Promise<Outbox> {
  return (await get<Outbox>(key(jobId))) ?? EMPTY;
}

/** Jobs of which something waits on this phone. */
export async function waitingJobs(): Promise<string[]> {
  const all = await entries<string, Outbox>();
  return all.flatMap(([name, box]) =>
    name.startsWith(PREFIX) && box.waiting.length > 0 ? [name.slice(PREFIX.length)] : [],
  );
}

/** What waits on this phone of all jobs. */
export async function allWaiting(): Promise<readonly WaitingEvent[]> {
  const all = await entries<string, Outbox>();
  return all.flatMap(([name, box]) => (name.startsWith(PREFIX) ? box.waiting : []));
}

const listeners = new Map<string, Set<() => void>>();

/** Hear when what this phone keeps of a job changed. @returns how to stop */
export function onOutbox(jobId: string, hear: () => void): () => void {
  const known = listeners.get(jobId) ?? new Set();
  listeners.set(jobId, known.add(hear));
  return () => known.delete(hear);
}

async function change(jobId: string, by: (before: Outbox) => Outbox): Promise<void> {
  await update<Outbox>(key(jobId), (before) => by(before ?? EMPTY));
  for (const hear of listeners.get(jobId) ?? []) hear();
}

/**
 * Put an event into the outbox. It gets its number in the same transaction,
 * so that it is queued or it is not, and two pages cannot give one number.
 *
 * @param by who tapped
 * @param seqFloor highest number that the server is known to have from this device
 * @returns the outbox with the event in it
 */
export async function enqueue(
  jobId: string,
  by: Tapper,
  seqFloor: number,
  make: (deviceSeq: number) => PhoneEvent,
): Promise<Outbox> {
  let after: Outbox | null = null;
  await change(jobId, (before) => {
    const lastSeq = Math.max(before.lastSeq, seqFloor) + 1;
    after = { ...before, lastSeq, waiting: [...before.waiting, { event: make(lastSeq), by }] };
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
    waiting: before.waiting.filter(({ event: { id } }) => !taken.has(id) && !refused.has(id)),
    refused: [
      ...before.refused,
      ...before.waiting.flatMap(({ event }) => {
        const sentence = refused.get(event.id);
        return sentence === undefined ? [] : [{ event, sentence }];
      }),
    ],
  }));
}

const isOthers = ({ by }: WaitingEvent, personId: string): boolean => by.id !== personId;

/** What waits ahead of anything of somebody else's: a log is sent in the order of the taps. */
export function sendable(
  waiting: readonly WaitingEvent[],
  personId: string,
): readonly WaitingEvent[] {
  const stop = waiting.findIndex((w) => isOthers(w, personId));
  return stop < 0 ? waiting : waiting.slice(0, stop);
}

/** Whose taps wait on this phone for them to sign in, and how many of each. */
export function othersWaiting(
  waiting: readonly WaitingEvent[],
  personId: string,
): readonly { readonly id: string; readonly person: string; readonly taps: number }[] {
  const others = waiting.filter((w) => isOthers(w, personId));
  return [...new Set(others.map((w) => w.by.id))].map((id) => {
    const theirs = others.filter((w) => w.by.id === id);
    return { id, person: theirs[0]!.by.name, taps: theirs.length };
  });
}

/** What waited before and was taken by the server since: not waiting any more, nor refused. */
export function leftSince(before: Outbox, after: Outbox): readonly WaitingEvent[] {
  const still = new Set([
    ...after.waiting.map((w) => w.event.id),
    ...after.refused.map((r) => r.event.id),
  ]);
  return before.waiting.filter((w) => !still.has(w.event.id));
}

/** Put what others tapped on the shelf of what was not sent: whoever is here says each again in their own name, or drops it. */
export function setAside(jobId: string, personId: string): Promise<void> {
  return change(jobId, (before) => ({
    ...before,
    waiting: before.waiting.filter((w) => !isOthers(w, personId)),
    refused: [
      ...before.refused,
      ...before.waiting.flatMap((w) =>
        isOthers(w, personId)
          ? [
              {
                event: w.event,
                sentence: `${w.by.name} tapped it on this phone and did not send it.`,
              },
            ]
          : [],
      ),
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
