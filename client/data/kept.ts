import { useCallback, useState } from 'react';

/**
 * A half-filled entry that stays on this phone while another page is looked at
 * or the page is loaded anew, until it was sent.
 *
 * @param key what it is about; `atFirst` must be plain data
 * @param shape version of its shape: one that was kept in another is set aside and not read
 * @returns the entry, how to change it, and how to forget it once it was sent
 */
export function useKept<T>(
  key: string,
  shape: number,
  atFirst: () => T,
): [value: T, change: (next: (before: T) => T) => void, forget: () => void] {
  const name = `kept-${key}`;
  const [value, setValue] = useState<T>(() => read<T>(name, shape) ?? atFirst());
  const change = useCallback(
    (next: (before: T) => T) =>
      setValue((before) => {
        const after = next(before);
        write(name, JSON.stringify({ shape, value: after }));
        return after;
      }),
    [name, shape],
  );
  const forget = useCallback(() => sessionStorage.removeItem(name), [name]);
  return [value, change, forget];
}

function read<T>(name: string, shape: number): T | null {
  const text = sessionStorage.getItem(name);
  if (text === null) return null;
  try {
    const kept = JSON.parse(text) as { readonly shape?: number; readonly value?: T };
    if (kept.shape === shape && kept.value !== undefined) return kept.value;
  } catch {
    // Falls through: what cannot be read is set aside.
  }
  write(`${name}-aside`, text);
  sessionStorage.removeItem(name);
  return null;
}

function write(name: string, text: string): void {
  try {
    sessionStorage.setItem(name, text);
  } catch {
    // No room left on this phone: the entry still stands on the page.
  }
}
