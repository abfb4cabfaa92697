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
  for (let i = log.length - 1; i >= 0; i--) {
    const event = log[i]!;
    if (event.kind === 'undone' && 'eventId' in event && !undone.has(event.id))
      undone.add(event.eventId);
  }
  return undone;
}
