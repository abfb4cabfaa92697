import fc from 'fast-check';
import { arbitraryLayout, layoutOf } from '../../testing';
import {
  layoutDoubts,
  paths,
  RANGES,
  rangeFault,
  tubeVolumeMl,
  validateLayout,
  type Layout,
  type MasterChamber,
} from '.';
import { layoutTemplates } from './templates';

describe('tube volume', () => {
  // Geometry: πd²/4 · length. 1 mm bore, 4/π m long holds 1 mL exactly.
  test('agrees with πd²/4 · length', () => {
    expect(tubeVolumeMl(1, 4000 / Math.PI)).toBeCloseTo(1, 12);
    expect(tubeVolumeMl(10, 100)).toBeCloseTo(7.853981634, 8);
  });

  // Wall thickness of 4.75 mm brake line is 0.7 mm, so 3.35 mm inside: 8.8 mL per metre. Common practice, no source.
  test('a metre of ordinary brake line holds 8.8 mL', () => {
    expect(tubeVolumeMl(3.35, 1000)).toBeCloseTo(8.81, 2);
  });

  test('two halves hold what the whole holds', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 10, noNaN: true }),
        fc.double({ min: 10, max: 15_000, noNaN: true }),
        (d, l) => {
          expect(2 * tubeVolumeMl(d, l / 2)).toBeCloseTo(tubeVolumeMl(d, l), 9);
        },
      ),
    );
  });
});

describe('templates', () => {
  const built = layoutTemplates.flatMap((t) =>
    t.driverSides.map((side) => [`${t.id}, driver ${side}`, t.build(side)] as const),
  );

  test.each(built)('%s has no fault', (_, layout) => {
    expect(validateLayout(layout)).toEqual([]);
  });

  test('every bleeder of every template has one path that starts at its chamber’s port', () => {
    for (const [, layout] of built) {
      const all = paths(layout);
      expect(all.map((p) => p.bleeder.id).sort()).toEqual(layout.bleeders.map((b) => b.id).sort());
      for (const p of all) {
        expect(p.points[0]!.node.id).toBe(p.chamber.port);
        expect(p.points.at(-1)!.node.id).toBe(p.bleeder.at);
      }
    }
  });

  test('a diagonal split feeds each front with the opposite rear', () => {
    const of = new Map(
      paths(layoutOf('hatchback-diagonal')).map((p) => [p.bleeder.place, p.chamber.id]),
    );
    expect(of.get('left front')).toBe(of.get('right rear'));
    expect(of.get('right front')).toBe(of.get('left rear'));
    expect(of.get('left front')).not.toBe(of.get('right front'));
  });

  test('a front/rear split feeds both fronts from one chamber and both rears from the other', () => {
    const of = new Map(
      paths(layoutOf('estate-front-rear')).map((p) => [p.bleeder.place, p.chamber.id]),
    );
    expect(of.get('left front')).toBe(of.get('right front'));
    expect(of.get('left rear')).toBe(of.get('right rear'));
    expect(of.get('left front')).not.toBe(of.get('left rear'));
  });

  test('the driver’s side mirrors a layout', () => {
    const lengths = (side: 'left' | 'right') =>
      new Map(
        paths(layoutOf('hatchback-diagonal', side)).map((p) => [p.bleeder.place, p.lengthM.value]),
      );
    const right = lengths('right');
    const left = lengths('left');
    expect(left.get('left front')).toBeCloseTo(right.get('right front')!, 9);
    expect(left.get('right rear')).toBeCloseTo(right.get('left rear')!, 9);
  });
});

describe('paths', () => {
  test('length and volume are the sums of what they name', () => {
    fc.assert(
      fc.property(arbitraryLayout, (layout) => {
        for (const p of paths(layout)) {
          expect(p.lengthM.value).toBeCloseTo(
            p.lengthM.from.reduce((s, f) => s + f.value, 0),
            9,
          );
          expect(p.volumeMl.value).toBeCloseTo(
            p.volumeMl.from.reduce((s, f) => s + f.value, 0),
            9,
          );
          expect(p.points.at(-1)!.alongM).toBeCloseTo(p.lengthM.value, 9);
        }
      }),
    );
  });

  test('a layout that was not validated is refused by name, not looped over', () => {
    const layout = layoutOf('motorcycle-front-disc');
    const looped: Layout = {
      ...layout,
      stretches: [
        ...layout.stretches,
        { ...layout.stretches[0]!, id: 'back', from: 'front-caliper', to: 'outlet' },
      ],
    };
    expect(() => paths(looped)).toThrow(/front/);
    const cut: Layout = { ...layout, stretches: layout.stretches.slice(1) };
    expect(() => paths(cut)).toThrow(/not joined/);
  });
});

