import fc from 'fast-check';
import { chambersOf, highestOutletMl, paths } from '../../vehicle/circuit';
import {
  findScope,
  routineFlush,
  type WorkDone,
  insideAtStart,
  type InsideFacts,
} from '../../bleed/scope';
import { afterWork, allMasters, arbitraryLayout, carefulMaster, layoutOf } from '../../testing';
import { CircuitFluid } from '../../hydraulics/washout';
import {
  carriedOver,
  changedBy,
  emptied,
  emptiesOf,
  emptyOnWayMl,
  fillsInside,
  merged,
  newShareOf,
  oldMl,
  oldestPart,
  partAges,
  pocketsOf,
  scaled,
  swallow,
  toFillMl,
  volumeMl,
  volumesMl,
  wayTo,
  type Content,
  type Inside,
} from '.';

const HATCHBACK = layoutOf('hatchback-diagonal');
const startOf = (work: WorkDone, more: Partial<InsideFacts> = {}): Inside => {
  const { layout = HATCHBACK } = more;
  return insideAtStart({
    layout,
    work,
    air: new Set(findScope(layout, work).air.keys()),
    before: null,
    inSystem: 'DOT 4',
    benched: [],
    benchedSets: [],
    ...more,
  });
};
const flush = startOf(routineFlush(['master']));
const dry: WorkDone = { ...routineFlush(['master']), purpose: 'new or dry' };
const part = (partId: string, newPart: boolean, more = {}): WorkDone =>
  afterWork(HATCHBACK, {
    parts: [{ partId, cappedAtOnce: true, keptFull: true, newPart, ...more }],
  });
const volume = volumesMl(HATCHBACK);
const aboutHatchback = (of: Inside, id: string) => [
  oldMl(of[id]!),
  of[id]!.newMl,
  toFillMl(of[id]!),
];

