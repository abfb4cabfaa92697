import type { Layout } from './layout';
import { layoutOf } from '../../testing';
import { behind, circuitOf, climbsFrom, jointBefore } from './reach';

/** Stretches between nodes at given heights, mm; nothing else of a layout is asked for here. */
function lines(heights: Readonly<Record<string, number>>, ...stretches: readonly string[]): Layout {
  return {
    nodes: Object.entries(heights).map(([id, heightMm]) => ({ id, heightMm })),
    stretches: stretches.map((id) => ({ id, from: id[0], to: id[1] })),
  } as unknown as Layout;
}
const sorted = (ids: Iterable<string>) => [...ids].sort();

describe('behind a part', () => {
  const tree = lines({ a: 9, b: 8, c: 7, d: 7, e: 6 }, 'ab', 'bc', 'bd', 'de');

  test('a node: itself and everything downstream, both branches', () => {
    expect(sorted(behind(tree, 'b'))).toEqual(['b', 'bc', 'bd', 'c', 'd', 'de', 'e']);
    expect(sorted(behind(tree, 'e'))).toEqual(['e']);
  });

  test('a stretch: itself and what it leads to, not where it comes from', () => {
    expect(sorted(behind(tree, 'bd'))).toEqual(['bd', 'd', 'de', 'e']);
  });

  test('a circuit: the chamber and all behind its port', () => {
    expect(sorted(circuitOf(tree, { id: 'chamber', port: 'd' }))).toEqual([
      'chamber',
      'd',
      'de',
      'e',
    ]);
  });

  test('a part is joined at the upstream end of its line, a node at that of the line to it', () => {
    expect(jointBefore(tree, 'de')).toBe('d');
    expect(jointBefore(tree, 'e')).toBe('d');
    expect(jointBefore(tree, 'a')).toBe('a');
  });
});

// Air rises in a line and stays below a stretch that falls: buoyancy, no source.
describe('where air climbs from an open joint', () => {
  test('more than one stretch, as long as each rises', () => {
    const rise = lines({ a: 900, b: 600, c: 400, d: 300 }, 'ab', 'bc', 'cd');
    expect(sorted(climbsFrom(rise, 'd'))).toEqual(['a', 'ab', 'b', 'bc', 'c', 'cd', 'd']);
    expect(sorted(climbsFrom(rise, 'b'))).toEqual(['a', 'ab', 'b']);
  });

  test.each([
    [501, ['a', 'ab', 'b']],
    // A level line holds no air back.
    [500, ['a', 'ab', 'b']],
    [499, ['b']],
  ])('to a node at %d mm from one at 500 mm', (heightMm, reached) => {
    expect(sorted(climbsFrom(lines({ a: heightMm, b: 500 }, 'ab'), 'b'))).toEqual(reached);
  });

  test('up at a tee it goes into the other branch as far as that does not fall', () => {
    const tee = lines({ t: 500, l: 300, r: 500, s: 480 }, 'tl', 'tr', 'rs');
    expect(sorted(climbsFrom(tee, 'l'))).toEqual(['l', 'r', 't', 'tl', 'tr']);
  });

  test('over a hump it does not come down again', () => {
    const hump = lines({ a: 900, b: 300, c: 700, d: 320 }, 'ab', 'bc', 'cd');
    expect(sorted(climbsFrom(hump, 'd'))).toEqual(['c', 'cd', 'd']);
  });

  test('two lines between the same nodes both hold it', () => {
    const twin = {
      ...lines({ a: 600, b: 500 }, 'ab'),
      stretches: [
        { id: 'one', from: 'a', to: 'b' },
        { id: 'two', from: 'a', to: 'b' },
      ],
    } as unknown as Layout;
    expect(sorted(climbsFrom(twin, 'b'))).toEqual(['a', 'b', 'one', 'two']);
  });

  test('in the hatchback from the bracket of a caliper up to the master', () => {
    const reached = climbsFrom(layoutOf('hatchback-diagonal'), 'left-front-bracket');
    for (const id of ['left-front-line', 'modulator-secondary', 'secondary-feed', 'secondary-port'])
      expect(reached).toContain(id);
    expect(reached).not.toContain('left-front-caliper');
    expect(reached).not.toContain('right-rear-sill');
  });
});
