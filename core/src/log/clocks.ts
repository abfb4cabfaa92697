import { ENDS_FLOW, type ClockKind } from '../clock';
import type { Kept } from '../run';
import type { JobEvent } from './event';
import { undoneIds } from './undo';

/** A clock that runs, or is up and was not looked at. */
export interface RunningClock {
  /** Of the event that started it. */
  readonly eventId: string;
  readonly clock: ClockKind;
  /** Where; null where it is of the whole vehicle. */
  readonly elementId: string | null;
  readonly person: string;
  readonly startedMs: number;
  /** When it is up, milliseconds since 1970. */
  readonly dueMs: number;
  /** Whether it is the flow of the run: a look at the jar ends it, no tap on it. */
  readonly ofFlow?: true;
}

/** The clocks of a job that nobody has ended, the one that is up first at the front. */
export function runningClocks(log: readonly Kept<JobEvent>[]): RunningClock[] {
  const undone = undoneIds(log);
  const inEffect = log.filter((e) => !undone.has(e.id));
  const ended = new Set(inEffect.flatMap((e) => (e.kind === 'clock ended' ? [e.eventId] : [])));
  return [
    ...inEffect.flatMap((e): RunningClock[] =>
      e.kind === 'clock started' && !ended.has(e.id)
        ? [
            {
              eventId: e.id,
              clock: e.clock,
              elementId: e.elementId,
              person: e.person,
              startedMs: e.atMs,
              dueMs: e.atMs + e.minutes * 60_000,
            },
          ]
        : [],
    ),
    ...flowsOf(inEffect),
  ].sort((a, b) => a.dueMs - b.dueMs);
}

/** The flows of a run that nobody looked at since they were let run: each opening has one at the most. */
function flowsOf(log: readonly Kept<JobEvent>[]): RunningClock[] {
  const flows = new Map<string, RunningClock>();
  for (const e of log) {
    // By another plan it is another opening.
    if (e.kind === 'decided') flows.clear();
    if (!('stopId' in e) || e.stopId === null || !endsFlow(e.kind)) continue;
    flows.delete(e.stopId);
    if (e.kind !== 'flow set' || e.lookAfterS === null) continue;
    flows.set(e.stopId, {
      eventId: e.id,
      clock: 'level look',
      elementId: null,
      person: e.person,
      startedMs: e.atMs,
      dueMs: e.atMs + e.lookAfterS * 1000,
      ofFlow: true,
    });
  }
  return [...flows.values()];
}

const endsFlow = (kind: JobEvent['kind']): boolean =>
  (ENDS_FLOW satisfies readonly JobEvent['kind'][] as readonly string[]).includes(kind);
