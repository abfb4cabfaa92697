import { merged, type Content, type Inside, type Lot } from './content';

/** What a job leaves inside, as the next one finds it: its new fluid is one more fill of the past. */
export function carriedOver(inside: Inside, lot: Lot): Inside {
  return Object.fromEntries(
    Object.entries(inside).map(([id, content]): [string, Content] => [
      id,
      {
        ...content,
        old: merged([...content.old, { lot, ml: content.newMl }]),
        newMl: 0,
      },
    ]),
  );
}
