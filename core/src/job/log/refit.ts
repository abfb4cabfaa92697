import { type Logged, type CameOff, type JobEvent } from '../events';
import { undoneIds } from './undo';

/** Something that came off, was unplugged, cut or dropped, and whether it is back. */
export interface Refit {
  /** Of the event that told of it. */
  readonly eventId: string;
  readonly what: CameOff;
  readonly elementId: string | null;
  /** The photo or voice note of it; null without one. */
  readonly noteId: string | null;
  readonly person: string;
  readonly atMs: number;
  readonly back: { readonly person: string; readonly atMs: number } | null;
}

/** What came off in a job, oldest first. */
export function refitOf(log: readonly Logged<JobEvent>[]): Refit[] {
  const undone = undoneIds(log);
  const inEffect = log.filter((e) => !undone.has(e.id));
  return inEffect.flatMap((e): Refit[] => {
    if (e.kind !== 'came off') return [];
    const { id: eventId, what, elementId, noteId = null, person, atMs } = e;
    const back = inEffect.find((b) => b.kind === 'back on' && b.eventId === eventId);
    return [
      {
        eventId,
        what,
        elementId,
        noteId,
        person,
        atMs,
        back: back ? { person: back.person, atMs: back.atMs } : null,
      },
    ];
  });
}
