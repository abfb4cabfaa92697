import fc from 'fast-check';
import { arbitraryLayout, layoutOf } from '../../testing';
import {
  addBleeder,
  addReservoir,
  addChamber,
  addEnd,
  addMaster,
  blankLayout,
  ENDS,
  endsFor,
  INSERTS,
  insertInto,
  mirrored,
  moveInto,
  paths,
  removeElement,
  setFeed,
  setOption,
  setSize,
  setThread,
  SIZE_FIELDS,
  sizedThings,
  sizesOf,
  validateLayout,
  type Layout,
} from '.';
import { layoutTemplates } from './templates';

const total = (layout: Layout) => layout.stretches.reduce((sum, s) => sum + s.lengthMm, 0);
const hatchback = layoutOf('hatchback-diagonal');

describe('what must hold after any edit of a good layout', () => {
  const picked = fc.tuple(arbitraryLayout, fc.nat());

  test('a point put into a line leaves it as long, and taken out again gives the same layout', () => {
    fc.assert(
      fc.property(
        picked,
        fc.constantFrom('joint' as const, 'valve' as const),
        ([layout, pick], kind) => {
          const stretch = layout.stretches[pick % layout.stretches.length]!;
          const made = insertInto(layout, stretch.id, kind);
          expect(validateLayout(made.layout).filter((f) => f.code !== 'too short')).toEqual([]);
          expect(total(made.layout)).toBe(total(layout));
          expect(removeElement(made.layout, made.element)).toEqual(layout);
        },
      ),
    );
  });

  test('a new end brings its bleeder and is reached; taken out again it is gone', () => {
    fc.assert(
      fc.property(picked, fc.constantFrom(...ENDS), ([layout, pick], kind) => {
        const from = layout.nodes[pick % layout.nodes.length]!;
        const made = addEnd(layout, from.id, kind);
        // These are brakes: a slave of a clutch is told off there, and nothing else is wrong.
        expect(validateLayout(made.layout).map((f) => f.code)).toEqual(
          kind === 'slave' ? ['place'] : [],
        );
        expect(endsFor(layout, from.id).includes(kind)).toBe(kind !== 'slave');
        expect(paths(made.layout)).toHaveLength(layout.bleeders.length + 1);
        expect(removeElement(made.layout, made.element)).toEqual(layout);
      }),
    );
  });

  test('whatever is taken out, nothing hangs in the air', () => {
    fc.assert(
      fc.property(picked, ([layout, pick]) => {
        const things = [
          ...layout.nodes.filter((n) => n.kind !== 'port'),
          ...layout.stretches,
          ...layout.bleeders,
        ];
        const rest = removeElement(layout, things[pick % things.length]!.id);
        expect(
          validateLayout(rest).filter((f) => ['orphan', 'loop', 'duplicate'].includes(f.code)),
        ).toEqual([]);
        const [nodes, ends] = [
          new Set(rest.nodes.map((n) => n.id)),
          [...rest.stretches.flatMap((s) => [s.from, s.to]), ...rest.bleeders.map((b) => b.at)],
        ];
        expect(ends.filter((e) => !nodes.has(e))).toEqual([]);
      }),
    );
  });

  test('a layout mirrored twice is the same, and mirrored once still good', () => {
    for (const t of layoutTemplates) {
      const layout = t.build(t.driverSides[0]!);
      expect(mirrored(mirrored(layout))).toEqual(layout);
      expect(validateLayout(mirrored(layout))).toEqual([]);
    }
  });
});

test('mirroring exchanges the sides, so that the order turns round by itself', () => {
  const far = (layout: Layout) =>
    [...paths(layout)].sort((a, b) => b.lengthM.value - a.lengthM.value)[0]!.bleeder.place;
  expect(far(hatchback)).toBe('left rear');
  expect(far(mirrored(hatchback))).toBe('right rear');
  expect(mirrored(hatchback).driverSide).toBe('left');
});

test('every size of every kind of thing can be set, and is what the checks then see', () => {
  for (const t of layoutTemplates) {
    const layout = t.build(t.driverSides[0]!);
    for (const thing of sizedThings(layout)) {
      for (const field of SIZE_FIELDS[thing.kind]) {
        const changed = setSize(layout, thing, field.key, -1);
        expect(
          validateLayout(changed).some((f) => f.element === thing.element && f.code === 'range'),
        ).toBe(true);
      }
    }
  }
});

