import type { HelperScreen, HelpSignal } from '@brook/contract';
import { capital } from '@brook/core/base/text';

export interface HelpFacts {
  readonly said: HelperScreen | null;
  /** Whether the line to the workshop stands. */
  readonly inTouch: boolean;
  /** Whether it does not, because too many pages of the workshop are open. */
  readonly full: boolean;
  /** Whether the link has ended for this phone. */
  readonly ended: boolean;
  /** Whether what is read first, between "shut" and the next push, has had its time. */
  readonly upAgain: boolean;
}

/** A tap, and about which opening. */
export interface Tap {
  readonly label: string;
  readonly signal: HelpSignal['signal'];
  readonly openingId: string | null;
}

export interface HelpLook {
  /** What the call is about; null where there is none. */
  readonly about: string | null;
  readonly word: string;
  readonly say: string;
  /** The one tap that is waited for. */
  readonly tap: Tap | null;
  /** What goes wrong, and what was tapped by mistake; smaller. */
  readonly aside: readonly Tap[];
  /** Whether it must be noticed at once. */
  readonly loud: boolean;
}

const quiet = { about: null, tap: null, aside: [], loud: false } as const;
const SHUT = '“Shut” was called';

const whyOut = ({ inTouch, full }: Pick<HelpFacts, 'inTouch' | 'full'>): string => {
  if (inTouch) return 'The technician’s phone does not answer';
  return full ? 'Too many pages of this workshop are open' : 'This phone has no reception';
};

/** Work out what a helper's phone shows; plain, so that it can be tested without drawing. */
export function helpLook({ said, inTouch, full, ended, upAgain }: HelpFacts): HelpLook {
  if (ended)
    return {
      ...quiet,
      word: 'Over',
      say: 'This phone is no longer in the run. From here by voice, or join again with a new code.',
    };
  if (!said)
    return {
      ...quiet,
      word: 'Wait',
      say: full
        ? `${whyOut({ inTouch: false, full })}; this one tries again by itself. Close some.`
        : 'Looking for the run …',
    };
  const { view, inStep } = said;
  if (view.kind === 'over')
    return { ...quiet, word: 'Over', say: 'The run is over. Thank you; put the phone away.' };
  if (!inTouch || !inStep)
    return {
      ...quiet,
      word: 'Stop',
      say: `${whyOut({ inTouch, full })}: out of step. Leave pedal or lever where it is until “shut” is called aloud. From here by voice; this page comes back by itself.`,
      loud: true,
    };
  if (view.kind !== 'call') {
    const byVoice = view.kind === 'by voice' && view.openAt === null;
    return {
      ...quiet,
      word: view.word,
      say: `${view.say}.`,
      tap: view.openAt !== null ? { label: SHUT, signal: 'shut', openingId: view.openAt } : null,
      aside: byVoice
        ? [{ label: 'Count on this phone again', signal: 'count here', openingId: null }]
        : [],
    };
  }
  const { openingId, bleeder, strokesLeft, first, signal } = view;
  const about = `${capital(bleeder)}${strokesLeft === null ? '' : ` · ${strokesLeft} to go`}`;
  const back =
    view.strokes > 0
      ? [{ label: 'Take the last one back', signal: 'take it back', openingId } as const]
      : [];
  if (first && !upAgain)
    return { ...quiet, about, word: first.word, say: `${first.say}.`, aside: back };
  const broken = view.word === 'Stop';
  return {
    about,
    word: view.word,
    say: `${view.say}.`,
    tap: { label: signal === 'shut' ? SHUT : 'At the end, held there', signal, openingId },
    aside: broken
      ? []
      : [{ label: 'I let go too soon', signal: 'let go too soon', openingId }, ...back],
    loud: broken,
  };
}
