import { useEffect, useState } from 'react';

/** A time for which something is watched. */
export interface WatchClock {
  /** Null before it was started. */
  readonly runS: number | null;
  readonly isUp: boolean;
  readonly start: () => void;
}

/** Counts the seconds of one watch, by this phone's clock and not by its own ticks: a screen that slept counts on, and a correction by the server's time shortens none. */
export function useWatchClock(seconds: number): WatchClock {
  const [sinceMs, setSinceMs] = useState<number | null>(null);
  const [now, setNow] = useState(Date.now);
  const runS = sinceMs === null ? null : Math.max(0, Math.floor((now - sinceMs) / 1000));
  const isUp = runS !== null && runS >= seconds;
  useEffect(() => {
    if (sinceMs === null || isUp) return;
    const tick = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(tick);
  }, [sinceMs, isUp]);
  const start = () => {
    const at = Date.now();
    setSinceMs(at);
    setNow(at);
  };
  return { runS, isUp, start };
}
