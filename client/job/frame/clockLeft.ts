import { CLOCK_WORDS } from '@brook/core/base/clock';
import type { RunningClock } from '@brook/core/job/log';

/** How a clock stands: its name, and what is left of it in the largest units that tell. */
export interface ClockLeft {
  readonly title: string;
  /** "12:05", "9 h 40 min", or how long ago it was up. */
  readonly left: string;
  readonly isUp: boolean;
}

const S = 1000;
const MIN = 60 * S;
const H = 60 * MIN;

export function clockLeft({ clock, dueMs }: RunningClock, nowMs: number): ClockLeft {
  const { title } = CLOCK_WORDS[clock];
  const leftMs = dueMs - nowMs;
  if (leftMs > 0) return { title, left: durationWords(leftMs), isUp: false };
  const sinceMs = -leftMs;
  return {
    title,
    left: sinceMs < MIN ? 'time is up' : `up for ${durationWords(sinceMs)}`,
    isUp: true,
  };
}

/** What is left of a short time, "2:05". @param ms 0 or more */
export const minutesLeft = (ms: number): string => durationWords(ms);

/** Rounded up to the second while it counts down: it is up when it says so, and not before. */
function durationWords(ms: number): string {
  if (ms >= H) {
    const minutes = Math.floor(ms / MIN);
    return `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
  }
  const seconds = Math.ceil(ms / S);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
