import { ROLES, type Role } from './roles';

/** WCAG 2.2, definitions of relative luminance and contrast ratio. */
function contrast(a: string, b: string): number {
  const luminance = (hex: string) => {
    const [r, g, bl] = [1, 3, 5].map((i) => {
      const c = parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * bl!;
  };
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light! + 0.05) / (dark! + 0.05);
}

test('black on white is 21 to 1, as WCAG says', () => {
  expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 6);
});

describe.each(['sun', 'pit'] as const)('%s', (light) => {
  const of = (role: Role) => ROLES[light][role];
  // 1.4.6 (AAA) for what is read at arm's length; 1.4.3 (AA) for the quiet words.
  test.each<[Role, Role, number]>([
    ['words', 'ground', 7],
    ['words', 'well', 7],
    ['onAction', 'action', 7],
    ['stop', 'ground', 4.5],
    ['softWords', 'ground', 4.5],
    ['softWords', 'well', 4.5],
    // 1.4.11: borders of what can be touched, and the outline of the fluid.
    ['edge', 'ground', 3],
    ['fluidEdge', 'ground', 3],
  ])('%s on %s is at least %p to 1', (front, back, least) => {
    expect(contrast(of(front), of(back))).toBeGreaterThanOrEqual(least);
  });
});
