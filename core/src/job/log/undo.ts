interface Undoable {
  readonly id: string;
  readonly kind: string;
}

/**
 * Ids of the events that are not in effect because a later one took them back.
 * An undo can be taken back itself; then what it took back holds again.
 *
 * One pass from the end: whatever takes an event back stands behind it.
 */
export function undoneIds<E extends Undoable>(
  log: readonly (E | (E & { readonly kind: 'undone'; readonly eventId: string }))[],
): ReadonlySet<string> {
  const undone = new Set<string>();
  const positions = new Map(log.map((e, i) => [e.id, i]));
  for (let i = log.length - 1; i >= 0; i--) {
    const event = log[i]!;
    if (event.kind !== 'undone' || !('eventId' in event) || undone.has(event.id)) continue;
    // Only what stands before it can be taken back.
    if ((positions.get(event.eventId) ?? i) < i) undone.add(event.eventId);
  }
  return undone;
}

/** Finds what an undo takes back: an event that stands before it in the log. */
export type TakenBack<E> = (undo: {
  readonly id: string;
  readonly eventId: string;
}) => E | undefined;

/** What the undos of a log take back. */
export function takenBackIn<E extends { readonly id: string }>(log: readonly E[]): TakenBack<E> {
  const positions = new Map(log.map((e, i) => [e.id, i]));
  return ({ id, eventId }) => {
    const at = positions.get(eventId);
    return at !== undefined && at < (positions.get(id) ?? log.length) ? log[at] : undefined;
  };
}
