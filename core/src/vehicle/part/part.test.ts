import fc from 'fast-check';
import { changeableParts } from '../../bleed/scope';
import { type Layout } from '../circuit';
import { layoutTemplates } from '../circuit/templates';
import { layoutOf } from '../../testing';
import {
  BESIDE,
  compareNeed,
  foundAsGuessed,
  measuredBy,
  partFaults,
  partNeeds,
  PIECE_STATES,
  sizesOfPart,
  usualPieces,
  type Found,
  type PartNeed,
} from '.';

const VAN = layoutOf('hatchback-diagonal');
const need = (layout: Layout, partId: string, label: string) =>
  partNeeds(layout, partId).find((n) => n.label.startsWith(label))!;
const both = (mm: number, maker: number | null = null) => ({
  newPart: mm,
  oldPart: mm,
  maker,
});
const labels = (layout: Layout, partId: string) => partNeeds(layout, partId).map((n) => n.label);
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
        foundAsGuessed(needs),
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
    for (const nothing of [
      undefined,
      '',
      '  ',
      ...(n.kind === 'number' ? [NaN, { newPart: NaN, oldPart: 20.6, maker: null }] : []),
    ])
      expect(compareNeed(n, nothing)).toBe('not compared');
});

test('one thing that differs refuses the part, and the sentence says which and what would be right', () => {
  fc.assert(
    fc.property(fc.constantFrom(...every), fc.nat(), ({ layout, partId }, n) => {
      const needs = partNeeds(layout, partId);
      const wrong = needs[n % needs.length]!;
      const found = {
        ...foundAsGuessed(needs),
        [wrong.id]:
          wrong.kind === 'number'
            ? { ...both(wrong.guess.value), newPart: wrong.guess.value * 1.06 + 0.3 }
            : wrong.kind === 'thread'
              ? 'another'
              : wrong.kind === 'question'
                ? false
                : 'not so',
      };
      const faults = partFaults(needs, found, []);
      expect(faults).toHaveLength(1);
      expect(faults[0]).toContain(wrong.label);
    }),
  );
});

