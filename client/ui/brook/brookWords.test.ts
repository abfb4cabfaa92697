import { layoutOf } from '@brook/core/testing';
import type { Content, Inside } from '@brook/core/fluid/inside';
import { brookWords } from './brookWords';

const layout = layoutOf('motorcycle-twin-front', 'middle');
const order = ['left-front', 'right-front'];
const holds = (more: Partial<Content>): Content => ({
  old: [],
  newMl: 0,
  emptyMl: 0,
  unknownMl: 0,
  mayHoldAir: false,
  ...more,
});
const old = (ml: number) => ({
  old: [{ lot: { grade: 'DOT 4' as const, filledAtMs: null }, ml }],
});
const hose = layout.stretches[0]!;
const inside = (of: Content): Inside => ({ [hose.id]: of });

test('who cannot see the picture hears the order, how far it is, and what decides', () => {
  expect(brookWords({ layout, order })).toBe(
    `The brook of ${layout.name}: bleeders in order left front, right front`,
  );
  const said = brookWords({
    layout,
    order,
    done: ['left-front'],
    current: 'right-front',
    inside: inside(holds({ ...old(6), newMl: 2 })),
    marked: hose.id,
    markedAs: 'decides',
  });
  expect(said).toContain('through: left front; now at right front; 25 % of it is new');
  expect(said).toMatch(/; [a-z].* decides$/);
  expect(brookWords({ layout, order, marked: hose.id, markedAs: 'here' })).toMatch(/is open$/);
});

test('old fluid alone is nothing new, and a bubble is nothing empty', () => {
  const said = (of: Content) => brookWords({ layout, order, inside: inside(of) });
  expect(said(holds({ ...old(8), newMl: 0.4 }))).not.toContain('new');
  expect(said(holds({ ...old(4), emptyMl: 4 }))).not.toContain('empty');
  expect(said(holds({ ...old(3), emptyMl: 5 }))).toContain('empty: ');
  // Nobody knows is reckoned as empty: the larger fill.
  expect(said(holds({ ...old(3), unknownMl: 5 }))).toContain('empty: ');
});

test('where much is empty it is counted, not recited', () => {
  const car = layoutOf('hatchback-diagonal', 'right');
  const empty = (parts: number): Inside =>
    Object.fromEntries(car.stretches.slice(0, parts).map((s) => [s.id, holds({ emptyMl: 5 })]));
  const said = (parts: number) => brookWords({ layout: car, order: [], inside: empty(parts) });
  expect(said(3)).toContain('empty: ');
  expect(said(4)).toContain('4 parts are empty');
});
