import { SETTLES_NOTHING, PROVES_NOTHING, nothing, jobEvent, TAKES_BACK } from './kind';

/** An undo names the event that it takes back; it can be taken back itself. */
export interface UndoneHappening {
  readonly kind: 'undone';
  readonly eventId: string;
}

export const undone = jobEvent<UndoneHappening>({
  kind: 'undone',
  voids: nothing('it makes void what the event does that it takes back'),
  opens: nothing('it brings what it takes the ground from'),
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  undo: TAKES_BACK,
  fault: ({ eventId }, { find, undoOf }) => {
    const target = find(eventId);
    if (!target) return `There is no event "${eventId}" to undo.`;
    const undo = undoOf(target);
    return typeof undo === 'string' ? null : undo.nothing;
  },
  words: () => 'an undo',
});
