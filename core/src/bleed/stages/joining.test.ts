import type { Layout } from '../../vehicle/circuit';
import type { Plan } from '../plan';
import { afterWork, carefulMaster, layoutOf, planned } from '../../testing';
import { bleedMinutes, linesOf, stageWhen } from '.';
import { joiningSteps } from './joining';

const car = layoutOf('hatchback-diagonal');
const [master] = car.masters;
const ports = master!.chambers.map((c) => c.port);
/** The same car with its master's ports at these heights. */
const withPorts = (...heights: number[]): Layout => ({
  ...car,
  nodes: car.nodes.map((n) =>
    ports.includes(n.id) ? { ...n, heightMm: heights[ports.indexOf(n.id)]! } : n,
  ),
});

// In which order lines come off and on, and why: common practice, no source.
describe('the lines of a master', () => {
  test('the one at the higher port comes first, whichever that is', () => {
    const upper = (layout: Layout) => linesOf(layout, 'master').map((l) => l.from);
    expect(ports).toHaveLength(2);
    expect(upper(withPorts(700, 600))).toEqual(ports);
    expect(upper(withPorts(600, 700))).toEqual([...ports].reverse());
  });

  test('no other line is among them, and a master that is not there has none', () => {
    for (const l of linesOf(car, 'master')) expect(ports).toContain(l.from);
    expect(linesOf(car, 'nowhere')).toEqual([]);
  });

  test('one by one: off, cap, on, and only then the next; the last is followed by none', () => {
    const steps = joiningSteps(withPorts(700, 600), 'master', []);
    const [upper, lower] = linesOf(withPorts(700, 600), 'master');
    expect(steps.slice(2, 5)).toEqual([
      `${upper!.name}: off, cap it at once, and onto its port of the new master; only then the next.`,
      `${lower!.name}: off, cap it at once, and onto its port of the new master.`,
      expect.stringMatching(/^Never two open at once/),
    ]);
    // One line under another that crosses nothing is no crossing.
    expect(joiningSteps(withPorts(700, 600), 'master', [lower!.id])).toEqual(steps);
  });

  test('a single line needs no word on two', () => {
    const bike = layoutOf('motorcycle-front-disc');
    const [lever] = bike.masters;
    const steps = joiningSteps(bike, lever!.id, []).join(' ');
    expect(steps).not.toContain('two open');
    expect(steps).not.toContain('only then the next');
    expect(steps).toContain(`as the ${lever!.control} comes up`);
  });

  test('crossing lines come off from the top down and go on from the bottom up', () => {
    const layout = withPorts(700, 600);
    const [upper, lower] = linesOf(layout, 'master');
    const steps = joiningSteps(layout, 'master', [lower!.id, upper!.id]);
    expect(steps.slice(2, 8)).toEqual([
      `They cross: ${lower!.name}, ${upper!.name} lie from the top down in this order.`,
      `${lower!.name} off: cap the line, plug its port.`,
      `${upper!.name} off: cap the line, plug its port.`,
      'The new master goes in, its ports plugged.',
      `${upper!.name} on: its plug and its cap come off last.`,
      `${lower!.name} on: its plug and its cap come off last.`,
    ]);
  });

  test('in one way: the steps of the other do not appear', () => {
    const held = joiningSteps(car, 'master', [], 'held down').join(' ');
    const full = joiningSteps(car, 'master', [], 'reservoir full').join(' ');
    expect(held).toContain('A stop holds the brake pedal down');
    expect(held).not.toMatch(/drip|Reservoir full/);
    expect(full).toContain('See fluid drip at each joint');
    expect(full).not.toMatch(/stop/i);
    expect(joiningSteps(car, 'master', []).join(' ')).toBe(held);
    // With the reservoir full the first joint comes after the fill, held down before it.
    const plan = (joinWay: 'held down' | 'reservoir full') =>
      planned(car, {
        work: afterWork(car, { master: carefulMaster() }),
        preferences: { joinWay },
      });
    const when = (p: Plan) => stageWhen(p, p.stages.find((x) => x.kind === 'join lines')!);
    expect(when(plan('held down'))).toBe('before filling');
    expect(when(plan('reservoir full'))).toBe('in the chain');
  });

  test('lines that do not cross come after those that do', () => {
    const third = {
      ...car.stretches.find((s) => s.from === ports[0])!,
      id: 'third',
      name: 'Third',
    };
    const layout = { ...withPorts(700, 600), stretches: [...car.stretches, third] };
    const [a, b] = linesOf(layout, 'master').filter((l) => l.id !== 'third');
    const said = joiningSteps(layout, 'master', [a!.id, b!.id]);
    expect(said[2]).toBe(
      `They cross: ${a!.name}, ${b!.name}, Third lie from the top down in this order.`,
    );
  });

  test('a reservoir that feeds another system too is said, and only where it does', () => {
    const shared = /feeds another system too/;
    expect(joiningSteps(car, 'master', []).join(' ')).not.toMatch(shared);
    const van = layoutOf('clutch-concentric');
    expect(van.masters.length).toBeGreaterThan(1);
    for (const m of van.masters) expect(joiningSteps(van, m.id, [])[2]).toMatch(shared);
    const outfit = layoutOf('sidecar-outfit');
    const apart = outfit.masters.filter(
      (m) =>
        !outfit.masters.some(
          (o) => o !== m && o.chambers.some((c) => m.chambers.some((x) => x.fedBy === c.fedBy)),
        ),
    );
    expect(apart.length).toBeGreaterThan(0);
    for (const m of apart) expect(joiningSteps(outfit, m.id, []).join(' ')).not.toMatch(shared);
  });
});

// By hand, from the plan's own openings: reach, hose and cap 4 min each, a top-up 1.5 min, and the strokes.
test('minutes of a bleed are its openings, its strokes and its top-ups', () => {
  const { openings, preferences } = planned(car);
  const [first, second] = openings;
  const minutes = bleedMinutes(preferences, [first!, second!]);
  const strokesS =
    first!.strokes.value * first!.secondsPerStroke +
    second!.strokes.value * second!.secondsPerStroke;
  const topUps = first!.topUps.length + second!.topUps.length;
  expect(topUps).toBeGreaterThan(0);
  expect(minutes.value).toBeCloseTo(2 * 4 + strokesS / 60 + topUps * 1.5, 9);
  expect(minutes.from.map((f) => [f.label, f.value, f.unit])).toEqual([
    ['Each opening: reach, hose, cap', 4, 'min'],
    ['Each top-up or draw-off', 1.5, 'min'],
    ['left rear', first!.strokes.value * first!.secondsPerStroke, 's'],
    ['right rear', second!.strokes.value * second!.secondsPerStroke, 's'],
  ]);
  expect(minutes.from[2]!.from[0]!.value).toBe(first!.strokes.value);
  expect(bleedMinutes(preferences, []).value).toBe(0);
});
