import fc from 'fast-check';
import { changeableParts } from '../scope';
import { layoutTemplates, type Layout } from '../circuit';
import { layoutOf } from '../testing';
import {
  compareNeed,
  partFaults,
  partNeeds,
  PIECE_STATES,
  usualPieces,
  type Found,
  type PartNeed,
} from '.';

const VAN = layoutOf('hatchback-diagonal');
const need = (layout: Layout, partId: string, label: string) =>
  partNeeds(layout, partId).find((n) => n.label.startsWith(label))!;
const asNeeded = (needs: readonly PartNeed[]): Record<string, Found> =>
  Object.fromEntries(
    needs.map((n) => [
      n.id,
      n.kind === 'number' ? n.needed.value : n.kind === 'thread' ? n.needed : true,
    ]),
  );
const every = layoutTemplates.flatMap((t) => {
  const layout = layoutOf(t.id);
  return [...layout.masters.map((m) => m.id), ...changeableParts(layout).map((p) => p.id)].map(
    (partId) => ({ layout, partId }),
  );
});

test('every part that can be changed, in every template, has something to agree with and each of it has a name of its own', () => {
  for (const { layout, partId } of every) {
    const needs = partNeeds(layout, partId);
    expect(needs.length).toBeGreaterThan(1);
    expect(new Set(needs.map((n) => n.id)).size).toBe(needs.length);
    expect(
      partFaults(
        needs,
        asNeeded(needs),
        usualPieces(layout, partId).map((p) => ({ ...p, state: 'right' })),
      ),
    ).toEqual([]);
    for (const p of usualPieces(layout, partId)) expect(p.count).toBeGreaterThan(0);
  }
  expect(partNeeds(VAN, 'nowhere')).toEqual([]);
  expect(usualPieces(VAN, 'nowhere')).toEqual([]);
});

test('nothing fits that nobody compared', () => {
  const needs = partNeeds(VAN, 'master');
  expect(partFaults(needs, {}, [])).toHaveLength(needs.length);
  expect(partFaults(needs, {}, []).every((f) => f.endsWith('not compared yet.'))).toBe(true);
  for (const n of needs)
    for (const nothing of [undefined, '', '  ', NaN])
      expect(compareNeed(n, nothing)).toBe('not compared');
});

test('one thing that differs refuses the part, and the sentence says which and what would be right', () => {
  fc.assert(
    fc.property(fc.constantFrom(...every), fc.nat(), ({ layout, partId }, n) => {
      const needs = partNeeds(layout, partId);
      const wrong = needs[n % needs.length]!;
      const found = {
        ...asNeeded(needs),
        [wrong.id]:
          wrong.kind === 'number'
            ? wrong.needed.value + wrong.tolerance + 0.3
            : wrong.kind === 'thread'
              ? 'another'
              : false,
      };
      const faults = partFaults(needs, found, []);
      expect(faults).toHaveLength(1);
      expect(faults[0]).toContain(wrong.label);
    }),
  );
});

describe('a master', () => {
  test('each bore, the ports, and the brakes at each end it is made for', () => {
    expect(need(VAN, 'master', 'Bore')).toMatchObject({
      kind: 'number',
      needed: { value: VAN.masters[0]!.chambers[0]!.boreMm },
    });
    expect(need(VAN, 'master', 'Ports')).toMatchObject({
      needed: {
        value: VAN.stretches.filter((s) => VAN.masters[0]!.chambers.some((c) => c.port === s.from))
          .length,
      },
    });
    expect(need(layoutOf('estate-front-rear'), 'master', 'Made for').label).toBe(
      'Made for discs at the front, drums at the rear',
    );
    expect(need(layoutOf('clutch-concentric'), 'clutch-master', 'Made for').label).toBe(
      'Made for a clutch',
    );
  });

  test('seals are counted on both sides: to the reservoir and to the servo', () => {
    const whats = usualPieces(VAN, 'master')
      .map((p) => p.what)
      .join();
    // A doubled or forgotten servo seal leaks or drags: common practice, no source.
    expect(whats).toMatch(/the servo/);
    expect(
      usualPieces(layoutOf('motorcycle-front-disc'), 'master')
        .map((p) => p.what)
        .join(),
    ).not.toMatch(/the servo/);
  });
});

describe('threads', () => {
  const withThread = (thread: string | null): Layout => ({
    ...VAN,
    bleeders: VAN.bleeders.map((b) =>
      b.at === 'left-front-caliper'
        ? {
            ...b,
            fitting: {
              listed: { wrenchMm: 11, thread: null, torqueNm: null },
              found: { wrenchMm: 11, thread, torqueNm: null },
            },
          }
        : b,
    ),
  });
  const bleeder = (layout: Layout) => need(layout, 'left-front-caliper', 'Thread of the bleeder');

  test('what was found on this vehicle is what the new one must have', () =>
    expect(bleeder(withThread('M10×1'))).toMatchObject({ kind: 'thread', needed: 'M10×1' }));
  test('where nobody knows, it is held beside the old one', () =>
    expect(bleeder(withThread(null)).kind).toBe('as the old one'));
  test.each([
    ['M10×1', true],
    ['m10 x 1.0', true],
    ['M10x1,00', true],
    ['M10×1.25', false],
    ['M8×1', false],
    ['3/8-24', false],
  ])('%s beside M10×1: %s', (found, fits) => {
    expect(compareNeed(bleeder(withThread('M10×1')), found)).toBe(fits ? 'fits' : 'differs');
  });
});

test('a bore within what callipers read fits, the next size does not', () => {
  const bore = need(VAN, 'master', 'Bore');
  const mm = bore.kind === 'number' ? bore.needed.value : 0;
  expect(compareNeed(bore, Math.round(mm * 10) / 10)).toBe('fits');
  // Common masters come in steps of 1/16 inch, 1.6 mm: common practice, no source.
  expect(compareNeed(bore, mm + 1.6)).toBe('differs');
});

test.each(PIECE_STATES)('a piece that is "%s"', (state) => {
  const needs = partNeeds(VAN, 'left-front-caliper');
  const faults = partFaults(needs, asNeeded(needs), [
    { what: 'Washer', count: 2, comes: 'new', state },
  ]);
  expect(faults).toHaveLength(state === 'right' ? 0 : 1);
});
