import { useEffect } from 'react';

/**
 * Keep the screen lit as long as something is in hand. A browser gives that up
 * whenever the page is put away, so it is asked for anew; where it cannot (a
 * plain address, an old phone, a low battery) the screen goes dark as it always does.
 */
export function useAwake(): void {
  useEffect(() => {
    if (!('wakeLock' in navigator)) return;
    let here = true;
    let lock: WakeLockSentinel | null = null;
    const ask = () => {
      if (document.hidden || (lock && !lock.released)) return;
      navigator.wakeLock.request('screen').then(
        (given) => {
          if (here) lock = given;
          else void given.release();
        },
        () => undefined,
      );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      here = false;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
}
