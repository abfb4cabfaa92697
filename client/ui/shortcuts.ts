import { useEffect, useRef } from 'react';

/** Where a key is typed or chosen with, it is no shortcut. */
const OWN_KEYS =
  'input,textarea,select,[contenteditable],[role=radio],[role=checkbox],[role=dialog]';

/**
 * A key that does something on the page it is shown on. It does nothing while a
 * word is typed, while it is held, or together with another key.
 *
 * @param key as the browser names it, such as '/' or 'u'; empty for none
 * @param act null while it does nothing
 */
export function useShortcut(key: string, act: (() => void) | null): void {
  const latest = useRef(act);
  useEffect(() => {
    latest.current = act;
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const own = e.target instanceof HTMLElement && e.target.closest(OWN_KEYS) !== null;
      if (e.key !== key || e.repeat || e.ctrlKey || e.metaKey || e.altKey || own) return;
      if (!latest.current || document.querySelector('[role=dialog]')) return;
      e.preventDefault();
      latest.current();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [key]);
}
