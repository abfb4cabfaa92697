import { hadHeard, type Logged, type JobEvent } from '../events';
import { lateTakings } from './late';
import type { JobState } from './state';

/**
 * Strokes that another source had counted before this device took the count
 * over, and that it had not seen by then: whoever went on by voice may have
 * counted the last of them a second time. Those that somebody judged are left out.
 *
 * @returns their events, oldest first
 */
export function unseenStrokes(
  { log, undone }: Pick<JobState, 'log' | 'undone'>,
  deviceId: string,
): readonly Extract<Logged<JobEvent>, { readonly kind: 'stroke' }>[] {
  const over = log
    .map((e) => e.kind === 'counting' && e.deviceId === deviceId && !undone.has(e.id))
    .lastIndexOf(true);
  const taken = log[over];
  // One that came too late took nothing over: what it counted is asked about itself.
  if (taken && lateTakings(log).has(taken.id)) return [];
  if (!taken) return [];
  const judged = new Set(
    log.flatMap((e) => (e.kind === 'strokes judged' && !undone.has(e.id) ? e.eventIds : [])),
  );
  return log
    .slice(0, over)
    .filter((e) => e.kind === 'stroke')
    .filter((e) => e.deviceId !== deviceId && !hadHeard(taken, e))
    .filter((e) => !judged.has(e.id) && !undone.has(e.id));
}
