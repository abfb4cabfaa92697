import { SINK_S } from '@brook/core/pedal';
import { useEffect, useState } from 'react';
import { nowMs } from '../data/clock';

/** The half minute for which a steady push is watched. */
export interface SinkClock {
  /** Null before it was started. */
  readonly runS: number | null;
  readonly isUp: boolean;
  readonly start: () => void;
}

/** Counts the seconds of one watch, by the clock and not by its own ticks: a screen that slept counts on. */
export function useSinkClock(): SinkClock {
  const [sinceMs, setSinceMs] = useState<number | null>(null);
  const [now, setNow] = useState(nowMs);
  const runS = sinceMs === null ? null : Math.max(0, Math.floor((now - sinceMs) / 1000));
  const isUp = runS !== null && runS >= SINK_S;
  useEffect(() => {
    if (sinceMs === null || isUp) return;
    const tick = setInterval(() => setNow(nowMs()), 250);
    return () => clearInterval(tick);
  }, [sinceMs, isUp]);
  const start = () => {
    const at = nowMs();
    setSinceMs(at);
    setNow(at);
  };
  return { runS, isUp, start };
}
