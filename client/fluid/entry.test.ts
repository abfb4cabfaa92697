import { fluidEntry } from '@brook/contract';
import { draftOf, entryOf, unanswered, waterEntryFault, type FluidDraft } from './entry';

const FULL: FluidDraft = { capGrade: 'DOT 4', colour: 'amber', clarity: 'clear', foreign: 'none', water: '', newColour: 'clear' };

test('asks in the order in which a technician meets it', () => {
  const asked: (string | null)[] = [];
  let draft = draftOf(null);
  for (const part of [{ capGrade: 'DOT 4' }, { colour: 'amber' }, { clarity: 'clear' }, { foreign: 'none' }, { newColour: 'clear' }] as const) {
    asked.push(unanswered(draft));
    draft = { ...draft, ...part };
  }
  expect(asked).toEqual(['Read the cap first', 'Look at the reservoir first', 'Look at the reservoir first', 'Look at the reservoir first', 'Look at the new fluid first']);
  expect(unanswered(draft)).toBeNull();
});

test('a full draft is an entry that the contract takes, and comes back the same', () => {
  const entry = entryOf({ ...FULL, water: '2,5' })!;
  expect(fluidEntry.parse(entry)).toEqual(entry);
  expect(entryOf(draftOf(entry))).toEqual(entry);
  expect(entryOf(FULL)!.seen.waterPercent).toBeNull();
});

test.each(['12', '-1', 'wet', '1.2.3'])('water "%s" is refused at the field and holds the entry back', (water) => {
  expect(waterEntryFault(water)).toMatch(/between 0 and 10 %/);
  expect(waterEntryFault(water)).not.toContain('NaN');
  expect(entryOf({ ...FULL, water })).toBeNull();
});

test.each(['', ' ', '0', '3,2', '10'])('water "%s" is taken', (water) => expect(waterEntryFault(water)).toBeNull());