describe('validation', () => {
  const base = layoutOf('hatchback-diagonal');
  const stretch = (id: string, change: Partial<Layout['stretches'][number]>): Layout => ({
    ...base,
    stretches: base.stretches.map((s) => (s.id === id ? { ...s, ...change } : s)),
  });
  const chambers = (change: (c: MasterChamber) => MasterChamber): Layout => ({
    ...base,
    masters: base.masters.map((m) => ({ ...m, chambers: m.chambers.map(change) })),
  });
  const codes = (layout: Layout) => validateLayout(layout).map((f) => `${f.code}:${f.element}`);

  test('any layout of the arbitrary has no fault', () => {
    fc.assert(fc.property(arbitraryLayout, (layout) => expect(validateLayout(layout)).toEqual([])));
  });

  test('a line of 40 m is refused with the line named and the range said', () => {
    const faults = validateLayout(stretch('left-rear-floor', { lengthMm: 40_000 }));
    expect(faults).toEqual([
      {
        code: 'range',
        element: 'left-rear-floor',
        sentence:
          'Line left rear, under the floor: length is 40000 mm; it should be between 10 and 15000 mm.',
      },
    ]);
  });

  test('a zero bore is refused, in a line and in the master', () => {
    expect(codes(stretch('left-rear-floor', { insideMm: 0 }))).toEqual(['range:left-rear-floor']);
    expect(codes(chambers((c) => (c.id === 'primary' ? { ...c, boreMm: 0 } : c)))).toEqual([
      'range:primary',
    ]);
  });

  test('a loop is refused once, at the stretch that closes it', () => {
    const layout: Layout = {
      ...base,
      stretches: [
        ...base.stretches,
        {
          ...base.stretches[0]!,
          id: 'across',
          name: 'Line across',
          from: 'left-front-bracket',
          to: 'right-front-bracket',
        },
      ],
    };
    const faults = validateLayout(layout);
    expect(faults.map((f) => f.code)).toEqual(['loop']);
    expect(faults[0]!.sentence).toContain('one stretch only');
  });

  test('an orphan bleeder is refused with the part that is not joined', () => {
    const layout: Layout = {
      ...base,
      stretches: base.stretches.filter((s) => s.id !== 'left-front-hose'),
    };
    expect(codes(layout).sort()).toEqual([
      'blind end:left-front-bracket',
      'orphan:left-front',
      'orphan:left-front-caliper',
    ]);
  });

  test('names that stand for nothing are refused', () => {
    expect(
      codes({
        ...base,
        bleeders: [{ ...base.bleeders[0]!, at: 'nowhere' }, ...base.bleeders.slice(1)],
      }),
    ).toContain('missing:left-front');
    expect(codes(stretch('left-rear-floor', { to: 'nowhere' }))).toContain(
      'missing:left-rear-floor',
    );
    expect(
      codes({ ...base, masters: base.masters.map((m) => ({ ...m, chambers: [] })) }),
    ).toContain('missing:master');
    expect(codes({ ...base, masters: [] })).toContain('missing:masters');
    expect(codes({ ...base, bleeders: [] })).toContain('missing:bleeders');
  });

  test('an id used twice and a port used twice are refused', () => {
    expect(codes({ ...base, bleeders: [...base.bleeders, base.bleeders[0]!] })).toContain(
      'duplicate:left-front',
    );
    expect(codes(chambers((c) => ({ ...c, port: 'primary-port' })))).toContain(
      'duplicate:primary-port',
    );
  });

  test('levels that do not rise are refused', () => {
    expect(
      codes({ ...base, reservoirs: base.reservoirs.map((b) => ({ ...b, minMl: b.maxMl })) }),
    ).toEqual(['level order:reservoir']);
    expect(codes(chambers((c) => ({ ...c, outlet: { ...c.outlet, airDrawnMl: 66 } })))).toEqual([
      'level order:reservoir',
    ]);
  });

  // A straight line between two points is the shortest: geometry.
  test('a line shorter than the height between its ends is refused with all three figures', () => {
    const faults = validateLayout(stretch('primary-feed', { lengthMm: 100 }));
    expect(faults).toMatchObject([{ code: 'too short', element: 'primary-feed' }]);
    expect(faults[0]!.sentence).toContain('differ by 120 mm');
  });

  test('two bleeders of the same name are refused, because the wrong one would be opened', () => {
    const twice: Layout = {
      ...base,
      bleeders: base.bleeders.map((b) => ({ ...b, place: 'left front' })),
    };
    expect(codes(twice)).toEqual([
      'duplicate:right-front',
      'duplicate:left-rear',
      'duplicate:right-rear',
    ]);
    expect(
      codes({
        ...twice,
        bleeders: twice.bleeders.map((b, i) => ({
          ...b,
          which: (['upper', 'lower', 'inner', 'outer'] as const)[i]!,
        })),
      }),
    ).toEqual([]);
  });

  test('the kind of ABS and the modulators must agree', () => {
    expect(codes({ ...base, abs: 'none' })).toEqual(['kind:modulator-primary']);
    expect(codes({ ...layoutOf('veteran-single'), abs: 'four-channel' })).toEqual(['kind:abs']);
    expect(
      codes({
        ...layoutOf('pickup-rear-abs'),
        bleeders: layoutOf('pickup-rear-abs').bleeders.filter((b) => b.place !== 'modulator'),
      }),
    ).toEqual(['kind:abs']);
  });

  test('half a differential valve that does not say which end it feeds is refused, and a reservoir that feeds nothing', () => {
    const estate = layoutOf('estate-front-rear');
    expect(
      codes({
        ...estate,
        nodes: estate.nodes.map((n) =>
          n.id === 'differential-front' && n.kind === 'valve' ? { ...n, end: null } : n,
        ),
      }),
    ).toEqual(['kind:differential-front']);
    expect(
      codes({ ...base, reservoirs: [...base.reservoirs, { ...base.reservoirs[0]!, id: 'spare' }] }),
    ).toContain('orphan:spare');
  });

  test('a size that is missing is refused, one that nobody need know is not', () => {
    const { lengthMm: _, ...noLength } = base.stretches[0]!;
    expect(
      codes({
        ...base,
        stretches: [noLength as Layout['stretches'][number], ...base.stretches.slice(1)],
      }),
    ).toContain('range:primary-feed');
    expect(base.bleeders.every((b) => b.fitting.listed.torqueNm === null)).toBe(true);
  });

  // Facts of the trade, common practice, no source: fluid runs down to its master, a clutch's slave hangs on the clutch.
  test('a reservoir stands above the master that it feeds, unless its own lid carries pressure', () => {
    const { heightMm } = base.masters[0]!;
    const reservoirAt = (mm: number, makerPressureKpa: number | null = null) => ({
      ...base,
      reservoirs: base.reservoirs.map((b) => ({ ...b, heightMm: mm, makerPressureKpa })),
    });
    expect(codes(reservoirAt(heightMm + 1))).toEqual([]);
    expect(codes(reservoirAt(heightMm))).toEqual(['place:reservoir']);
    expect(codes(reservoirAt(heightMm, 0))).toEqual(['place:reservoir']);
    expect(codes(reservoirAt(heightMm, 100))).toEqual([]);
    expect(validateLayout(reservoirAt(heightMm))[0]!.sentence).toContain('one of the two is wrong');
  });

  test('a slave of the clutch hangs on no brake chamber', () => {
    const clutch = layoutOf('clutch-external');
    expect(codes(clutch)).toEqual([]);
    const wrong: Layout = {
      ...clutch,
      masters: clutch.masters.map((m) => ({ ...m, system: 'brakes' as const })),
    };
    expect(codes(wrong)).toEqual(['place:slave']);
  });

  test('a cavity that its pistons do not explain is asked about, and refuses nothing', () => {
    for (const t of layoutTemplates)
      for (const side of t.driverSides) expect(layoutDoubts(t.build(side))).toEqual([]);
    // 54 mm across are 2290 mm²: 11.45 mL are 5 mm deep, 91.6 mL are 40 mm.
    const front = (cavityMl: number, more = {}) => {
      const layout: Layout = {
        ...base,
        nodes: base.nodes.map((n) =>
          n.id === 'left-front-caliper' && 'cavityMl' in n
            ? { ...n, cavityMl, pistonMm: 54, pistons: 1, ...more }
            : n,
        ),
      };
      expect(validateLayout(layout)).toEqual([]);
      return layoutDoubts(layout).map((d) => d.element);
    };
    expect(front(11.5)).toEqual([]);
    expect(front(11.4)).toEqual(['left-front-caliper']);
    expect(front(91.6)).toEqual([]);
    expect(front(91.7)).toEqual(['left-front-caliper']);
    expect(front(91.7, { pistons: 2 })).toEqual([]);
    const clutch = layoutOf('clutch-external');
    const slave = (cavityMl: number) =>
      layoutDoubts({
        ...clutch,
        nodes: clutch.nodes.map((n) =>
          n.kind === 'slave' ? { ...n, cavityMl, pistonMm: 20, pistons: 1 } : n,
        ),
      }).map((d) => d.element);
    // 20 mm across are 314 mm²: 25.1 mL are 80 mm deep.
    expect(slave(25.1)).toEqual([]);
    expect(slave(25.2)).toEqual(['slave']);
    expect(layoutDoubts(layoutOf('clutch-external'))).toEqual([]);
  });

  test('every fault comes at once', () => {
    const layout: Layout = {
      ...stretch('left-rear-floor', { insideMm: 0, lengthMm: 40_000 }),
      bleeders: [],
    };
    expect(codes(layout)).toEqual(
      expect.arrayContaining(['range:left-rear-floor', 'missing:bleeders']),
    );
    expect(codes(layout).filter((c) => c === 'range:left-rear-floor')).toHaveLength(2);
  });

  test('both ends of a range are allowed, what lies beyond and what is no number is not', () => {
    for (const range of Object.values(RANGES)) {
      expect(rangeFault(range, range.least)).toBeNull();
      expect(rangeFault(range, range.most)).toBeNull();
      for (const bad of [range.least - 0.01, range.most + 0.01, NaN])
        expect(rangeFault(range, bad)).toContain('it should be between');
    }
    expect(rangeFault(RANGES.boreMm, 2)).toBe('bore is 2 mm; it should be between 8 and 40 mm');
  });
});
