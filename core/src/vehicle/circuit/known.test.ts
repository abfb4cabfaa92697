import { layoutOf } from '../../testing';
import {
  addReservoir,
  addChamber,
  howKnown,
  insertInto,
  knownTogether,
  moveInto,
  paths,
  removeElement,
  setSize,
  sizedThings,
  sizeFigure,
  withKnown,
} from '.';
import { layoutTemplates } from './templates';

const CAR = layoutOf('hatchback-diagonal');
const stretch = (layout: typeof CAR, id: string) => layout.stretches.find((s) => s.id === id)!;

test('nothing in a template was measured', () => {
  for (const { id } of layoutTemplates)
    for (const { holder } of sizedThings(layoutOf(id)))
      expect((holder as { known?: object }).known).toBeUndefined();
});

test('another value is a guess until somebody says how it is known', () => {
  const line = CAR.stretches[0]!;
  const of = { kind: line.kind, element: line.id };
  const measured = setSize(CAR, of, 'lengthMm', 700, 'measured');
  expect(howKnown(stretch(measured, line.id), 'lengthMm')).toBe('measured');
  expect(howKnown(stretch(measured, line.id), 'insideMm')).toBeNull();
  const typed = setSize(measured, of, 'lengthMm', 710);
  expect(stretch(typed, line.id)).toEqual({ ...line, lengthMm: 710 });
  const outlet = { kind: 'outlet' as const, element: 'primary' };
  const reservoir = setSize(CAR, outlet, 'airDrawnMl', 22, 'by the maker');
  expect(reservoir.masters[0]!.chambers[0]!.known).toEqual({ airDrawnMl: 'by the maker' });
});

test('marks are set and taken back one by one', () => {
  const both = withKnown(CAR, 'reservoir', ['maxMl', 'minMl'], 'measured');
  expect(both.reservoirs[0]!.known).toEqual({ maxMl: 'measured', minMl: 'measured' });
  expect(withKnown(both, 'reservoir', ['maxMl'], null).reservoirs[0]!.known).toEqual({
    minMl: 'measured',
  });
  expect(withKnown(both, 'reservoir', ['maxMl', 'minMl'], null)).toEqual(CAR);
});

test.each([
  [['measured', 'by the maker'] as const, 'measured'],
  [['by the maker', 'by the maker'] as const, 'by the maker'],
  [['measured', null] as const, null],
  [[] as const, null],
])('together %j is %s', (hows, all) => expect(knownTogether(hows)).toBe(all));

test('what is cut, joined, moved or copied was not measured so', () => {
  const line = CAR.stretches.find((s) => s.kind === 'line' && s.lengthMm > 100)!;
  const known = withKnown(CAR, line.id, ['lengthMm', 'insideMm'], 'measured');
  const cut = insertInto(known, line.id, 'joint');
  const halves = cut.layout.stretches.filter((s) => s.to === cut.element || s.from === cut.element);
  expect(halves.map((s) => s.known)).toEqual([{ insideMm: 'measured' }, { insideMm: 'measured' }]);
  const joined = removeElement(cut.layout, cut.element);
  expect(stretch(joined, line.id).known).toEqual({ insideMm: 'measured' });
  const again = halves.reduce((l, s) => withKnown(l, s.id, ['lengthMm'], 'measured'), cut.layout);
  expect(stretch(removeElement(again, cut.element), line.id).known).toEqual({
    insideMm: 'measured',
    lengthMm: 'measured',
  });

  const high = withKnown(cut.layout, cut.element, ['heightMm'], 'measured');
  const other = high.stretches.find((s) => s.kind === 'hose')!;
  const moved = moveInto(high, cut.element, other.id).layout;
  expect(moved.nodes.find((n) => n.id === cut.element)!.known).toBeUndefined();

  const sized = withKnown(
    withKnown(CAR, 'reservoir', ['maxMl'], 'measured'),
    'primary',
    ['boreMm'],
    'measured',
  );
  const reservoir = addReservoir(sized, 'primary');
  expect(
    reservoir.layout.reservoirs.find((b) => b.id === reservoir.element)!.known,
  ).toBeUndefined();
  const chamber = addChamber(sized, 'master').layout.masters[0]!.chambers.at(-1)!;
  expect(chamber.known).toBeUndefined();
});

test('a figure says whether a size was measured, looked up or guessed', () => {
  const rules = (['measured', 'by the maker', null] as const).map((how) =>
    sizeFigure('Bore', 20.6, 'mm', how),
  );
  expect(rules.map((f) => f.source.kind)).toEqual(['entry', 'entry', 'model']);
  expect(rules.map((f) => f.rule)).toEqual([
    'in the layout, measured on this vehicle',
    'in the layout, by the maker',
    'in the layout: a guess until somebody measured it',
  ]);
  const wayOf = (layout: typeof CAR) => paths(layout).find((p) => p.bleeder.id === 'left-front')!;
  const end = wayOf(CAR).stretches.at(-1)!;
  const kinds = (layout: typeof CAR) => wayOf(layout).lengthM.from.map((f) => f.source.kind);
  expect(new Set(kinds(CAR))).toEqual(new Set(['model']));
  expect(kinds(withKnown(CAR, end.id, ['lengthMm'], 'measured')).at(-1)).toBe('entry');
});
