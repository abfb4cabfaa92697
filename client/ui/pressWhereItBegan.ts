/** Whatever takes a press. */
const TAKES_PRESS =
  'a, button, input, textarea, select, [role="button"], [role="radio"], [role="checkbox"], [role="link"], [role="tab"]';
/** A finger that moves farther than this meant no press, px. */
const STILL_PX = 12;
/** After a press that rested longer, what is drawn in its place is not pressed for it, ms: holding has a meaning of its own. */
const SHORT_MS = 600;

/** Where and when a finger went down. */
interface Began {
  readonly element: HTMLElement | null;
  readonly name: string | null;
  readonly x: number;
  readonly y: number;
  readonly at: number;
}

const takerAt = (target: EventTarget | null): HTMLElement | null =>
  target instanceof Element ? target.closest<HTMLElement>(TAKES_PRESS) : null;

const nameOf = (e: HTMLElement | null): string | null =>
  e && `${e.getAttribute('role') ?? e.tagName} ${e.getAttribute('aria-label') ?? e.textContent}`;

/**
 * A press belongs to what the finger went down on. A browser gives it to what
 * lies under the finger when it is lifted: where the page moves meanwhile,
 * because another phone said something, that is the neighbour, or nothing.
 *
 * @returns takes it off again
 */
export function keepPresses(page: Document = document): () => void {
  let began: Began | null = null;
  const forget = () => {
    began = null;
  };
  const onDown = (e: PointerEvent) => {
    // A second finger presses nothing.
    if (!e.isPrimary) return;
    const element = takerAt(e.target);
    began = { element, name: nameOf(element), x: e.clientX, y: e.clientY, at: e.timeStamp };
  };
  const onClick = (e: MouseEvent) => {
    const from = began;
    forget();
    // By a key, or by what reads the screen: no finger went down.
    if (!from || e.detail === 0) return;
    if (takerAt(e.target) === from.element) return;
    if (Math.hypot(e.clientX - from.x, e.clientY - from.y) > STILL_PX) return;
    e.preventDefault();
    e.stopImmediatePropagation();
    if (from.element?.isConnected) return from.element.click();
    const there = takerAt(page.elementFromPoint(e.clientX, e.clientY));
    // Drawn anew it is the same button.
    if (there && nameOf(there) === from.name && e.timeStamp - from.at < SHORT_MS) there.click();
  };
  page.addEventListener('pointerdown', onDown, true);
  page.addEventListener('pointercancel', forget, true);
  page.addEventListener('click', onClick, true);
  return () => {
    page.removeEventListener('pointerdown', onDown, true);
    page.removeEventListener('pointercancel', forget, true);
    page.removeEventListener('click', onClick, true);
  };
}
