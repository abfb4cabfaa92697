import type { Figure } from '@brook/core/base/figure';
import { useSyncExternalStore } from 'react';
import { onHistoryMove } from './historyMove';

/**
 * The figure whose reasons are open, and the figures that led to it. It has an
 * address of its own, behind the page's, and the figures stay with that entry
 * of the browser's history: back closes them, a reload shows them again.
 */
type Trail = readonly Figure[];

const NONE: Trail = [];
const HASH = '#why=';

let open: Trail = kept();
const listeners = new Set<() => void>();

function kept(): Trail {
  return (window.history.state?.figures as Trail | undefined) ?? NONE;
}

function show(trail: Trail): void {
  open = trail;
  for (const tell of listeners) tell();
}

/** Open the reasons of the last of these; the page under them stays as it is. */
export function openFigures(trail: Trail): void {
  const state = { ...window.history.state, figures: trail };
  const address = HASH + encodeURIComponent(trail.at(-1)!.label);
  // A figure of a figure takes the place of the first, so that one step back is always the page.
  if (open.length > 0) window.history.replaceState(state, '', address);
  else window.history.pushState(state, '', address);
  show(trail);
}

/** Back to the page. */
export function closeFigures(): void {
  if (kept().length > 0) {
    window.history.back();
    return;
  }
  // After a reload the router has taken the entry for the page itself.
  const { pathname, search } = window.location;
  window.history.replaceState(window.history.state, '', pathname + search);
  show(NONE);
}

function subscribe(tell: () => void): () => void {
  listeners.add(tell);
  const stop = onHistoryMove(({ from, to, hold }) => {
    // Between a page and its figures there is nothing for the router to do.
    if (from.page === to.page && from.href !== to.href) hold();
    show(kept());
  });
  return () => {
    listeners.delete(tell);
    stop();
  };
}

export function useOpenFigures(): Trail {
  return useSyncExternalStore(subscribe, () => open);
}
