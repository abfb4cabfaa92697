import { useCallback, useState } from 'react';

/**
 * A half-filled entry that stays on this phone while another page is looked at
 * or the page is loaded anew, until it was sent.
 *
 * @param key what it is about; `atFirst` must be plain data
 * @returns the entry, how to change it, and how to forget it once it was sent
 */
export function useKept<T>(
  key: string,
  atFirst: () => T,
): [value: T, change: (next: (before: T) => T) => void, forget: () => void] {
  const name = `kept-${key}`;
  const [value, setValue] = useState<T>(() => read<T>(name) ?? atFirst());
  const change = useCallback(
    (next: (before: T) => T) =>
      setValue((before) => {
        const after = next(before);
        write(name, JSON.stringify(after));
        return after;
      }),
    [name],
  );
  const forget = useCallback(() => sessionStorage.removeItem(name), [name]);
  return [value, change, forget];
}

function read<T>(name: string): T | null {
  try {
    return JSON.parse(sessionStorage.getItem(name) ?? 'null') as T | null;
  } catch {
    return null;
  }
}

function write(name: string, text: string): void {
  try {
    sessionStorage.setItem(name, text);
  } catch {
    // No room left on this phone: the entry still stands on the page.
  }
}
