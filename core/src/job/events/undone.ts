import { SETTLES_NOTHING, PROVES_NOTHING, nothing, jobEvent } from './kind';

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
  fault: ({ eventId }, { find, byPhone }) => {
    const target = find(eventId);
    if (!target) return `There is no event "${eventId}" to undo.`;
    return byPhone(target.kind)
      ? null
      : 'This was decided at the desk; it is not taken back by undo.';
  },
  words: () => 'an undo',
});