describe('a master', () => {
  test('each bore is measured, each line is started in its port, and its list says for which brakes it is made', () => {
    expect(need(VAN, 'master', 'Bore')).toMatchObject({
      kind: 'number',
      guess: { value: VAN.masters[0]!.chambers[0]!.boreMm },
    });
    for (const s of VAN.stretches.filter((x) =>
      VAN.masters[0]!.chambers.some((c) => c.port === x.from),
    ))
      expect(labels(VAN, 'master')).toContain(`${s.name}: does it start by hand in its port?`);
    expect(need(layoutOf('estate-front-rear'), 'master', 'By its number')).toMatchObject({
      kind: 'question',
      label: 'By its number or the maker’s list made for discs at the front, drums at the rear?',
    });
    expect(need(layoutOf('clutch-concentric'), 'clutch-master', 'By its number').label).toContain(
      'made for a clutch',
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
    stretches: VAN.stretches.map((s) =>
      s.id === 'left-front-hose'
        ? {
            ...s,
            nut: {
              listed: { wrenchMm: 11, thread: 'M12×1', torqueNm: null },
              found: thread === null ? null : { wrenchMm: 11, thread, torqueNm: null },
            },
          }
        : s,
    ),
  });
  const nut = (layout: Layout) => need(layout, 'left-front-hose', 'Thread of its end');

  test('what was read on this vehicle is what the new one must have; what a list says asks nothing', () => {
    expect(nut(withThread('M10×1'))).toMatchObject({ kind: 'thread', needed: 'M10×1' });
    expect(nut(withThread(null))).toBeUndefined();
  });
  test.each([
    ['M10×1', true],
    ['m10 x 1.0', true],
    ['M10x1,00', true],
    ['M10×1.25', false],
    ['M8×1', false],
    ['3/8-24', false],
  ])('%s beside M10×1: %s', (found, fits) => {
    expect(compareNeed(nut(withThread('M10×1')), found)).toBe(fits ? 'fits' : 'differs');
  });
});

// The maker's figure decides, for the old one may be somebody's mistake; a guess is at most a hint: common practice, no source.
describe('a measure', () => {
  const bore = need(VAN, 'master', 'Bore') as Extract<PartNeed, { kind: 'number' }>;
  const guess = bore.guess.value;
  test.each<[string, Found, string]>([
    ['as the old one, whatever was guessed', both(guess + 1.6), 'fits'],
    [
      'another than the old one, though as guessed',
      { ...both(guess), oldPart: guess + 1.6 },
      'differs',
    ],
    ['by the maker, the old one a mistake', { newPart: 22.2, oldPart: 20.6, maker: 22.2 }, 'fits'],
    ['as the old one, which the maker does not list', both(20.6, 22.2), 'differs'],
    ['by the maker, no old one there', { newPart: 22.2, oldPart: null, maker: 22.2 }, 'fits'],
    ['beside nothing', { newPart: guess, oldPart: null, maker: null }, 'not compared'],
    ['not taken', { newPart: NaN, oldPart: guess, maker: null }, 'not compared'],
    ['within what callipers read', { ...both(22.2), newPart: 22.35 }, 'fits'],
    // Common masters come in steps of 1/16 inch, 1.6 mm: common practice, no source.
    ['a step off', { ...both(22.2), newPart: 22.36 }, 'differs'],
    ['a word', 'right', 'differs'],
    ['a yes', true, 'differs'],
  ])('%s', (_, found, verdict) => expect(compareNeed(bore, found)).toBe(verdict));

  test('a length goes by a share, a count by none', () => {
    const length = need(VAN, 'left-front-hose', 'Length');
    expect(compareNeed(length, { ...both(400), newPart: 420 })).toBe('fits');
    expect(compareNeed(length, { ...both(400), newPart: 421 })).toBe('differs');
    const pistons = need(VAN, 'left-front-caliper', 'Pistons');
    expect(compareNeed(pistons, both(2))).toBe('fits');
    expect(compareNeed(pistons, { ...both(2), newPart: 1 })).toBe('differs');
  });

  test('the sentence says against what it differs', () => {
    const faults = (found: Found) => partFaults([bore], { [bore.id]: found }, []);
    expect(faults({ ...both(20.6), newPart: 22.2 })).toEqual([
      `${bore.label}: 22.2 measured, the old one has 20.6 mm.`,
    ]);
    expect(faults({ newPart: 20.6, oldPart: 20.6, maker: 22.2 })).toEqual([
      `${bore.label}: 20.6 measured, 22.2 mm by the maker.`,
    ]);
  });

  test('the record says by what it was measured, and where the maker decided against the old one', () => {
    const said = (found: Found) => measuredBy([bore], { [bore.id]: found });
    expect(said(both(22.2))).toEqual([`${bore.label} 22.2 mm, as the old one.`]);
    expect(said({ newPart: 22.2, oldPart: 20.6, maker: 22.2 })).toEqual([
      `${bore.label} 22.2 mm, by the maker; the old one had 20.6 mm.`,
    ]);
    expect(said(both(22.2, 22.25))).toEqual([`${bore.label} 22.2 mm, by the maker.`]);
  });

  test('what the layout guessed otherwise is a size of this vehicle from now on', () => {
    const told = (found: Found) => sizesOfPart([bore], { [bore.id]: found });
    const chamber = VAN.masters[0]!.chambers[0]!.id;
    const size = { elementId: chamber, size: 'boreMm' };
    expect(told(both(22.2))).toEqual([{ ...size, value: 22.2, how: 'measured' }]);
    // Within what callipers read the listed size stands, and is no guess any more.
    expect(told(both(guess + 0.1))).toEqual([{ ...size, value: guess, how: 'measured' }]);
    expect(told(both(22.2, 22.2))).toEqual([{ ...size, value: 22.2, how: 'by the maker' }]);
    const hose = need(layoutOf('sidecar-outfit'), 'hump-up', 'Length');
    const sizes = sizesOfPart([hose], { length: both(3680) });
    expect(sizes.map((s) => s.elementId)).toEqual(['hump-up', 'hump-down', 'sidecar-along']);
    expect(sizes.reduce((sum, s) => sum + Number(s.value), 0)).toBeCloseTo(3680, 2);
  });
});

// The old one may itself be the wrong kind, so it answers nothing about kinds.
test('what an old part may have wrong is asked of the new one itself', () => {
  for (const { layout, partId } of every) {
    const beside = partNeeds(layout, partId).filter((n) => n.kind === 'as the old one');
    expect(beside.map((n) => n.id)).toEqual(
      layout.masters.some((m) => m.id === partId) ? ['rod'] : [],
    );
  }
  const side = need(VAN, 'left-front-caliper', 'Held in its place');
  expect(compareNeed(side, 'as the old one')).toBe('differs');
  expect(compareNeed(side, true)).toBe('fits');
  const rod = need(VAN, 'master', 'Rod');
  for (const b of BESIDE) expect(compareNeed(rod, b)).toBe(b === 'not so' ? 'differs' : 'fits');
});

test('a log of older rules is read as it was meant: a bare number beside the layout, a thread where a question stands now', () => {
  const needs = partNeeds(VAN, 'left-front-caliper');
  const older = { piston: 54, side: true, 'left-front-hose:thread': 'M10×1' };
  expect(partFaults(needs, older, [])).toEqual([]);
  expect(partFaults(needs, { ...older, piston: 57.2 }, [])).toEqual([
    'Piston diameter: 54 mm is needed, 57.2 was found.',
  ]);
  expect(partFaults(needs, { ...older, side: false }, [])).toHaveLength(1);
  expect(partFaults(needs, { side: true, 'left-front-hose:thread': 'M10×1' }, []).length).toBe(3);
});

test.each(PIECE_STATES)('a piece that is "%s"', (state) => {
  const needs = partNeeds(VAN, 'left-front-caliper');
  const faults = partFaults(needs, foundAsGuessed(needs), [
    { what: 'Washer', count: 2, comes: 'new', state },
  ]);
  expect(faults).toHaveLength(state === 'right' ? 0 : 1);
});
