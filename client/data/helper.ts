import type { HelperNews } from '@brook/contract';
import { HERE_EVERY_MS } from '@brook/contract/beats';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { call } from './call';

/** The helper's phone of a run, as this phone last heard of it. */
export interface HelperState {
  /** Null where no link stands. */
  readonly news: HelperNews;
  /** Whether this phone hears what happens as it happens. */
  readonly inTouch: boolean;
}

/** By job: a link belongs to one run. */
const known = new Map<string, HelperState>();
const listeners = new Set<() => void>();

/** The line of a job told of the helper's phone, or was lost. */
export function heardOfHelper(jobId: string, change: Partial<HelperState>): void {
  const before = known.get(jobId);
  const after = { news: null, inTouch: true, ...before, ...change };
  if (before && after.news === before.news && after.inTouch === before.inTouch) return;
  known.set(jobId, after);
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** @returns null as long as the line of the job has said nothing */
export function useHelper(jobId: string): HelperState | null {
  const read = () => known.get(jobId) ?? null;
  return useSyncExternalStore(subscribe, read, read);
}

/** Tell the helper's phone that this one is in step, for as long as a page of its job is looked at. */
export function useHere(jobId: string): void {
  const linked = (useHelper(jobId)?.news ?? null) !== null;
  useEffect(() => {
    if (!linked) return;
    const here = () => {
      if (!document.hidden)
        void call('post', '/jobs/{id}/helper/here', { id: jobId }).catch(() => undefined);
    };
    here();
    const timer = setInterval(here, HERE_EVERY_MS);
    document.addEventListener('visibilitychange', here);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', here);
    };
  }, [jobId, linked]);
}

/** The code by which a helper's phone joins, made anew each time; one from before ends. */
export const useHelperLink = (jobId: string) =>
  useMutation({ mutationFn: () => call('post', '/jobs/{id}/helper', { id: jobId }) });

export const useEndHelperLink = (jobId: string) =>
  useMutation({ mutationFn: () => call('delete', '/jobs/{id}/helper', { id: jobId }) });
