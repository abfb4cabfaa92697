import {
  BRINGS_NOTHING,
  SETTLES_NOTHING,
  PROVES_NOTHING,
  nothing,
  runEvent,
  TAKES_BACK,
} from './kind';

export interface NoteHappening {
  readonly kind: 'note';
  readonly text: string;
}

export const note = runEvent<NoteHappening>({
  kind: 'note',
  voids: nothing('it is only written'),
  opens: BRINGS_NOTHING,
  settles: SETTLES_NOTHING,
  proves: PROVES_NOTHING,
  beforePlan: true,
  undo: TAKES_BACK,
  fold: (run) => run,
  fault: () => null,
  words: ({ text }) => `a note: ${text.slice(0, 60)}`,
});