describe('what is inside when a job begins', () => {
  test('a flush: old fluid of the grade that was named, reservoir at MAX, nobody knows since when', () => {
    expect(flush['left-front-caliper']!.old).toEqual([
      { lot: { grade: 'DOT 4', filledAtMs: null }, ml: volume.get('left-front-caliper') },
    ]);
    expect(aboutHatchback(flush, 'reservoir')).toEqual([220, 0, 0]);
    expect(Object.values(flush).every((c) => toFillMl(c) === 0 && !c.mayHoldAir)).toBe(true);
    expect(Object.keys(flush).sort()).toEqual([...volume.keys()].sort());
  });

  test('a new part is empty, an old one that was off is unknown, what hangs on it may hold air', () => {
    const fresh = startOf(part('left-front-hose', true));
    const back = startOf(part('left-front-hose', false));
    expect(fresh['left-front-hose']).toMatchObject({ old: [], unknownMl: 0, mayHoldAir: true });
    expect(fresh['left-front-hose']!.emptyMl).toBe(volume.get('left-front-hose'));
    expect(back['left-front-hose']).toMatchObject({ old: [], emptyMl: 0 });
    expect(back['left-front-hose']!.unknownMl).toBe(volume.get('left-front-hose'));
    expect(fresh['left-front-caliper']).toMatchObject({ mayHoldAir: true, emptyMl: 0 });
    expect(fresh['right-front-caliper']!.mayHoldAir).toBe(false);
    expect(toFillMl(fresh['right-front-caliper']!)).toBe(0);
  });

  test('a new or dry system is empty everywhere, its reservoir and the pockets of its modulator too', () => {
    const empty = startOf(dry);
    for (const [id, ml] of volume) expect(empty[id]!.emptyMl).toBe(ml);
    // Only of the masters in hand: a dry clutch leaves the brakes full.
    const van = layoutOf('sidecar-outfit');
    const [first, second] = van.masters;
    const one = startOf({ ...routineFlush([first!.id]), purpose: 'new or dry' }, { layout: van });
    expect(toFillMl(one[first!.chambers[0]!.id]!)).toBeGreaterThan(0);
    expect(toFillMl(one[second!.chambers[0]!.id]!)).toBe(0);
  });

  test('a benched master is full of new fluid, one that is primed in place is empty', () => {
    const work = afterWork(HATCHBACK, { master: carefulMaster() });
    const chambers = chambersOf(HATCHBACK).map((c) => c.chamber.id);
    for (const id of chambers) {
      expect(aboutHatchback(startOf(work, { benched: ['master'] }), id)).toEqual([
        0,
        volume.get(id),
        0,
      ]);
      expect(aboutHatchback(startOf(work), id)).toEqual([0, 0, volume.get(id)]);
    }
    // On a flush nobody touched it.
    expect(oldMl(flush[chambers[0]!]!)).toBe(volume.get(chambers[0]!));
  });

  test('a clutch set that lay on the bench as one is full to its slave', () => {
    const clutch = layoutOf('motorcycle-clutch-bare');
    const set = startOf(
      { ...routineFlush(allMasters(clutch)), purpose: 'new or dry' },
      { layout: clutch, benched: allMasters(clutch), benchedSets: allMasters(clutch) },
    );
    const way = wayTo(clutch, clutch.bleeders[0]!.id);
    expect(emptyOnWayMl(emptiesOf(clutch, set), way)).toBe(0);
    expect(set.reservoir!.emptyMl).toBe(volumesMl(clutch).get('reservoir'));
  });

  test('after "ran dry" everything behind that outlet may hold air and counts as full', () => {
    const low = startOf(
      afterWork(HATCHBACK, { lowest: [{ reservoirId: 'reservoir', belowMaxMm: 300 }] }),
    );
    for (const id of wayTo(HATCHBACK, 'left-rear'))
      if (low[id]) expect(low[id]).toMatchObject({ mayHoldAir: true, emptyMl: 0 });
  });

  test('what the last job left is where it begins: another size is taken pro rata, a new part of the layout is unknown', () => {
    const lot = { grade: 'DOT 4', filledAtMs: 5 } as const;
    const half: Inside = Object.fromEntries(
      Object.entries(flush).map(([id, c]) => [
        id,
        { ...c, old: [{ lot, ml: oldMl(c) / 4 }, ...c.old.map((p) => ({ ...p, ml: p.ml / 4 }))] },
      ]),
    );
    const { 'left-front-hose': _, ...without } = half;
    const next = startOf(routineFlush(['master']), { before: without });
    const caliper = next['left-front-caliper']!;
    expect(caliper.old.map((p) => p.lot.filledAtMs)).toEqual([5, null]);
    expect(oldMl(caliper)).toBeCloseTo(volume.get('left-front-caliper')!, 9);
    expect(caliper.old[0]!.ml).toBeCloseTo(caliper.old[1]!.ml, 9);
    expect(next['left-front-hose']!.unknownMl).toBe(volume.get('left-front-hose'));
    expect(next['left-front-hose']!.mayHoldAir).toBe(true);
    // A reservoir that no record knows stands at MAX.
    const { reservoir: __, ...withoutReservoir } = half;
    expect(startOf(routineFlush(['master']), { before: withoutReservoir }).reservoir!.emptyMl).toBe(
      0,
    );
  });

  test('whatever the work, the parts add up to what the elements hold, and air is named only where scope or record say so', () => {
    fc.assert(
      fc.property(
        arbitraryLayout,
        fc.constantFrom('routine flush', 'new or dry', 'after work', 'soft pedal'),
        fc.nat(),
        fc.boolean(),
        fc.boolean(),
        (layout, purpose, pick, newPart, benched) => {
          const ids = layout.stretches.map((s) => s.id);
          const work: WorkDone = {
            ...routineFlush(allMasters(layout)),
            purpose: purpose as WorkDone['purpose'],
            parts:
              purpose === 'after work'
                ? [{ partId: ids[pick % ids.length]!, cappedAtOnce: true, keptFull: true, newPart }]
                : [],
          };
          const start = startOf(work, { layout, benched: benched ? allMasters(layout) : [] });
          for (const [id, ml] of volumesMl(layout)) {
            expect(volumeMl(start[id]!)).toBeCloseTo(ml, 9);
            for (const part of [oldMl(start[id]!), start[id]!.newMl, toFillMl(start[id]!)])
              expect(part).toBeGreaterThanOrEqual(0);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('a way is filled before anything passes', () => {
  test('nearest to where the fluid comes from first; only the rest passes', () => {
    const way = ['chamber', 'line', 'caliper'];
    const empties = { line: 20, caliper: 30, elsewhere: 9 };
    expect(swallow(empties, way, 25)).toEqual({
      empties: { caliper: 25, elsewhere: 9 },
      passedMl: 0,
    });
    expect(swallow(empties, way, 50)).toEqual({ empties: { elsewhere: 9 }, passedMl: 0 });
    expect(swallow(empties, way, 58)).toEqual({ empties: { elsewhere: 9 }, passedMl: 8 });
    expect(swallow(empties, [...way].reverse(), 25)).toEqual({
      empties: { line: 20, caliper: 5, elsewhere: 9 },
      passedMl: 0,
    });
    expect(swallow({}, way, 7)).toEqual({ empties: {}, passedMl: 7 });
  });

  test('what is as small as rounding is neither a hollow nor a flow; where nothing is empty nothing is copied', () => {
    // Exactly as much as rounding may leave, 1e-9 mL, and more.
    expect(swallow({ a: 1e-9, b: 2e-9 }, ['a', 'b'], 0)).toEqual({
      empties: { b: 2e-9 },
      passedMl: 0,
    });
    expect(swallow({ a: 1e-9 }, ['a'], 2e-9)).toEqual({ empties: {}, passedMl: 0 });
    expect(swallow({ a: 1e-9 }, ['a'], 4e-9).passedMl).toBeCloseTo(3e-9, 12);
    const full = { elsewhere: 9 };
    expect(swallow(full, ['a'], 3).empties).toBe(full);
  });

  test('a way names each part from the chamber to the bleeder, once, and is found once', () => {
    const bare = layoutOf('motorcycle-clutch-bare');
    const [bleeder] = bare.bleeders;
    expect(wayTo(bare, bleeder!.id)).toEqual([
      'clutch-chamber',
      'outlet',
      'upper',
      'head',
      'lower',
      'slave',
    ]);
    expect(wayTo(HATCHBACK, 'left-front')).toBe(wayTo(HATCHBACK, 'left-front'));
    expect(wayTo(HATCHBACK, 'no such bleeder')).toEqual([]);
  });

  test('where all is full nothing is empty; what came off is, as large as it is', () => {
    expect(emptiesOf(HATCHBACK, flush)).toEqual({});
    const hoseMl = volume.get('left-front-hose')!;
    const before = { 'left-rear-caliper': 3 };
    expect(emptied(HATCHBACK, before, ['left-front-hose', 'no such part'])).toEqual({
      ...before,
      'left-front-hose': hoseMl,
    });
    expect(before).toEqual({ 'left-rear-caliper': 3 });
  });

  test('reservoirs and closed pockets are on no way', () => {
    const empty = startOf(dry);
    expect(empty.reservoir!.emptyMl).toBe(220);
    const pockets = HATCHBACK.nodes
      .filter((n) => n.kind === 'modulator')
      .map((n) => pocketsOf(n.id));
    expect(pockets.every((id) => empty[id]!.emptyMl > 0)).toBe(true);
    const empties = emptiesOf(HATCHBACK, empty);
    for (const id of ['reservoir', ...pockets]) expect(empties[id]).toBeUndefined();
  });

  // Common practice, no source: a dry car's first line and caliper take 40 to 80 mL before the jar shows a mark, 60 to 120 with a dry modulator and master [M].
  test('a dry car’s first wheel takes what the trade says it takes', () => {
    const empties = emptiesOf(HATCHBACK, startOf(dry));
    for (const { bleeder } of paths(HATCHBACK)) {
      const way = wayTo(HATCHBACK, bleeder.id);
      const fillMl = emptyOnWayMl(empties, way);
      expect(fillMl).toBeGreaterThan(40);
      expect(fillMl).toBeLessThan(120);
    }
    const benched = emptiesOf(HATCHBACK, startOf(dry, { benched: ['master'] }));
    const front = wayTo(HATCHBACK, 'left-front');
    expect(emptyOnWayMl(benched, front)).toBeGreaterThan(40);
    expect(emptyOnWayMl(benched, front)).toBeLessThan(80);
  });

  test('the simulation swallows the same, leaves the jar dry until then, and a dry way filled with new fluid runs new at once', () => {
    const start = startOf(dry, { benched: ['master'] });
    const fluid = new CircuitFluid(HATCHBACK, start);
    const way = wayTo(HATCHBACK, 'left-rear');
    const fillMl = emptyOnWayMl(emptiesOf(HATCHBACK, start), way);
    expect(fluid.emptyOnWayMl('left-rear')).toBeCloseTo(fillMl, 9);
    expect(fluid.fillReservoir('reservoir', 220)).toBe(220);
    expect(fluid.bleed('left-rear', fillMl - 1)).toBe(0);
    expect(fluid.newFluidMl().bled).toBe(0);
    expect(fluid.emptyOnWayMl('left-rear')).toBeCloseTo(1, 9);
    expect(fluid.bleed('left-rear', 11)).toBeCloseTo(1, 9);
    expect(fluid.newFluidMl().bled).toBeCloseTo(10, 9);
    expect(fluid.oldInLinesMl()).toBeCloseTo(0, 9);
  });

  test('a part that is half empty mixes as it fills, and carries nothing on before', () => {
    const start: Inside = {
      ...flush,
      'left-rear-caliper': {
        ...flush['left-rear-caliper']!,
        old: [],
        emptyMl: volume.get('left-rear-caliper')!,
      },
    };
    const fluid = new CircuitFluid(HATCHBACK, start);
    fluid.emptyReservoir('reservoir');
    fluid.fillReservoir('reservoir', 220);
    const caliperMl = volume.get('left-rear-caliper')!;
    fluid.bleed('left-rear', caliperMl / 2);
    const half = fluid.inside()['left-rear-caliper']!;
    // What came so far is what stood upstream: old fluid.
    expect(oldMl(half)).toBeCloseTo(caliperMl / 2, 1);
    expect(toFillMl(half)).toBeCloseTo(caliperMl / 2, 9);
    fluid.bleed('left-rear', caliperMl / 2);
    expect(fluid.emptyOnWayMl('left-rear')).toBe(0);
  });

  test('from below it fills from the bleeder up, with what the syringe holds', () => {
    const fluid = new CircuitFluid(HATCHBACK, startOf(dry));
    const caliperMl = volume.get('left-rear-caliper')!;
    fluid.pushUp('left-rear', caliperMl);
    expect(toFillMl(fluid.inside()['left-rear-caliper']!)).toBe(0);
    expect(newShareOf(fluid.inside()['left-rear-caliper']!)).toBe(1);
    const chamber = wayTo(HATCHBACK, 'left-rear')[0]!;
    expect(toFillMl(fluid.inside()[chamber]!)).toBe(volume.get(chamber));
    fluid.pushUp('left-rear', 500);
    expect(fluid.emptyOnWayMl('left-rear')).toBe(0);
  });

  test('a part that comes off is empty, and its neighbours keep what they hold', () => {
    const fluid = new CircuitFluid(HATCHBACK, flush);
    fluid.comesOff('left-front-hose');
    fluid.comesOff('no such part');
    const now = fluid.inside();
    expect(now['left-front-hose']!.emptyMl).toBeCloseTo(volume.get('left-front-hose')!, 9);
    expect(oldMl(now['left-front-caliper']!)).toBeCloseTo(volume.get('left-front-caliper')!, 9);
    expect(fluid.emptyOnWayMl('left-front')).toBeCloseTo(volume.get('left-front-hose')!, 9);
    expect(fluid.emptyOnWayMl('left-rear')).toBe(0);
  });

  test('a hollow smaller than anything that can be measured is none', () => {
    for (const ml of [Number.MIN_VALUE, 1e-15, 1e-10]) {
      const fluid = new CircuitFluid(HATCHBACK, {
        ...flush,
        'left-front-caliper': { ...flush['left-front-caliper']!, emptyMl: ml },
      });
      const whole = new CircuitFluid(HATCHBACK, flush);
      for (const f of [fluid, whole]) f.bleed('left-front', 60);
      expect(fluid.outletNewShare('left-front')).toBeCloseTo(whole.outletNewShare('left-front'), 8);
    }
  });

  test('whatever is empty, what goes in is what is inside and what came out', () => {
    fc.assert(
      fc.property(
        arbitraryLayout,
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 40, maxLength: 40 }),
        fc.array(fc.tuple(fc.nat(), fc.double({ min: 0.5, max: 20, noNaN: true })), {
          minLength: 1,
          maxLength: 25,
        }),
        (layout, shares, draws) => {
          const reservoirs = new Set(layout.reservoirs.map((b) => b.id));
          const start: Inside = Object.fromEntries(
            [...volumesMl(layout)].map(([id, ml], i): [string, Content] => {
              const empty = reservoirs.has(id)
                ? 0
                : (shares[i % 40]! > 0.5 ? shares[(i + 1) % 40]! : 0) * ml;
              const lot = { grade: 'DOT 4', filledAtMs: null } as const;
              return [
                id,
                {
                  old: [{ lot, ml: ml - empty }],
                  newMl: 0,
                  emptyMl: empty,
                  unknownMl: 0,
                  mayHoldAir: false,
                },
              ];
            }),
          );
          const fluid = new CircuitFluid(layout, start);
          let empties = emptiesOf(layout, start);
          let pouredMl = 0;
          for (const b of layout.reservoirs) fluid.emptyReservoir(b.id);
          for (const b of layout.reservoirs) pouredMl += fluid.fillReservoir(b.id, b.maxMl);
          for (const [pick, ml] of draws) {
            const { id } = layout.bleeders[pick % layout.bleeders.length]!;
            const reservoirId = paths(layout).find((p) => p.bleeder.id === id)!.chamber.fedBy;
            const room = fluid.levelMl(reservoirId) - highestOutletMl(layout, reservoirId);
            if (room < ml)
              pouredMl += fluid.fillReservoir(
                reservoirId,
                layout.reservoirs.find((b) => b.id === reservoirId)!.maxMl,
              );
            fluid.bleed(id, Math.min(ml, room < ml ? 20 : room));
            empties = swallow(
              empties,
              wayTo(layout, id),
              Math.min(ml, room < ml ? 20 : room),
            ).empties;
            // The ledger of the run and the simulation of the picture say the same.
            for (const b of layout.bleeders)
              expect(fluid.emptyOnWayMl(b.id)).toBeCloseTo(
                emptyOnWayMl(empties, wayTo(layout, b.id)),
                6,
              );
          }
          const { lines, reservoirs: inReservoirs, bled } = fluid.newFluidMl();
          expect(lines + inReservoirs + bled).toBeCloseTo(pouredMl, 6);
          const now = fluid.inside();
          for (const [id, ml] of volumesMl(layout)) {
            expect(volumeMl(now[id]!)).toBeCloseTo(ml, 6);
            expect(oldMl(now[id]!)).toBeGreaterThanOrEqual(-1e-9);
            expect(oldMl(now[id]!)).toBeLessThanOrEqual(ml + 1e-9);
            expect(now[id]!.newMl).toBeGreaterThanOrEqual(-1e-9);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('what one part holds', () => {
  const content: Content = {
    old: [{ lot: { grade: 'DOT 4', filledAtMs: 1 }, ml: 1 }],
    newMl: 3,
    emptyMl: 4,
    unknownMl: 5,
    mayHoldAir: true,
  };

  test('the new share is of the fluid alone', () => {
    expect(newShareOf(content)).toBe(0.75);
    expect(newShareOf({ ...content, newMl: 0 })).toBe(0);
    expect(newShareOf({ ...content, old: [], newMl: 0 })).toBe(0);
    expect(newShareOf({ ...content, old: [] })).toBe(1);
  });

  test('in a part twice as large there is twice as much of each, and bubbles as before', () => {
    expect(scaled(content, 2)).toEqual({
      old: [{ lot: { grade: 'DOT 4', filledAtMs: 1 }, ml: 2 }],
      newMl: 6,
      emptyMl: 8,
      unknownMl: 10,
      mayHoldAir: true,
    });
    expect(volumeMl(scaled(content, 2))).toBe(26);
  });

  test('every stretch, part and chamber has its volume; pockets only where a modulator has some', () => {
    const unit = HATCHBACK.nodes.find((n) => n.kind === 'modulator')!;
    expect(volume.get(pocketsOf(unit.id))).toBe((unit as { pocketsMl: number }).pocketsMl);
    const open = {
      ...HATCHBACK,
      nodes: HATCHBACK.nodes.map((n) => (n.kind === 'modulator' ? { ...n, pocketsMl: 0 } : n)),
    };
    const without = [...volumesMl(open).keys()];
    expect(without).toEqual([...volume.keys()].filter((id) => !id.endsWith('/pockets')));
    expect(without.length).toBeLessThan(volume.size);
  });

  test('the same fill is said once, the most first; a trace goes to the largest, and nothing is no fill', () => {
    const of = (...parts: [atMs: number, ml: number][]) =>
      parts.map(([filledAtMs, ml]) => ({ lot: { grade: 'DOT 4' as const, filledAtMs }, ml }));
    expect(merged(of([1, 4], [2, 10], [1, 3], [3, 0.006]))).toEqual(of([2, 10.006], [1, 7]));
    // 0.01 mL is kept, less is a trace; a lone trace is all that there is.
    expect(merged(of([1, 4], [2, 0.01]))).toEqual(of([1, 4], [2, 0.01]));
    expect(merged(of([1, 0.006]))).toEqual(of([1, 0.006]));
    expect(merged(of([1, 0]))).toEqual([]);
    expect(merged([])).toEqual([]);
  });
});

describe('fills, and how old the fluid is', () => {
  const lot = (filledAtMs: number | null) => ({ grade: 'DOT 4', filledAtMs }) as const;
  const sinceMs = (content: Content) => changedBy(content)?.filledAtMs ?? null;
  const of = (...parts: [atMs: number | null, ml: number][]): Content => ({
    old: parts.map(([atMs, ml]) => ({ lot: lot(atMs), ml })),
    newMl: 0,
    emptyMl: 0,
    unknownMl: 0,
    mayHoldAir: false,
  });

  test('a part counts as changed since the youngest fill that four fifths of it are no older than', () => {
    expect(sinceMs(of([9, 80], [1, 20]))).toBe(9);
    expect(sinceMs(of([9, 79], [1, 21]))).toBe(1);
    expect(sinceMs(of([9, 40], [5, 40], [1, 20]))).toBe(5);
    expect(sinceMs(of([9, 79], [null, 21]))).toBeNull();
    expect(sinceMs(of([9, 80], [null, 20]))).toBe(9);
    expect(sinceMs({ ...of(), emptyMl: 30 })).toBeNull();
    // In whatever order they are said; of nothing there is no fill.
    expect(sinceMs(of([1, 20], [5, 40], [9, 40]))).toBe(5);
    expect(sinceMs(of([1, 80], [9, 20]))).toBe(1);
    expect(sinceMs(of([9, 0]))).toBeNull();
  });

  test('new fluid is one more fill of the past; the same fill is said once, traces go to the largest', () => {
    const next = carriedOver({ a: { ...of([1, 10], [1, 5]), newMl: 20 }, b: of([2, 7]) }, lot(8));
    expect(next.a!.old).toEqual([
      { lot: lot(8), ml: 20 },
      { lot: lot(1), ml: 15 },
    ]);
    expect(next.a!.newMl).toBe(0);
    expect(next.b!.old).toEqual(of([2, 7]).old);
    const traces = carriedOver({ a: { ...of([1, 10], [2, 0.009]), newMl: 0 } }, lot(8)).a!.old;
    expect(traces).toEqual([{ lot: lot(1), ml: 10.009 }]);
  });

  test('the oldest part of the brakes comes first, unknown before all; a clutch counts only where there are no brakes', () => {
    const van = layoutOf('clutch-concentric');
    const all = (atMs: number | null): Inside =>
      Object.fromEntries([...volumesMl(van)].map(([id, ml]) => [id, of([atMs, ml])]));
    const wheels = partAges(van, all(4)).map((p) => p.elementId);
    expect(wheels.length).toBeGreaterThan(1);
    expect(wheels.every((id) => van.nodes.find((n) => n.id === id)!.kind !== 'slave')).toBe(true);
    const late = wheels[2]!;
    const old = { ...all(4), [late]: of([2, 30]) };
    expect(partAges(van, old)[0]).toMatchObject({ elementId: late, since: lot(2) });
    expect(partAges(van, { ...old, [wheels[1]!]: of([null, 30]) })[0]).toMatchObject({
      elementId: wheels[1],
      since: null,
    });
    expect(oldestPart(van, old)).toEqual(partAges(van, old)[0]);
    const { [late]: gone, ...less } = old;
    expect(gone).toBeDefined();
    expect(partAges(van, less).map((p) => p.elementId)).not.toContain(late);
    for (const none of [null, {}]) expect(oldestPart(van, none)).toBeNull();
    const alone = layoutOf('motorcycle-clutch-bare');
    const slave = Object.fromEntries([...volumesMl(alone)].map(([id, ml]) => [id, of([3, ml])]));
    expect(partAges(alone, slave).map((p) => p.since)).toEqual([lot(3)]);
  });

  test('the sum over the lines leaves the reservoirs out', () => {
    const inside = { ...flush, reservoir: of([1, 220]) };
    const fills = fillsInside(HATCHBACK, inside);
    expect(fills.map((f) => f.share.value)).toEqual([100]);
    const inLines = fills.reduce((sum, p) => sum + p.ml, 0);
    const expected = [...volume].reduce((sum, [id, ml]) => sum + (id === 'reservoir' ? 0 : ml), 0);
    expect(inLines).toBeCloseTo(expected, 9);
    const half = { ...inside, 'left-front-hose': of([7, volume.get('left-front-hose')!]) };
    const [most, least] = fillsInside(HATCHBACK, half);
    expect(most!.share.value + least!.share.value).toBeCloseTo(100, 9);
    expect(least!.lot.filledAtMs).toBe(7);
    // The share opens to what it was divided out of.
    expect(least!.share.from.map((f) => f.value)).toEqual([least!.ml, expect.closeTo(expected, 9)]);
    expect(least!.share.value).toBeCloseTo((100 * volume.get('left-front-hose')!) / expected, 9);
  });

  test('old fluid that is left is of the fills of its part, pro rata', () => {
    const start = { ...flush, 'left-rear-caliper': of([5, 15], [1, 5]) };
    const fluid = new CircuitFluid(HATCHBACK, start);
    fluid.emptyReservoir('reservoir');
    fluid.fillReservoir('reservoir', 220);
    fluid.bleed('left-rear', 90);
    const left = fluid.inside()['left-rear-caliper']!.old;
    expect(left[0]!.ml / left[1]!.ml).toBeCloseTo(3, 9);
  });
});
