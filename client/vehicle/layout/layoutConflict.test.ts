import { validateLayout } from '@brook/core/vehicle/circuit';
import { layoutTemplates } from '@brook/core/vehicle/circuit/templates';
import { broughtTo } from '../../ui/forms/threeWay';
import { byElement, elementLabel, elementWords, layoutOf } from './layoutConflict';

const LAYOUT = layoutTemplates[0]!.build('right');
const BASE = byElement(LAYOUT);

test.each(layoutTemplates.map((t) => [t.id, t.build(t.driverSides[0]!)] as const))(
  '%s comes back as it was',
  (_, layout) => expect(layoutOf(byElement(layout))).toEqual(layout),
);

test('one side measured a line, the other a bore: both are in the layout that follows', () => {
  const [line] = LAYOUT.stretches;
  const [reservoir] = LAYOUT.reservoirs;
  const mine = byElement({
    ...LAYOUT,
    stretches: [{ ...line!, lengthMm: 1234 }, ...LAYOUT.stretches.slice(1)],
  });
  const theirs = byElement({ ...LAYOUT, reservoirs: [{ ...reservoir!, maxMl: 222 }] });
  const { built, conflicts } = broughtTo({ version: 1, base: BASE, draft: mine }, 2, theirs);
  expect(conflicts).toEqual([]);
  const merged = layoutOf(built.draft);
  expect(merged.stretches[0]!.lengthMm).toBe(1234);
  expect(merged.reservoirs[0]!.maxMl).toBe(222);
  expect(validateLayout(merged)).toEqual([]);
});

test('the same line measured twice is asked about, in its own name and words', () => {
  const [line] = LAYOUT.stretches;
  const measured = (lengthMm: number) =>
    byElement({
      ...LAYOUT,
      stretches: [{ ...line!, lengthMm }, ...LAYOUT.stretches.slice(1)],
    });
  const theirs = measured(1300);
  const { built, conflicts } = broughtTo(
    { version: 1, base: BASE, draft: measured(1234) },
    2,
    theirs,
  );
  const key = `stretches:${line!.id}`;
  expect(conflicts).toEqual([key]);
  expect(elementLabel(key, built.draft, theirs)).toBe(line!.name);
  expect(elementWords(built.draft[key], theirs[key])).toBe('length 1234 mm');
  expect(elementWords(theirs[key], built.draft[key])).toBe('length 1300 mm');
  expect(elementWords(undefined, theirs[key])).toBe('taken out');
});
