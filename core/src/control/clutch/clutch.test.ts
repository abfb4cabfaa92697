import { type Layout } from '../../vehicle/circuit';
import { layoutTemplates } from '../../vehicle/circuit/templates';
import { figureText } from '../../base/figure';
import { layoutOf } from '../../testing';
import { blockedTells, clutchSet, slavePasses, slaveTests, type SlaveTest } from '.';

const external = layoutOf('clutch-external');
const all = (layout: Layout) => layout.bleeders.map((b) => b.id);
const slaveOf = (layout: Layout) => layout.nodes.find((n) => n.kind === 'slave')!;
const withSlave = (more: object): Layout => ({
  ...external,
  nodes: external.nodes.map((n) => (n.kind === 'slave' ? { ...n, ...more } : n)),
});
const testOf = (layout: Layout): SlaveTest => slaveTests(layout, all(layout))[0]!;

// Which way proves which slave, and 1/8 in with the slave blocked: common practice, no source.
test('the blocked slave only where its piston can be held, the travel where it can be seen, else take-up and reverse', () => {
  expect(testOf(withSlave({ holdable: true, inGearbox: false })).way).toBe('blocked');
  expect(testOf(withSlave({ holdable: false, inGearbox: false })).way).toBe('travel');
  expect(testOf(withSlave({ holdable: false, inGearbox: true })).way).toBe('take-up');
});

test('a clutch has a test, brakes have none, and a bleeder that stays shut brings none', () => {
  for (const t of layoutTemplates) {
    const layout = layoutOf(t.id);
    expect(slaveTests(layout, all(layout))).toHaveLength(
      layout.nodes.filter((n) => n.kind === 'slave' && layout.bleeders.some((b) => b.at === n.id))
        .length,
    );
    expect(slaveTests(layout, [])).toEqual([]);
  }
});

test('blocked: under an eighth of an inch it is bled', () => {
  const blocked = testOf(withSlave({ holdable: true }));
  expect(blocked.limitMm!.value).toBeCloseTo(25.4 / 8, 1);
  expect(slavePasses(blocked, { mm: 3.1, reverse: null })).toBe(true);
  expect(slavePasses(blocked, { mm: 3.2, reverse: null })).toBe(false);
});

test('travel: what the master pushes out moves the slave by the squares of the diameters', () => {
  const layout = withSlave({ holdable: false, inGearbox: false, pistonMm: 22.2, pistons: 1 });
  const { boreMm, fullStrokeMm } = layout.masters[0]!.chambers[0]!;
  // Pascal's principle: volumes are equal, d²·s = D²·S.
  const travel = (boreMm / 22.2) ** 2 * fullStrokeMm;
  const inPlace = testOf(layout);
  expect(Math.abs(inPlace.limitMm!.value - 0.85 * travel)).toBeLessThanOrEqual(0.05);
  expect(slavePasses(inPlace, { mm: travel, reverse: 'clean' })).toBe(true);
  expect(slavePasses(inPlace, { mm: travel * 0.6, reverse: 'clean' })).toBe(false);
  expect(slavePasses(inPlace, { mm: travel, reverse: 'grates' })).toBe(false);
});

// Round once: what is shown and what is tested is the same number.
test.each([
  ['travel', 1, true],
  ['travel', 0.9, false],
  ['blocked', 1, false],
  ['blocked', 0.9, true],
] as const)('%s: the limit as it is shown, times %d, passes: %p', (way, share, passes) => {
  for (const pistonMm of [19.1, 20.6, 22.2, 60]) {
    const test = testOf(withSlave({ holdable: way === 'blocked', inGearbox: false, pistonMm }));
    const mm = Number.parseFloat(figureText(test.limitMm!)) * share;
    expect(slavePasses(test, { mm, reverse: 'clean' })).toBe(passes);
  }
});

test('take-up: a height alone proves nothing', () => {
  const inside = testOf(withSlave({ holdable: false, inGearbox: true }));
  expect(inside).toMatchObject({ slaveId: slaveOf(external).id, limitMm: null });
  expect(slavePasses(inside, { mm: 60, reverse: null })).toBe(false);
  expect(slavePasses(inside, { mm: 60, reverse: 'grates' })).toBe(false);
  expect(slavePasses(inside, { mm: 60, reverse: 'clean' })).toBe(true);
});

// 1/8 in of rod travel with the slave blocked: common practice, no source.
test('with the slave blocked an eighth of an inch of rod tells sound from giving', () => {
  expect([3.1, 3.2, 6].map(blockedTells)).toEqual(['sound', 'air or master', 'air or master']);
});

test('take-up: nothing is no height; without a reverse gear a height is enough here, the clutch’s own proof tells', () => {
  const inside = testOf(withSlave({ holdable: false, inGearbox: true }));
  expect(slavePasses(inside, { mm: 0, reverse: 'clean' })).toBe(false);
  expect(slavePasses({ ...inside, noReverse: true }, { mm: 1, reverse: null })).toBe(true);
  expect(slavePasses({ ...inside, noReverse: true }, { mm: 0, reverse: null })).toBe(false);
});

test('two pistons of a slave take twice the fluid for the same way', () => {
  const of = (pistons: number) =>
    testOf(withSlave({ holdable: false, inGearbox: false, pistonMm: 15, pistons })).limitMm!;
  expect(of(2).value).toBeCloseTo(of(1).value / 2, 0);
  // What it is reckoned from can be opened, down to the sizes.
  expect(of(1).from.map((f) => f.label)).toEqual(['Slave travel by volume']);
  expect(of(1).from[0]!.from.map((f) => f.label)).toEqual([
    'Bore of the master',
    'Full stroke',
    'Piston of the slave',
  ]);
  expect(of(1).rule).toMatch(/^85 % of it/);
});

test('a whole clutch lies on the bench where its slave is outside; brakes are none', () => {
  const inside = withSlave({ inGearbox: true });
  expect(clutchSet(external, 'clutch-master')).toBe(true);
  expect(clutchSet(inside, 'clutch-master')).toBe(false);
  expect(clutchSet(external, 'nobody')).toBe(false);
  const van = layoutOf('clutch-concentric');
  expect(clutchSet(van, 'master')).toBe(false);
  expect(clutchSet(van, 'clutch-master')).toBe(false);
});
