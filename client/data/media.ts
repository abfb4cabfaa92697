import type { VehicleNote } from '@brook/contract';
import type { Medium } from '@brook/core/job/events';
import { type useQueryClient, useQuery } from '@tanstack/react-query';
import { createStore, del, entries, get, set, update } from 'idb-keyval';
import { useCallback, useState } from 'react';
import { api, ApiProblem } from './api';
import { callKept } from './call';
import { outboxOf, type Tapper } from './outbox';
import { pagesOf } from './pages';
import { signedInAs } from './person';
import { useReadAnew } from './readAnew';

/** A photo or voice note that is not with the workshop yet. */
export interface WaitingMedia {
  /** Of the event that tells of it. */
  readonly id: string;
  readonly jobId: string;
  readonly medium: Medium;
  readonly by: Tapper;
  readonly file: Blob;
  /** Why the workshop does not take it. */
  readonly refusal: string | null;
}

/** Photos and voice notes of all jobs of a vehicle, each at its place, newest first; kept for where there is no reception. */
export function useVehicleNotes(vehicleId: string): readonly VehicleNote[] {
  return (
    useQuery({
      queryKey: ['notes', vehicleId],
      queryFn: async () =>
        (
          await pagesOf((query) => callKept('/vehicles/{id}/notes', { id: vehicleId, query }))
        ).flatMap((p) => p.notes),
    }).data ?? []
  );
}

/** A store of their own: they are large, and the events need not be read through them. */
const store = createStore('brook-media', 'media');
const listeners = new Set<() => void>();
const onMedia = (hear: () => void) => {
  listeners.add(hear);
  return () => void listeners.delete(hear);
};
const changed = () => {
  for (const hear of listeners) hear();
};

/** Keep one on this phone until the workshop has it. */
export async function keepMedia(media: Omit<WaitingMedia, 'refusal'>): Promise<void> {
  await set(media.id, { ...media, refusal: null }, store);
  changed();
}

/** Forget one: the workshop has it, or nobody wants it. */
export async function dropMedia(id: string): Promise<void> {
  await del(id, store);
  changed();
}

/** Somebody else tells of one now: it goes in their name, and is tried once more. */
export async function adoptMedia(id: string, { id: personId, name }: Tapper): Promise<void> {
  const by = { id: personId, name };
  const kept = await get<WaitingMedia>(id, store);
  if (kept) await keepMedia({ ...kept, by });
}

/** What waits on this phone, of one job or of all. */
export async function waitingMedia(jobId?: string): Promise<readonly WaitingMedia[]> {
  const all = await entries<string, WaitingMedia>(store);
  return all.flatMap(([, m]) => (jobId === undefined || m.jobId === jobId ? [m] : []));
}

type Client = ReturnType<typeof useQueryClient>;
let sending: Promise<void> | null = null;

/**
 * Send what waits, each in the name of who took it and behind the event that
 * tells of it. One that is refused keeps its sentence and stops nothing behind it.
 */
export function sendMedia(client: Client): Promise<void> {
  sending ??= send(client).finally(() => (sending = null));
  return sending;
}

async function send(client: Client): Promise<void> {
  const person = signedInAs(client);
  if (!person) return;
  for (const media of await waitingMedia()) {
    if (media.by.id !== person.id || media.refusal !== null) continue;
    const { waiting } = await outboxOf(media.jobId);
    if (waiting.some((w) => w.event.id === media.id)) continue;
    try {
      await api(`/media/${media.id}`, { method: 'PUT', file: media.file });
      await dropMedia(media.id);
      void client.invalidateQueries({ queryKey: ['media', media.jobId] });
    } catch (error) {
      if (!(error instanceof ApiProblem)) return;
      // Signed out, or the event is not in the log: it waits for that.
      if (error.status === 401 || error.status === 404) continue;
      await update<WaitingMedia>(media.id, (m) => ({ ...m!, refusal: error.message }), store);
      changed();
    }
  }
}

/** What of a job waits on this phone, for whoever shows it. */
export function useWaitingMedia(jobId: string): readonly WaitingMedia[] {
  const [waiting, setWaiting] = useState<readonly WaitingMedia[]>([]);
  const read = useCallback(() => waitingMedia(jobId), [jobId]);
  useReadAnew(read, onMedia, setWaiting);
  return waiting;
}

/** How often it is asked whether what another phone took has arrived, ms. */
const LOOK_MS = 4_000;

/**
 * Which photos and voice notes of a job are with the workshop.
 *
 * @param told ids that the log tells of; while one of them has not arrived it is asked for again
 */
export function useKeptMedia(jobId: string, told: readonly string[]): ReadonlySet<string> {
  const { data } = useQuery({
    queryKey: ['media', jobId],
    queryFn: async () =>
      (await pagesOf((query) => callKept('/jobs/{id}/media', { id: jobId, query }))).flatMap(
        (p) => p.media,
      ),
    refetchInterval: ({ state }) => {
      const there = new Set(state.data?.map((m) => m.id));
      return told.every((id) => there.has(id)) ? false : LOOK_MS;
    },
  });
  return new Set(data?.map((m) => m.id));
}
