import { broughtTo, withTheirs, type Built } from './threeWay';

const BASE = { colour: 'amber', water: '2', grades: ['DOT 4'] };
const built = (draft: Partial<typeof BASE>): Built<typeof BASE> => ({
  version: 3,
  base: BASE,
  draft: { ...BASE, ...draft },
});

test('nobody else changed anything: the draft stays, and so does the version that it was built on', () => {
  const mine = built({ water: '2.6' });
  expect(broughtTo(mine, 3, BASE)).toEqual({ built: mine, conflicts: [] });
});

test.each<[string, Partial<typeof BASE>, Partial<typeof BASE>, Partial<typeof BASE>, string[]]>([
  ['only they changed it: theirs', {}, { water: '3' }, { water: '3' }, []],
  ['only I changed it: mine', { water: '2.6' }, {}, { water: '2.6' }, []],
  [
    'each another field: both',
    { water: '2.6' },
    { colour: 'brown' },
    { water: '2.6', colour: 'brown' },
    [],
  ],
  ['both to the same: no question', { water: '3' }, { water: '3' }, { water: '3' }, []],
  [
    'both differently: named, and mine until somebody decides',
    { water: '2.6' },
    { water: '3' },
    { water: '2.6' },
    ['water'],
  ],
  [
    'lists are read whole',
    { grades: ['DOT 3'] },
    { grades: ['DOT 5.1'] },
    { grades: ['DOT 3'] },
    ['grades'],
  ],
])('%s', (_, mine, theirs, draft, conflicts) => {
  const merged = broughtTo(built(mine), 4, { ...BASE, ...theirs });
  expect(merged.built.draft).toEqual({ ...BASE, ...draft });
  expect(merged.built.version).toBe(4);
  expect(merged.conflicts).toEqual(conflicts);
});

test('decided for theirs, that field is theirs and the others stay', () => {
  const { built: merged, conflicts } = broughtTo(built({ water: '2.6', colour: 'black' }), 4, {
    ...BASE,
    water: '3',
    colour: 'brown',
  });
  expect([...conflicts].sort()).toEqual(['colour', 'water']);
  expect(withTheirs(merged, ['water']).draft).toMatchObject({ water: '3', colour: 'black' });
});
