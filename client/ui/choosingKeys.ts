import type { WebKeyDown } from './Press';

const STEPS: Readonly<Record<string, number>> = {
  ArrowDown: 1,
  ArrowRight: 1,
  ArrowUp: -1,
  ArrowLeft: -1,
};

/**
 * Keys among the answers of one question, as everywhere: an arrow goes to the
 * next answer, round at the ends, and Space chooses. The key goes no further:
 * Space counts nothing while an answer is in focus.
 *
 * @param role of the answers
 * @param count how many there are
 * @param at which of them is in focus
 * @param choose called with the answer that is chosen
 * @param arrowsChoose whether going to an answer chooses it; not where choosing does something at once
 */
export function choosingKeys(
  e: WebKeyDown,
  {
    role,
    count,
    at,
    choose,
    arrowsChoose,
  }: {
    readonly role: 'radio' | 'checkbox';
    readonly count: number;
    readonly at: number;
    readonly choose: (index: number) => void;
    readonly arrowsChoose: boolean;
  },
): void {
  const step = STEPS[e.key];
  if (e.key !== ' ' && step === undefined) return;
  e.preventDefault();
  e.stopPropagation();
  if (step === undefined) {
    if (!e.repeat) choose(at);
    return;
  }
  const to = (at + step + count) % count;
  const answers = e.currentTarget.parentElement?.querySelectorAll<HTMLElement>(`[role=${role}]`);
  answers?.[to]?.focus();
  if (arrowsChoose) choose(to);
}
