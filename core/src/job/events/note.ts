import { nothing, runEvent } from './kind';

export interface NoteHappening {
  readonly kind: 'note';
  readonly text: string;
}

export const note = runEvent<NoteHappening>({
  kind: 'note',
  voids: nothing('it is only written'),
  beforePlan: true,
  fault: () => null,
  words: ({ text }) => `a note: ${text.slice(0, 60)}`,
});
