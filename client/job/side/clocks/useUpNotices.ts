import { CLOCK_WORDS } from '@brook/core/base/clock';
import type { RunningClock } from '@brook/core/job/log';
import { useEffect, useRef } from 'react';
import { sayCue } from '../../../ui/sayCue';

/** Whether this phone may show a notice over other pages; asked for as a clock is started, when a person has just pressed something. */
export function askForNotices(): void {
  if ('Notification' in window && Notification.permission === 'default')
    void Notification.requestPermission();
}

/** Say it once when a clock is up while this page is open: a tone and the word, and a notice where the phone lets it. */
export function useUpNotices(
  vehicle: string,
  clocks: readonly RunningClock[],
  nowMs: number,
): void {
  const said = useRef<ReadonlySet<string> | null>(null);
  useEffect(() => {
    const up = clocks.filter((c) => c.dueMs <= nowMs);
    // What was up when the page was opened stands there to be read.
    const before = said.current ?? new Set(up.map((c) => c.eventId));
    for (const { eventId, clock } of up) {
      if (before.has(eventId)) continue;
      const { title, then } = CLOCK_WORDS[clock];
      sayCue({ turn: 'wrench', word: `${title}: time is up`, say: then });
      if ('Notification' in window && Notification.permission === 'granted')
        new Notification(`${vehicle}: ${title}`, { body: then, tag: eventId });
    }
    said.current = new Set(up.map((c) => c.eventId));
  }, [vehicle, clocks, nowMs]);
}
