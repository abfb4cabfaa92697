import fc from 'fast-check';
import { layoutOf } from '../../testing';
import { airTakes, slaveTravel } from '.';

const LAYOUT = layoutOf('clutch-external');
const MASTER = LAYOUT.masters.find((m) => m.system === 'clutch')!;
const SLAVE = LAYOUT.nodes.find((n) => n.kind === 'slave')!;
const BORE = MASTER.chambers[0]!.boreMm;
const of = (travelMm: number, playMm: number | null = 1) =>
  slaveTravel({ layout: LAYOUT, masterId: MASTER.id, travelMm, playMm })!;

// The textbook's hydraulic ratio: what the small piston pushes out moves the large one by d²/D² of its way.
test('what the rod moves beyond its dead stroke moves the slave by the ratio of the areas', () => {
  const D = SLAVE.kind === 'slave' ? SLAVE.pistonMm : NaN;
  const at = (rodMm: number) => of((rodMm + 1.7) * MASTER.ratio).value;
  expect(at(12)).toBeCloseTo(12 * (BORE / D) ** 2, 9);
  expect(at(6)).toBeCloseTo(at(12) / 2, 9);
});

test('within the dead stroke it does not move; play that nobody measured makes it less sure', () => {
  expect(of(0).value).toBe(0);
  expect(of(1.6 * MASTER.ratio).value).toBe(0);
  expect(of(1.8 * MASTER.ratio).value).toBeGreaterThan(0);
  expect(of(100, null).plusMinus).toBeGreaterThan(of(100).plusMinus!);
  expect(of(100, 3).value).toBeLessThan(of(100, 1).value);
});

// Boyle at 2.5 MPa leaves 0.101325/2.601325 of a bubble: 3.9 %.
test('air takes what it loses, by the lever and the bore', () => {
  const area = (Math.PI / 4) * BORE ** 2;
  const lost = 0.1 * 1000 * (1 - 0.101325 / 2.601325);
  expect(airTakes(LAYOUT, MASTER.id, 0.1)!.value).toBeCloseTo((MASTER.ratio * lost) / area, 6);
  expect(airTakes(LAYOUT, MASTER.id, 0)!.value).toBe(0);
});

test('more travel never moves it less, and a brake has no slave', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 399 }), (mm) => {
      expect(of(mm + 1).value).toBeGreaterThanOrEqual(of(mm).value);
    }),
  );
  const brakes = layoutOf('hatchback-diagonal');
  const { id } = brakes.masters[0]!;
  expect(slaveTravel({ layout: brakes, masterId: id, travelMm: 50, playMm: 1 })).toBeNull();
  expect(airTakes(brakes, id, 1)).toBeNull();
});

test('two pistons of the slave go half as far; what it is reckoned from can be opened', () => {
  const two = {
    ...LAYOUT,
    nodes: LAYOUT.nodes.map((n) => (n.kind === 'slave' ? { ...n, pistons: 2 } : n)),
  };
  const travel = slaveTravel({ layout: two, masterId: MASTER.id, travelMm: 100, playMm: 1 })!;
  expect(travel.value).toBeCloseTo(of(100).value / 2, 9);
  expect(travel.from.map((f) => f.label)).toEqual([
    'Travel from rest',
    'Free play at the rod',
    'Way of the seal past its port',
    'Bore of the master',
    'Piston of the slave',
  ]);
  expect(airTakes(LAYOUT, MASTER.id, 0.1)!.from.map((f) => f.label)).toEqual([
    'Bore of the master',
  ]);
});

// What nobody measured is from memory: half a millimetre of play, 0.7 of port, each as far off as said.
test('play that was measured is an entry; a usual one is from memory, with how far it may be off', () => {
  const [measured, usual] = [of(100, 1), of(100, null)];
  const areas = measured.plusMinus! / 0.4;
  expect(usual.plusMinus).toBeCloseTo(0.9 * areas, 9);
  expect(usual.value - measured.value).toBeCloseTo(0.5 * areas, 9);
  expect(measured.from[1]).toMatchObject({ rule: 'measured', source: { kind: 'entry' } });
  expect(usual.from[1]).toMatchObject({ value: 0.5, source: { kind: 'model' } });
});
