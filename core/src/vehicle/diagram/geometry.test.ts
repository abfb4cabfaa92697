import { paths } from '../circuit';
import { layoutTemplates } from '../circuit/templates';
import { brookGeometry, MARK_RADIUS, pathData } from './geometry';

const LAYOUTS = layoutTemplates.flatMap((t) =>
  t.driverSides.map((side) => [`${t.id}, ${side}`, t.build(side)] as const),
);
const SIZES = [
  [300, 150],
  [290, 230],
  [560, 420],
] as const;

describe.each(LAYOUTS)('%s', (_, layout) => {
  const order = [...paths(layout)]
    .sort((a, b) => b.lengthM.value - a.lengthM.value)
    .map((p) => p.bleeder.id);

  test.each(SIZES)('everything lies inside %p × %p', (width, height) => {
    const g = brookGeometry(layout, order, width, height);
    const points = [
      ...g.nodes.map((n) => n.at),
      ...g.bleeders.flatMap((b) => [b.at, b.mark]),
      ...g.stretches.flatMap((s) => [s.from, s.to]),
    ];
    for (const p of points) {
      expect(p.x).toBeGreaterThanOrEqual(0);
      expect(p.x).toBeLessThanOrEqual(width);
      expect(p.y).toBeGreaterThanOrEqual(0);
      expect(p.y).toBeLessThanOrEqual(height);
    }
  });

  test('no two numbers touch', () => {
    const xs = brookGeometry(layout, order, 300, 150)
      .bleeders.map((b) => b.mark.x)
      .sort((a, b) => a - b);
    for (let i = 1; i < xs.length; i++)
      expect(xs[i]! - xs[i - 1]!).toBeGreaterThan(2 * MARK_RADIUS);
  });

  test('along is to scale, up is by height', () => {
    const g = brookGeometry(layout, order, 560, 420);
    const all = paths(layout);
    const x = (id: string) => g.nodes.find((n) => n.node.id === id)!.at.x;
    const longest = all.reduce((a, b) => (b.lengthM.value > a.lengthM.value ? b : a));
    const perMetre = (x(longest.bleeder.at) - x(longest.chamber.port)) / longest.lengthM.value;
    for (const p of all)
      expect(x(p.bleeder.at) - x(p.chamber.port)).toBeCloseTo(p.lengthM.value * perMetre, 6);
    const byHeight = [...g.nodes]
      .sort((a, b) => b.node.heightMm - a.node.heightMm)
      .map((n) => n.at.y);
    expect(byHeight).toEqual([...byHeight].sort((a, b) => a - b));
  });

  test('numbers follow the order of the plan', () => {
    const g = brookGeometry(layout, order, 560, 420);
    for (const b of g.bleeders) expect(b.number).toBe(order.indexOf(b.id) + 1);
  });
});

test('a path is written as SVG writes it', () => {
  expect(
    pathData([
      { x: 0, y: 1 },
      { x: 2.25, y: 3 },
    ]),
  ).toBe('M0.0 1.0L2.3 3.0');
});
