import { useEffect, useSyncExternalStore } from 'react';
import { onHistoryMove } from './historyMove';

/** Forms on the page that hold what nobody saved. */
const forms = new Set<object>();
/** Those that are kept on this phone besides: leaving them loses nothing. */
const kept = new Set<object>();
/** Where somebody wants to go, until they said whether the changes may be dropped. */
let asked: (() => void) | null = null;
const listeners = new Set<() => void>();

/** Says whether the form that calls it holds anything that is not saved: every way out then asks. */
export function useUnsaved(dirty: boolean): void {
  useEffect(() => {
    if (!dirty) return;
    const form = {};
    forms.add(form);
    return () => {
      forms.delete(form);
      // Saved meanwhile, or gone: there is nothing left to ask about.
      if (forms.size === 0) ask(null);
    };
  }, [dirty]);
}

/** Says whether a form is filled in that is kept on this phone anyway: nobody is asked on leaving it, but nothing takes it from under the hands. */
export function useFillsIn(dirty: boolean): void {
  useEffect(() => {
    if (!dirty) return;
    const form = {};
    kept.add(form);
    return () => void kept.delete(form);
  }, [dirty]);
}

/** Whether somebody is in the middle of filling something in. */
export const isFillingIn = (): boolean => forms.size + kept.size > 0;

/** Leave the page by this, at once or after asking. */
export function leavePage(go: () => void): void {
  if (forms.size === 0) go();
  else ask(go);
}

/** Where somebody wants to go while something is unsaved, or null. */
export function useAskedToLeave(): (() => void) | null {
  return useSyncExternalStore(subscribe, () => asked);
}

export function stay(): void {
  ask(null);
}

/** Drop what is unsaved and go. */
export function goAnyway(): void {
  const go = asked;
  forms.clear();
  ask(null);
  go?.();
}

function ask(go: (() => void) | null): void {
  asked = go;
  for (const tell of listeners) tell();
}

function subscribe(tell: () => void): () => void {
  listeners.add(tell);
  const stopBack = onHistoryMove(({ from, to, hold }) => {
    if (forms.size === 0 || from.page === to.page) return;
    hold();
    // The browser has gone already: put the page's entry back on top, and go once more if told to.
    window.history.pushState(from.state, '', from.href);
    ask(() => window.history.back());
  });
  const onLink = (e: MouseEvent) => {
    const link = e.target instanceof Element ? e.target.closest<HTMLElement>('a[href]') : null;
    if (!link || forms.size === 0) return;
    e.preventDefault();
    e.stopPropagation();
    ask(() => link.click());
  };
  const onUnload = (e: BeforeUnloadEvent) => {
    if (forms.size > 0) e.preventDefault();
  };
  document.addEventListener('click', onLink, true);
  window.addEventListener('beforeunload', onUnload);
  return () => {
    listeners.delete(tell);
    stopBack();
    document.removeEventListener('click', onLink, true);
    window.removeEventListener('beforeunload', onUnload);
  };
}
