import { useEffect, useState } from 'react';
import { nowMs as presentMs } from '../data/clock';

/** The present moment, anew every second until it is not needed any more. */
export function useNow(ticking: boolean): number {
  const [nowMs, setNowMs] = useState(() => presentMs());
  useEffect(() => {
    if (!ticking) return;
    const tick = () => setNowMs(presentMs());
    const first = setTimeout(tick);
    const timer = setInterval(tick, 1_000);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [ticking]);
  return nowMs;
}
