import { hadHeard, type JobEvent, type Logged } from '../events';
import { undoneIds } from './undo';

/**
 * Takings-over of the count that arrived after another device's, and whose
 * device had not heard of that one when it made them: a phone that was without
 * reception, or dead, takes nothing from the one that goes on. What it counted
 * is asked about.
 *
 * @param log in log order, with everything that was taken back
 * @returns ids of their events
 */
export function lateTakings(log: readonly Logged<JobEvent>[]): ReadonlySet<string> {
  const undone = undoneIds(log);
  const late = new Set<string>();
  let over: Logged<JobEvent> | null = null;
  for (const e of log) {
    if (e.kind !== 'counting' || undone.has(e.id)) continue;
    if (over && over.deviceId !== e.deviceId && !hadHeard(e, over)) late.add(e.id);
    else over = e;
  }
  return late;
}
