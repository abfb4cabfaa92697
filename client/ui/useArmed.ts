import { useEffect, useState } from 'react';
import { ARMED_AFTER_MS } from './DeliberateButton';

/**
 * Whether what is shown may take a press: not in its first second, so that
 * whoever taps on without looking answers nothing.
 *
 * @param shown what is on the page; anything else begins anew
 */
export function useArmed(shown: string): boolean {
  const [armed, setArmed] = useState<string | null>(null);
  useEffect(() => {
    const timer = setTimeout(() => setArmed(shown), ARMED_AFTER_MS);
    return () => clearTimeout(timer);
  }, [shown]);
  return armed === shown;
}
