import type { JobState } from '@brook/core/job/log';
import type { Sequelize } from 'sequelize';

/** So many jobs are in hand at once in a large workshop; older ones are folded when they are asked for. */
const MOST = 100;

/**
 * Folded states of jobs, by database and job. A log only grows and a state is a
 * value: what was folded up to a position stays true for it, whoever adds to the
 * log behind. So a batch folds its own events, not the whole log again.
 */
const caches = new WeakMap<Sequelize, Map<string, JobState>>();

function cacheOf(db: Sequelize): Map<string, JobState> {
  const known = caches.get(db);
  if (known) return known;
  const made = new Map<string, JobState>();
  caches.set(db, made);
  return made;
}

/** What was folded of a job, up to a position of its log at most. */
export function foldedUpTo(db: Sequelize, jobId: string, position: number): JobState | null {
  const state = cacheOf(db).get(jobId);
  return state && state.log.length <= position ? state : null;
}

/** Keep a state whose log is committed. */
export function keepFolded(db: Sequelize, jobId: string, state: JobState): void {
  const cache = cacheOf(db);
  // The one that was asked for last goes last: the oldest make room.
  cache.delete(jobId);
  cache.set(jobId, state);
  for (const oldest of cache.keys()) {
    if (cache.size <= MOST) return;
    cache.delete(oldest);
  }
}
