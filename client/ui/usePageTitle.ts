import { useEffect } from 'react';

const APP = 'Cascade Brook';

/** Title of the page before, or null where the app was just opened. */
let before: string | null = null;

/** What the browser calls the page: in its tabs, its history and to a screen reader. The most particular comes first. */
export function usePageTitle(...parts: readonly (string | null | undefined)[]): void {
  const title = [...parts.filter(Boolean), APP].join(' · ');
  useEffect(() => {
    document.title = title;
    // Not known yet what the page is called: it is not drawn yet either.
    if (title === APP || title === before) return;
    // Where the app opens, the browser begins at the top by itself; whoever types is left alone.
    const opened = before !== null && !isCompleted(before, title);
    if (opened && !(document.activeElement instanceof HTMLInputElement)) focusHead();
    before = title;
  }, [title]);
}

/** Whether a title only says more of the same page, as when what it shows has come. */
function isCompleted(from: string, to: string): boolean {
  const [then, now] = [from.split(' · '), to.split(' · ')];
  return then[0] === now[0] && then.every((part) => now.includes(part));
}

/** Looks out for a head that is not drawn yet. */
let lookout: MutationObserver | null = null;

/** To the head of the page, so that keyboard and screen reader begin there and not where the last page was left. */
function focusHead(): void {
  lookout?.disconnect();
  // A field that came with the page and asked for the keyboard has it.
  if (document.activeElement instanceof HTMLInputElement) return;
  const head = document.querySelector<HTMLElement>('main h1');
  if (head) {
    head.setAttribute('tabindex', '-1');
    // It is where reading begins, nothing that could be pressed: no ring around it.
    head.style.outline = 'none';
    head.focus({ preventScroll: true });
    return;
  }
  lookout = new MutationObserver(() => {
    if (document.querySelector('main h1')) focusHead();
  });
  lookout.observe(document.body, { childList: true, subtree: true });
}
