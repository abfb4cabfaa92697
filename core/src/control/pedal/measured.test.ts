import { layoutOf } from '../../testing';
import {
  curveOf,
  readingWords,
  heightFault,
  heldAs,
  judgeControl,
  JUDGED_BY,
  measuresFor,
  PEDAL_RESULTS,
  pedalSetup,
  travelMm,
  wasTaken,
  wholeForces,
  workedBy,
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

test('what tells more is read where somebody wants it: the low forces, each after pumping too, and the sink with the engine running where a servo works', () => {
  const titles = (more: boolean, servo = true) =>
    measuresFor('pedal', FORCES, { more, servo }).map((m) => m.title);
  const [low, higher] = FORCES.low;
  expect(titles(true).filter((t) => !titles(false).includes(t))).toEqual([
    `${low} N`,
    `${higher} N`,
    `${low} N, pumped`,
    `${higher} N, pumped`,
    'Light, pumped',
    'Engine running: does it sink?',
  ]);
  expect(titles(true).indexOf(`${low} N`)).toBe(2);
  expect(titles(true, false)).not.toContain('Engine running: does it sink?');
  // Seven by the ruler and the clock are enough for the word.
  expect(titles(false)).toHaveLength(6);
});

test('a lever is measured from the bar at its tip, a pedal above the floor', () => {
  const said = (held: 'pedal' | 'lever') =>
    measuresFor(held, wholeForces(held, SETUP), { more: true, servo: held === 'pedal' })
      .map((m) => `${m.title} ${m.how}`)
      .join(' ');
  expect(said('pedal')).toMatch(/above the floor/);
  expect(said('pedal')).not.toMatch(/\bbar\b|tip|bite/);
  expect(said('lever')).toMatch(/from the bar/);
  expect(said('lever')).not.toMatch(/floor|pad\b|push|foot|engine/i);
  expect(heldAs('foot brake')).toBe('pedal');
  expect(heldAs('hydraulic parking brake')).toBe('lever');
});

// A lever by about 20 N and 150 N; a rider's ankle pushes a foot brake less hard than a leg a pedal: common practice, no source.
test('fingers, ankle and leg have forces of their own', () => {
  const easy = { ...SETUP, ratio: 6, preloadN: { ...SETUP.preloadN, value: 60 } };
  expect(wholeForces('lever', easy)).toMatchObject({ light: 20, firm: 150 });
  expect(wholeForces('foot', easy)).toMatchObject({ light: 50, firm: 150 });
  expect(wholeForces('pedal', easy)).toMatchObject({ light: 50, firm: 300 });
  expect(workedBy('brake pedal', 'motorcycle')).toBe('foot');
  expect(workedBy('brake pedal', 'car')).toBe('pedal');
  expect(workedBy('brake pedal', 'three-wheeler')).toBe('pedal');
  expect(workedBy('brake lever', 'motorcycle')).toBe('lever');
  // Where the springs hold 20 N back, it is pulled a little harder: a point without pressure tells nothing.
  const stiff = { ...easy, preloadN: { ...easy.preloadN, value: 120 } };
  expect(wholeForces('lever', stiff).light).toBe(24);
});

test('every measure has its turn upwards, so that no reading is held against a harder one', () => {
  for (const by of ['pedal', 'lever'] as const) {
    const forces = measuresFor(by, wholeForces(by, SETUP), { more: true }).flatMap((m) =>
      typeof m.at === 'object' && !m.pumped ? [m.at.forceN] : [],
    );
    expect(forces).toEqual([...forces].sort((a, b) => a - b));
    expect(new Set(forces).size).toBe(4);
  }
});

describe('a sink that is watched twice', () => {
  const watch = (mm: number, seconds = 30) => ({ mm, seconds, eventId: '', person: '', atMs: 0 });
  const readings = [
    at('rest', 180),
    at({ forceN: FORCES.light }, 130),
    at({ forceN: FORCES.firm }, 115),
    at({ forceN: FORCES.firm }, 120, true),
  ].map((r) => ({ ...r, eventId: '', person: '', atMs: 0 }));
  const word = (off: number | null, running?: ReturnType<typeof watch>) => {
    const sink = off === null ? null : watch(off);
    const said = judgeControl('pedal', { readings, sink, sinkRunning: running }, FORCES);
    return 'result' in said ? said.result : said.missing;
  };

  test('counts by the worse of the two', () => {
    expect(word(0, watch(0))).toBe('firm and high');
    expect(word(0, watch(6))).toBe('sinks');
    expect(word(6, watch(0))).toBe('sinks');
    expect(word(0, watch(6, 4))).toBe('sinks');
  });

  test('with the engine running alone proves nothing: the servo hides a slow one', () => {
    expect(word(null, watch(0))).toEqual(['sink']);
    expect(word(null, watch(5))).toEqual(['sink']);
    expect(word(null, watch(6))).toBe('sinks');
    expect(word(0, watch(0, 3))).toBe('firm and high');
  });
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
  const running = { at: 'sink, engine running', pumped: true } as const;
  expect(wasTaken(running, taken)).toBe(false);
  const watched = { mm: 0, seconds: 30, eventId: '', person: '', atMs: 0 };
  expect(wasTaken(running, { ...taken, sinkRunning: watched })).toBe(true);
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

// Rule and model side by side: a foot brake without air must not be called springy by its own layout.
test.each([
  'motorcycle-rear-disc',
  'motorcycle-linked',
  'motorcycle-abs',
  'sidecar-outfit',
] as const)('the foot brake of a sound %s is not springy by its own layout', (id) => {
  const layout = layoutOf(id);
  const master = layout.masters.find((m) => m.control === 'brake pedal')!;
  const setup = pedalSetup(layout, master.id);
  const { light, firm } = wholeForces(workedBy(master.control, layout.vehicleKind), setup);
  const curve = curveOf(setup);
  const springMm = travelMm(curve, firm, 0, false) - travelMm(curve, light, 0, false);
  expect(springMm).toBeLessThan(JUDGED_BY.pedal.springyOverMm);
  // With 2 mL of air in it the same push tells.
  expect(travelMm(curve, light, 2, false) - travelMm(curve, light, 0, false)).toBeGreaterThan(20);
});

test('a pedal with a servo has its measures in turn, each by its place, pumped or not, and its title', () => {
  const rows = measuresFor(
    'pedal',
    { low: [30, 50], light: 70, firm: 300 },
    { more: true, servo: true },
  ).map(({ at, pumped, title }) => [typeof at === 'object' ? at.forceN : at, pumped, title]);
  expect(rows).toEqual([
    ['rest', false, 'At rest'],
    ['first resistance', false, 'First resistance'],
    [30, false, '30 N'],
    [50, false, '50 N'],
    [70, false, 'Light push'],
    [300, false, 'Firm push'],
    [30, true, '30 N, pumped'],
    [50, true, '50 N, pumped'],
    [70, true, 'Light, pumped'],
    [300, true, 'Firm, pumped'],
    ['sink', true, 'Does it sink?'],
    ['sink, engine running', true, 'Engine running: does it sink?'],
  ]);
});

test('a reading is named by where and how it was taken', () => {
  expect(readingWords({ at: { forceN: 300 }, pumped: true })).toBe('300 N, pumped');
  expect(readingWords({ at: { forceN: 70 }, pumped: false })).toBe('70 N');
  expect(readingWords({ at: 'rest', pumped: false })).toBe('rest');
});
