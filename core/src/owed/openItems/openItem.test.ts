import { clearsByLook, holds, isQuiet, OPEN_ITEM_KINDS } from './openItem';

// Of all kinds a mark alone is a word of a person, and so ends by one: safety of the trade, common practice, no source.
test('a look clears a mark by hand, and what a job left behind that was moved away; nothing else', () => {
  expect(OPEN_ITEM_KINDS.filter((kind) => clearsByLook({ kind }))).toEqual(['marked']);
  expect(clearsByLook({ kind: 'leak', leftBehind: true })).toBe(true);
  expect(clearsByLook({ kind: 'leak', leftBehind: undefined })).toBe(false);
});

test('by feel alone is on the list and counted nowhere', () => {
  expect(OPEN_ITEM_KINDS.filter((kind) => isQuiet({ kind }))).toEqual(['by feel']);
});

test('what is owed at the next visit does not hold', () => {
  expect([holds({ weight: 'holds' }), holds({ weight: 'owed' })]).toEqual([true, false]);
});
