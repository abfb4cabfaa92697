import type { ClockKind } from '../clock';
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
}

/** The clocks of a job that nobody has ended, the one that is up first at the front. */
export function runningClocks(log: readonly Kept<JobEvent>[]): RunningClock[] {
  const undone = undoneIds(log);
  const inEffect = log.filter((e) => !undone.has(e.id));
  const ended = new Set(inEffect.flatMap((e) => (e.kind === 'clock ended' ? [e.eventId] : [])));
  return inEffect
    .flatMap((e): RunningClock[] =>
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
    )
    .sort((a, b) => a.dueMs - b.dueMs);
}

/** Whether an event may change which clocks run. */
export const movesClocks = ({ kind }: Pick<JobEvent, 'kind'>): boolean =>
  kind === 'clock started' || kind === 'clock ended' || kind === 'undone';
