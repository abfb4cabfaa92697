import { useEffect } from 'react';

/**
 * Read something that is kept on this phone, and again whenever it changes, for
 * as long as it is shown. Each of the three stays the same between renders, or
 * it is read anew.
 */
export function useReadAnew<T>(
  read: () => Promise<T>,
  onChange: (hear: () => void) => () => void,
  take: (value: T) => void,
): void {
  useEffect(() => {
    let here = true;
    const again = () =>
      void read().then((value) => {
        if (here) take(value);
      });
    const stop = onChange(again);
    again();
    return () => {
      here = false;
      stop();
    };
  }, [read, onChange, take]);
}
