import type { LivePhone } from '@brook/contract';
import { PHONE_UNHEARD_MS } from '@brook/contract/beats';
import type { Medium } from '@brook/core/job/events';
import { counted } from '@brook/core/base/text';
import { keptWords, type WaitingTaps } from '../../data/keptHere';
import { clockTime } from '../../ui/dates';

export interface LinkFacts {
  /** Whether the job is in hand; of a closed one only what is amiss is said. */
  readonly open: boolean;
  /** Events that wait on this phone. */
  readonly waiting: number;
  /** Photos and voice notes that wait on this phone. */
  readonly media: readonly Medium[];
  /** What of that waits for somebody who is not signed in here. */
  readonly waitsFor: readonly WaitingTaps[];
  /** Whether what others do is seen at once. */
  readonly inTouch: boolean;
  /** Whether it is not, because too many pages are open. */
  readonly full: boolean;
  /** Since when the server does not answer, by this phone’s clock; null while it does. */
  readonly outSinceMs: number | null;
  /** The other phones that worked on the job. */
  readonly others: readonly LivePhone[];
  /** By the server’s clock. */
  readonly nowMs: number;
}

/**
 * Where what was tapped stands, in one line.
 *
 * @returns calm where everything is with the workshop and nobody is out of touch; null where there is nothing to say
 */
export function linkWords({
  open,
  waiting,
  media,
  waitsFor,
  inTouch,
  full,
  outSinceMs,
  others,
  nowMs,
}: LinkFacts): {
  readonly words: string;
  readonly calm: boolean;
} | null {
  if (!open && waiting + media.length === 0 && !full) return null;
  const kept = keptWords({ taps: waiting, media });
  const parts = [
    kept ? `${kept} kept on this phone` : 'All with the workshop',
    ...waitsFor.map((of) => `${keptWords(of)} for ${of.person} to sign in`),
    outSinceMs !== null
      ? `no connection since ${clockTime(outSinceMs)}`
      : inTouch
        ? null
        : full
          ? 'too many pages of yours or of this workshop are open: close some to see others’ taps here'
          : 'others’ taps not seen just now',
    ...others.map((p) => otherWords(p, nowMs)),
  ].filter((part) => part !== null);
  return { words: parts.join(' · '), calm: waiting + media.length === 0 && parts.length === 1 };
}

/** What another phone holds, by its own word, or may hold. */
function otherWords({ person, seenAtMs, holds }: LivePhone, nowMs: number): string | null {
  if (holds !== null) return holds > 0 ? `${person}’s phone holds ${counted(holds, 'tap')}` : null;
  if (nowMs - seenAtMs <= PHONE_UNHEARD_MS) return null;
  return `${person}’s phone may hold more, last heard of ${clockTime(seenAtMs)}`;
}
