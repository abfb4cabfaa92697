import { useEffect, useState } from 'react';

/** The present moment, anew every second until it is not needed any more. */
export function useNow(ticking: boolean): number {
  const [nowMs, setNowMs] = useState(() => Date.now());
  useEffect(() => {
    if (!ticking) return;
    const tick = () => setNowMs(Date.now());
    const first = setTimeout(tick);
    const timer = setInterval(tick, 1_000);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [ticking]);
  return nowMs;
}
