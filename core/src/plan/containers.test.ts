import fc from 'fast-check';
import { ENTRY, figure } from '../figure';
import { CONTAINER_SIZES_ML, pickContainers } from '.';

const needed = (value: number) => figure({ label: 'Fluid to pour', value, unit: 'mL', rule: 'given', source: ENTRY });

/** Least total that covers the need, and the fewest containers for it, by trying all counts. */
function bruteForce(target: number, sizes: readonly number[]): { total: number; count: number } {
  let best = { total: Infinity, count: Infinity };
  const walk = (i: number, total: number, count: number): void => {
    if (total >= target) {
      if (total < best.total || (total === best.total && count < best.count)) best = { total, count };
      return;
    }
    if (i === sizes.length) return;
    walk(i + 1, total, count);
    walk(i, total + sizes[i]!, count + 1);
  };
  walk(0, 0, 0);
  return best;
}

test('no other pick leaves less over, and none as good takes fewer', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 3000 }), fc.uniqueArray(fc.integer({ min: 150, max: 1500 }), { minLength: 1, maxLength: 3 }), (ml, sizes) => {
      const pick = pickContainers(needed(ml), sizes);
      const best = bruteForce(ml, sizes);
      expect(pick.totalMl.value).toBe(best.total);
      expect(pick.containers.reduce((sum, c) => sum + c.count, 0)).toBe(best.count);
      expect(pick.containers.reduce((sum, c) => sum + c.count * c.sizeMl, 0)).toBe(pick.totalMl.value);
      expect(pick.leftOverMl.value).toBe(pick.totalMl.value - ml);
    }),
  );
});

test.each([
  [0, []],
  [250, [{ sizeMl: 250, count: 1 }]],
  [250.4, [{ sizeMl: 500, count: 1 }]],
  [812, [{ sizeMl: 1000, count: 1 }]],
  [1010, [{ sizeMl: 1000, count: 1 }, { sizeMl: 250, count: 1 }]],
])('%p mL', (ml, containers) => {
  expect(pickContainers(needed(ml)).containers).toEqual(containers);
});

test('what cannot be picked is refused', () => {
  expect(() => pickContainers(needed(20_001))).toThrow(/20,000/);
  expect(() => pickContainers(needed(-1))).toThrow(/needed/);
  expect(() => pickContainers(needed(100), [])).toThrow(/sizes/);
  expect(() => pickContainers(needed(100), [0.5])).toThrow(/whole/);
  expect(CONTAINER_SIZES_ML).toEqual([1000, 500, 250]);
});
