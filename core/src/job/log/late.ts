import { type Logged, type JobEvent } from '../events';
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
  let over: { readonly deviceId: string; readonly at: number } | null = null;
  for (const [at, e] of log.entries()) {
    if (e.kind !== 'counting' || undone.has(e.id)) continue;
    if (over && over.deviceId !== e.deviceId && knewBefore(log, e.knew, over.at)) late.add(e.id);
    else over = { deviceId: e.deviceId, at };
  }
  return late;
}

/** Whether the last event that a device knew stands before a place in the log; not where nobody says what it knew. */
function knewBefore(
  log: readonly Logged<JobEvent>[],
  knew: string | null | undefined,
  at: number,
): boolean {
  if (knew === undefined) return false;
  if (knew === null) return true;
  const known = log.findIndex((e) => e.id === knew);
  return known !== -1 && known < at;
}