test('what was found on a fitting wins over what was listed', () => {
  const changed = setSize(hatchback, { kind: 'fitting', element: 'left-front' }, 'wrenchMm', 11);
  const { fitting } = changed.bleeders.find((b) => b.id === 'left-front')!;
  expect(fitting.listed.wrenchMm).toBe(10);
  expect(sizesOf(fitting).wrenchMm).toBe(11);
});

test('the modulator is moved with its bleeder, and the line that it leaves is whole again', () => {
  const pickup = layoutOf('pickup-rear-abs');
  const moved = moveInto(pickup, 'rear-modulator', 'rear-hose').layout;
  expect(validateLayout(moved)).toEqual([]);
  expect(total(moved)).toBe(total(pickup));
  expect(moved.bleeders.find((b) => b.place === 'modulator')!.at).toBe('rear-modulator');
  const before = (layout: Layout) =>
    paths(layout).find((p) => p.bleeder.place === 'modulator')!.lengthM.value;
  expect(before(moved)).toBeGreaterThan(before(pickup));
});

test('a modulator put in says that there is ABS, the last one taken out that there is none', () => {
  const made = insertInto(layoutOf('motorcycle-front-disc'), 'upper-hose', 'modulator');
  expect(made.layout.abs).toBe('in the open path');
  expect(validateLayout(made.layout)).toEqual([]);
  expect(removeElement(made.layout, made.element).abs).toBe('none');
  expect(INSERTS).toContain('modulator');
});

test('a master comes with all that makes it good, and goes with all that it alone fed', () => {
  for (const system of ['brakes', 'clutch'] as const) {
    const made = addMaster(hatchback, system);
    expect(validateLayout(made.layout)).toEqual([]);
    expect(made.layout.masters.at(-1)!.system).toBe(system);
    expect(removeElement(made.layout, made.element)).toEqual(hatchback);
  }
  // A reservoir that another still draws from stays.
  const van = layoutOf('clutch-concentric');
  const rest = removeElement(van, 'clutch-master');
  expect(rest.reservoirs).toHaveLength(1);
  expect(validateLayout(rest)).toEqual([]);
});

test('a drawing may begin with nothing but a master, a line and a wheel, and grows from there', () => {
  for (const [vehicleKind, driverSide] of [
    ['car', 'right'],
    ['motorcycle', 'middle'],
  ] as const) {
    const blank = blankLayout({ name: 'From a drawing', vehicleKind, driverSide });
    expect(validateLayout(blank)).toEqual([]);
    expect([blank.reservoirs, blank.masters, blank.bleeders].map((l) => l.length)).toEqual([
      1, 1, 1,
    ]);
    const tandem = addChamber(blank, blank.masters[0]!.id);
    expect(validateLayout(tandem.layout)).toEqual([]);
    expect(paths(tandem.layout)).toHaveLength(2);
    expect(removeElement(tandem.layout, tandem.element)).toEqual(blank);
  }
});

test('chambers share a reservoir or have their own, and one that feeds nothing goes', () => {
  const tandem = addChamber(
    blankLayout({ name: 'x', vehicleKind: 'car', driverSide: 'left' }),
    'master-1',
  );
  const divided = addReservoir(tandem.layout, tandem.element);
  expect(divided.layout.reservoirs).toHaveLength(2);
  expect(validateLayout(divided.layout)).toEqual([]);
  expect(setFeed(divided.layout, tandem.element, 'reservoir-1')).toEqual(tandem.layout);
});

test('a thread that was found wins over the listed one, at a bleeder and at a nut that nobody had looked at', () => {
  const at = setThread(setThread(hatchback, 'left-front', 'M10×1'), 'left-rear-floor', 'M12×1');
  expect(sizesOf(at.bleeders.find((b) => b.id === 'left-front')!.fitting).thread).toBe('M10×1');
  expect(sizesOf(at.stretches.find((s) => s.id === 'left-rear-floor')!.nut!).thread).toBe('M12×1');
  expect(validateLayout(at)).toEqual([]);
  expect(
    sizesOf(setThread(at, 'left-front', null).bleeders.find((b) => b.id === 'left-front')!.fitting)
      .thread,
  ).toBeNull();
});

test('a second bleeder on a part gets a name of its own', () => {
  const made = addBleeder(hatchback, 'left-front-caliper', 'left front');
  expect(made.layout.bleeders.at(-1)!.which).toBe('outer');
  expect(validateLayout(made.layout)).toEqual([]);
  expect(setOption(made.layout, 'left-front', { which: 'inner' }).bleeders[0]!.which).toBe('inner');
});
