import { layoutOf } from '../testing';
import {
  heightFault,
  heldAs,
  measuresFor,
  PEDAL_RESULTS,
  pedalSetup,
  wasTaken,
  wholeForces,
  worseResult,
  type Reading,
} from '.';

const SETUP = pedalSetup(layoutOf('hatchback-diagonal'), 'master');
const FORCES = wholeForces('pedal', SETUP);
const at = (where: Reading['at'], heightMm: number, pumped = false): Reading => ({
  at: where,
  pumped,
  heightMm,
});

test('forces are whole newtons, each above what the springs hold back, upwards', () => {
  const { low, light, firm } = FORCES;
  const all = [...low, light, firm];
  expect(all.every(Number.isInteger)).toBe(true);
  expect(low[0] * SETUP.ratio).toBeGreaterThan(SETUP.preloadN.value);
  expect([...all].sort((a, b) => a - b)).toEqual(all);
});

test('the low forces are read where somebody wants it finer, between first resistance and the light push', () => {
  const titles = (fine: boolean) => measuresFor('pedal', FORCES, fine).map((m) => m.title);
  expect(titles(true).filter((t) => !titles(false).includes(t))).toEqual(
    FORCES.low.map((n) => `${n} N`),
  );
  expect(titles(true).indexOf(`${FORCES.low[0]} N`)).toBe(2);
});

test('a lever is measured from the bar at its tip, a pedal above the floor', () => {
  const said = (held: 'pedal' | 'lever') =>
    measuresFor(held, wholeForces(held, SETUP), false)
      .map((m) => m.how)
      .join(' ');
  expect(said('pedal')).toMatch(/above the floor/);
  expect(said('pedal')).not.toMatch(/\bbar\b|tip/);
  expect(said('lever')).toMatch(/from the bar/);
  expect(said('lever')).not.toMatch(/floor|pad\b/);
  expect(heldAs('foot brake')).toBe('pedal');
  expect(heldAs('hydraulic parking brake')).toBe('lever');
});

test('what was taken is known by its place and by pumping', () => {
  const taken = {
    readings: [{ ...at({ forceN: 300 }, 110), eventId: '', person: '', atMs: 0 }],
    sink: null,
  };
  expect(wasTaken({ at: { forceN: 300 }, pumped: false }, taken)).toBe(true);
  expect(wasTaken({ at: { forceN: 300 }, pumped: true }, taken)).toBe(false);
  expect(wasTaken({ at: { forceN: 50 }, pumped: false }, taken)).toBe(false);
  expect(wasTaken({ at: 'sink', pumped: true }, taken)).toBe(false);
  expect(wasTaken({ at: 'rest', pumped: false }, null)).toBe(false);
});

test('higher under more force cannot be, by more than a ruler errs; pumped it can', () => {
  const before = [at('rest', 180), at({ forceN: 70 }, 130)];
  const firm = { at: { forceN: 300 }, pumped: false };
  expect(heightFault(firm, 135, before)).toBeNull();
  expect(heightFault(firm, 136, before)).toMatch(/higher than before \(130 mm\)/);
  expect(heightFault({ ...firm, pumped: true }, 150, before)).toBeNull();
  expect(heightFault({ at: 'first resistance', pumped: false }, 186, before)).not.toBeNull();
  // Read again, the place itself is not held against itself.
  expect(heightFault({ at: 'rest', pumped: false }, 200, before)).toBeNull();
});

test('of two words the worse one, whichever way round', () => {
  PEDAL_RESULTS.forEach((a, i) =>
    PEDAL_RESULTS.forEach((b, j) => {
      expect(worseResult(a, b)).toBe(PEDAL_RESULTS[Math.max(i, j)]);
    }),
  );
  expect(worseResult(null, 'sinks')).toBe('sinks');
  expect(worseResult('sinks', null)).toBe('sinks');
  expect(worseResult(null, null)).toBeNull();
});
