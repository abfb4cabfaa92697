import type { Appended, Job } from '@brook/contract';
import { counted } from '@brook/core/base/text';
import type { useQueryClient } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { ApiProblem } from './api';
import { call } from './call';
import { keepAnswer } from './keptAnswers';
import { sendMedia } from './media';
import { othersWaiting, outboxOf, sendable, settle, waitingJobs } from './outbox';
import { signedInAs } from './person';
import { takeUp } from './takeUp';

type Client = ReturnType<typeof useQueryClient>;

/** How sending goes for one job. */
export interface LinkState {
  readonly link: 'up' | 'down' | 'refused';
  /** Why nothing is sent, in a sentence. */
  readonly refusal: string | null;
}

const UP: LinkState = { link: 'up', refusal: null };
const BATCH = 500;
const RETRY_MS = 3_000;

const links = new Map<string, LinkState>();
const sending = new Map<string, Promise<void>>();
const listeners = new Set<() => void>();

function setLink(jobId: string, state: LinkState): void {
  const before = links.get(jobId) ?? UP;
  if (before.link === state.link && before.refusal === state.refusal) return;
  links.set(jobId, state);
  for (const listener of listeners) listener();
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** How sending goes for a job, for whoever shows it. */
export function useLink(jobId: string): LinkState {
  const state = () => links.get(jobId) ?? UP;
  return useSyncExternalStore(subscribe, state, state);
}

/** This phone could not even keep something. */
export function couldNotKeep(jobId: string, refusal: string): void {
  setLink(jobId, { link: 'refused', refusal });
}

/** Send what waits for a job, a batch at a time in its order, and take up what the server answers. One at a time for each job. */
export function sendWaiting(client: Client, jobId: string): Promise<void> {
  const before = sending.get(jobId);
  if (before) return before;
  const work = send(client, jobId).finally(() => sending.delete(jobId));
  sending.set(jobId, work);
  return work;
}

async function send(client: Client, jobId: string): Promise<void> {
  try {
    for (;;) {
      const person = signedInAs(client);
      if (!person) return;
      const { waiting } = await outboxOf(jobId);
      if (waiting.length === 0) break;
      const own = sendable(waiting, person.id);
      if (own.length === 0) {
        const [first] = othersWaiting(waiting, person.id);
        setLink(jobId, { link: 'refused', refusal: waitsFor(first!.person, waiting.length) });
        return;
      }
      const key = ['job', jobId];
      const since = client.getQueryData<Job>(key)?.events.length ?? 0;
      const answer = await call('post', '/jobs/{id}/events', {
        id: jobId,
        body: {
          events: own.slice(0, BATCH).map((w) => w.event),
          lowestWaiting: own[0]!.event.deviceSeq,
          since,
          personId: person.id,
        },
      });
      takeUp(client, jobId, since, answer);
      // What stands beside a closed record is not told with its log.
      if (answer.answers.some((a) => a.result === 'added after the end'))
        void client.invalidateQueries({ queryKey: key });
      // Kept before it is taken out of the outbox: at no moment is a tap on neither shelf.
      const known = client.getQueryData<Job>(key);
      if (known) await keepAnswer(`/jobs/${jobId}`, known);
      await settle(jobId, ...sorted(answer));
    }
    setLink(jobId, UP);
  } catch (error) {
    // Somebody else may have signed in on another page of this phone.
    if (error instanceof ApiProblem && error.status === 409)
      void client.invalidateQueries({ queryKey: ['session'] });
    setLink(
      jobId,
      error instanceof ApiProblem
        ? { link: 'refused', refusal: error.message }
        : { link: 'down', refusal: null },
    );
  }
}

const waitsFor = (person: string, taps: number): string =>
  `${counted(taps, 'tap')} on this phone: what ${person} tapped comes first, and goes out when ${person} signs in here. Or set it aside, and what was tapped behind it goes.`;

/** What became of each event: taken, or refused with its sentence. */
function sorted({ answers }: Appended): [ReadonlySet<string>, ReadonlyMap<string, string>] {
  const taken = answers.flatMap((a) => (a.id && a.result !== 'refused' ? [a.id] : []));
  const refused = answers.flatMap((a): [string, string][] =>
    a.id && a.result === 'refused' ? [[a.id, a.sentence ?? 'The server refused it.']] : [],
  );
  return [new Set(taken), new Map(refused)];
}

/** Send whatever waits on this phone, of any job; taps first, they are small. */
export async function sendAll(client: Client): Promise<void> {
  for (const jobId of await waitingJobs()) await sendWaiting(client, jobId);
  await sendMedia(client);
}

/** Do that now and again while the app is open. @returns how to stop */
export function keepSending(client: Client): () => void {
  const again = () => void sendAll(client).catch(() => undefined);
  again();
  const timer = setInterval(again, RETRY_MS);
  window.addEventListener('online', again);
  return () => {
    clearInterval(timer);
    window.removeEventListener('online', again);
  };
}
