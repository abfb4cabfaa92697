import { layoutOf } from '../../testing';
import {
  changesTheSums,
  findables,
  SIZE_FIELDS,
  sizedThings,
  sizeFault,
  sizeIn,
  sizeWords,
  validateLayout,
  withSizes,
  type Layout,
  type SizeFound,
} from '.';
import { layoutTemplates } from './templates';

const CAR = layoutOf('hatchback-diagonal');
const BORE: SizeFound = { elementId: 'primary', size: 'boreMm', value: 22.2 };

describe('a size as it is found on the vehicle', () => {
  test.each<[SizeFound, RegExp | null]>([
    [BORE, null],
    [{ ...BORE, value: 8 }, null],
    [{ ...BORE, value: 7.9 }, /bore is 7.9 mm; it should be between 8 and 40 mm/],
    [{ ...BORE, value: 40.1 }, /between 8 and 40/],
    [{ ...BORE, value: NaN }, /between 8 and 40/],
    [{ ...BORE, value: 'wide' }, /bore should be a number/],
    [{ ...BORE, elementId: 'nowhere' }, /nothing "nowhere"/],
    [{ ...BORE, elementId: 'reservoir', size: 'maxMl' }, /nothing "reservoir"/],
    [{ ...BORE, size: 'heightMm' }, /no size "heightMm"; it should be one of boreMm/],
    [{ elementId: 'left-front', size: 'wrenchMm', value: 9 }, null],
    [{ elementId: 'left-front', size: 'wrenchMm', value: 4 }, /between 5 and 32/],
    [{ elementId: 'left-front', size: 'thread', value: 'M8×1.25' }, null],
    [{ elementId: 'left-front', size: 'thread', value: ' ' }, /as it is read/],
    [{ elementId: 'left-front', size: 'thread', value: 8 }, /as it is read/],
    [{ elementId: 'left-front-caliper', size: 'thread', value: 'M8' }, /no size "thread"/],
    [{ elementId: 'left-front-hose', size: 'lengthMm', value: 420 }, null],
    [{ elementId: 'left-front-hose', size: 'torqueNm', value: 15 }, null],
  ])('%j', (found, sentence) => {
    const fault = sizeFault(CAR, found);
    if (sentence === null) expect(fault).toBeNull();
    else expect(fault).toMatch(sentence);
  });

  test('is put where it belongs, a fitting keeps what was listed, and nothing else moves', () => {
    const found: SizeFound[] = [
      BORE,
      { elementId: 'left-front-hose', size: 'insideMm', value: 3 },
      { elementId: 'left-front-hose', size: 'wrenchMm', value: 13 },
      { elementId: 'left-front', size: 'thread', value: 'M8×1.25' },
      { elementId: 'left-front-caliper', size: 'cavityMl', value: 41 },
    ];
    const layout = withSizes(CAR, found);
    for (const f of found) expect(sizeIn(layout, f)).toBe(f.value);
    expect(layout.bleeders[0]!.fitting.listed).toEqual(CAR.bleeders[0]!.fitting.listed);
    const back = found.flatMap((f) => {
      const value = sizeIn(CAR, f);
      return value === null ? [] : [{ ...f, value }];
    });
    const values = (of: Layout) =>
      sizedThings(of).flatMap(({ kind, holder }) =>
        SIZE_FIELDS[kind].map((f) => (holder as Record<string, unknown>)[f.key]),
      );
    const node = (of: Layout) => ({ ...of, bleeders: [], stretches: [] });
    expect(values(node(withSizes(layout, back)))).toEqual(values(node(CAR)));
    expect(validateLayout(layout)).toEqual([]);
  });

  test('what cannot be, and what is known so already, leaves the layout as it was', () => {
    for (const value of [7, 'wide']) expect(withSizes(CAR, [{ ...BORE, value }])).toBe(CAR);
    const once = withSizes(CAR, [BORE]);
    expect(withSizes(once, [BORE])).toBe(once);
    const wrench: SizeFound = { elementId: 'left-front', size: 'wrenchMm', value: 11 };
    const nut = withSizes(CAR, [wrench]);
    expect(withSizes(nut, [wrench])).toBe(nut);
  });

  test('one that is as it was listed is no guess any more, and asks for no other plan', () => {
    const listed: SizeFound = { ...BORE, value: 20.6 };
    const layout = withSizes(CAR, [listed]);
    expect(changesTheSums(CAR, [listed])).toBe(false);
    expect(layout.masters[0]!.chambers.map((c) => [c.boreMm, c.known])).toEqual([
      [20.6, { boreMm: 'measured' }],
      [20.6, undefined],
    ]);
    const looked = withSizes(layout, [{ ...listed, how: 'by the maker' }]);
    expect(looked.masters[0]!.chambers[0]!.known).toEqual({ boreMm: 'by the maker' });
  });

  test.each<[SizeFound, boolean]>([
    [BORE, true],
    [{ ...BORE, value: 20.6 }, false],
    [{ elementId: 'left-front', size: 'wrenchMm', value: 9 }, false],
    [{ elementId: 'left-front-caliper', size: 'pistonMm', value: 57 }, false],
    [{ elementId: 'left-front-caliper', size: 'cavityMl', value: 41 }, true],
    [{ elementId: 'modulator-primary', size: 'openPathMl', value: 9 }, true],
  ])('%j changes what is worked out: %s', (found, changes) =>
    expect(changesTheSums(CAR, [found])).toBe(changes),
  );

  test('everything that can be found in every template has a name, sizes and what they are now', () => {
    for (const { id } of layoutTemplates) {
      const all = findables(layoutOf(id));
      expect(new Set(all.map((f) => f.elementId)).size).toBe(all.length);
      for (const f of all) {
        expect(f.fields.length).toBeGreaterThan(0);
        for (const { key, range } of f.fields) {
          const value = f.has[key] ?? null;
          if (value !== null) {
            expect(Number(value)).toBeGreaterThanOrEqual(range.least);
            expect(Number(value)).toBeLessThanOrEqual(range.most);
          }
        }
      }
    }
  });

  test('is said with its unit', () => {
    expect(sizeWords(CAR, BORE)).toBe('Master, Primary chamber: bore 22.2 mm');
    expect(sizeWords(CAR, { elementId: 'left-front', size: 'thread', value: 'M8' })).toBe(
      'Bleeder left front: thread M8',
    );
  });
});
