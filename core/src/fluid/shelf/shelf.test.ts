import fc from 'fast-check';
import { ENTRY, figure } from '../../base/figure';
import {
  ADMIT_WORDS,
  admitContainer,
  balanceGap,
  containerInHand,
  fluidBalance,
  lowStock,
  pickFromShelf,
  sharePoured,
  type ShelfContainer,
} from '.';

const needed = (value: number) =>
  figure({ label: 'Fluid to pour', value, unit: 'mL', rule: 'given', source: ENTRY });
const SEALED: ShelfContainer = {
  id: 'a',
  grade: 'DOT 4',
  isoClass: null,
  batch: 'K-1',
  sizeMl: 500,
  leftMl: 500,
  state: 'sealed',
  openedDays: null,
  keptCapped: true,
  ageDays: 10,
  restedHours: null,
};
const container = (more: Partial<ShelfContainer>): ShelfContainer => ({ ...SEALED, ...more });

// Schools on open containers, 30 days, a night of rest: common practice, no source.
describe('what may be used today', () => {
  test.each<[string, Partial<ShelfContainer>, 'today only' | '30 days capped', string, string[]]>([
    ['sealed', {}, 'today only', 'take', []],
    ['opened today', { state: 'opened', openedDays: 0 }, 'today only', 'with caution', ['opened']],
    [
      'opened yesterday, strict',
      { state: 'opened', openedDays: 1 },
      'today only',
      'refuse',
      ['opened too long'],
    ],
    [
      'opened 30 days ago',
      { state: 'opened', openedDays: 30 },
      '30 days capped',
      'with caution',
      ['opened'],
    ],
    [
      'opened 31 days ago',
      { state: 'opened', openedDays: 31 },
      '30 days capped',
      'refuse',
      ['opened too long'],
    ],
    [
      'opened, nobody knows when',
      { state: 'opened', openedDays: null },
      '30 days capped',
      'refuse',
      ['opening date unknown'],
    ],
    [
      'left without its cap',
      { state: 'opened', openedDays: 1, keptCapped: false },
      '30 days capped',
      'refuse',
      ['not kept capped'],
    ],
    ['discarded', { state: 'discarded' }, '30 days capped', 'refuse', ['discarded']],
    ['empty', { leftMl: 0 }, '30 days capped', 'refuse', ['empty']],
    ['just off the ferry', { restedHours: 2 }, '30 days capped', 'with caution', ['still resting']],
    ['rested overnight', { restedHours: 12 }, '30 days capped', 'take', []],
  ])('%s', (_, more, rule, verdict, codes) => {
    const answer = admitContainer(container(more), rule);
    expect(answer.verdict).toBe(verdict);
    expect(answer.reasons.map((r) => r.code)).toEqual(codes);
  });
});

describe('picking', () => {
  /** Every subset: least left over, then fewest, then oldest. */
  const bruteForce = (
    target: number,
    shelf: readonly ShelfContainer[],
  ): [number, number, number] => {
    let best: [number, number, number] = [Infinity, Infinity, Infinity];
    for (let mask = 0; mask < 1 << shelf.length; mask++) {
      const taken = shelf.filter((_, i) => mask & (1 << i));
      const total = taken.reduce((sum, c) => sum + c.leftMl, 0);
      if (total < target) continue;
      const key: [number, number, number] = [
        total - target,
        taken.length,
        0 - taken.reduce((sum, c) => sum + c.ageDays, 0),
      ];
      if (
        key[0] < best[0] ||
        (key[0] === best[0] && (key[1] < best[1] || (key[1] === best[1] && key[2] < best[2])))
      )
        best = key;
    }
    return best;
  };
  const shelf = fc
    .array(
      fc.record({
        leftMl: fc.integer({ min: 1, max: 40 }).map((n) => n * 25),
        ageDays: fc.integer({ min: 0, max: 60 }),
      }),
      { maxLength: 9 },
    )
    .map((drawn) => drawn.map((d, i) => container({ ...d, id: `c${i}` })));

  test('no other pick is better', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2500 }), shelf, (target, containers) => {
        const pick = pickFromShelf(needed(target), containers);
        const [left, count, age] = bruteForce(target, containers);
        if (pick.kind === 'short') return expect(left).toBe(Infinity);
        expect([
          pick.leftOverMl.value,
          pick.containers.length,
          0 - pick.containers.reduce((sum, c) => sum + c.ageDays, 0),
        ]).toEqual([left, count, age]);
        expect(new Set(pick.containers.map((c) => c.id)).size).toBe(pick.containers.length);
      }),
      { numRuns: 300 },
    );
  });

  test('an opened one goes first where it leaves less', () => {
    const opened = container({ id: 'o', state: 'opened', openedDays: 5, leftMl: 260 });
    expect(pickFromShelf(needed(250), [container({ id: 's' }), opened])).toMatchObject({
      kind: 'enough',
      containers: [{ id: 'o' }],
      leftOverMl: { value: 10 },
    });
  });
  test('what is missing is said', () =>
    expect(pickFromShelf(needed(1200), [container({}), container({ id: 'b' })])).toMatchObject({
      kind: 'short',
      missingMl: { value: 200 },
    }));
  test('nothing needed takes nothing', () =>
    expect(pickFromShelf(needed(0), [container({})])).toMatchObject({
      kind: 'enough',
      containers: [],
      leftOverMl: { value: 0 },
    }));
  test('what cannot be asked for is refused', () => {
    expect(() => pickFromShelf(needed(20_001), [])).toThrow(/20,000/);
    expect(() =>
      pickFromShelf(
        needed(1),
        Array.from({ length: 201 }, () => SEALED),
      ),
    ).toThrow(/at most 200/);
  });
});

describe('balance', () => {
  const ml = fc.double({ min: 0, max: 2000, noNaN: true });
  test('containers and vehicle balance, whatever was moved', () => {
    fc.assert(
      fc.property(ml, ml, ml, ml, ml, ml, (poured, left, bled, removed, spilled, discarded) => {
        const moved = {
          openedMl: poured + left + discarded,
          pouredMl: poured,
          bledMl: bled,
          removedMl: removed,
          spilledMl: spilled,
          discardedMl: discarded,
          caughtMl: discarded / 2,
        };
        const b = fluidBalance(moved);
        expect(b.changeOfContentMl.value + bled + removed + spilled).toBeCloseTo(poured, 6);
        expect(b.leftMl.value).toBeCloseTo(left, 6);
        expect(b.wasteMl.value).toBeCloseTo(bled + removed + discarded / 2, 6);
      }),
    );
  });
  test('less than nothing, and more than was opened, are refused', () => {
    const none = {
      openedMl: 0,
      pouredMl: 0,
      bledMl: 0,
      removedMl: 0,
      spilledMl: 0,
      discardedMl: 0,
      caughtMl: 0,
    };
    expect(() => fluidBalance({ ...none, bledMl: -1 })).toThrow(/bledMl/);
    expect(() => fluidBalance({ ...none, openedMl: 100, pouredMl: 101 })).toThrow(
      /more than the 100 mL/,
    );
    expect(() => fluidBalance({ ...none, openedMl: 100, discardedMl: 10, caughtMl: 11 })).toThrow(
      /more than the 10 mL discarded/,
    );
  });
});

describe('what was poured out of which container', () => {
  const held = fc
    .array(fc.integer({ min: 1, max: 1000 }), { maxLength: 6 })
    .map((mls) =>
      mls.map((leftMl, i) =>
        container({ id: `c${i}`, leftMl, state: i % 2 ? 'opened' : 'sealed', openedDays: 1 }),
      ),
    );
  test('nothing is poured out of a container that it does not hold, and all is shared out while there is some', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), held, (poured, containers) => {
        const shares = sharePoured(poured, containers);
        const total = shares.reduce((sum, s) => sum + s.pouredMl, 0);
        expect(total).toBeCloseTo(
          Math.min(
            poured,
            containers.reduce((sum, c) => sum + c.leftMl, 0),
          ),
          6,
        );
        for (const s of shares)
          expect(s.pouredMl).toBeLessThanOrEqual(
            containers.find((c) => c.id === s.containerId)!.leftMl,
          );
      }),
    );
  });
  test('of one that was not picked only what was said came out', () => {
    const wrong = { ...container({ id: 'w', state: 'opened' }), onlySaid: true };
    const shares = sharePoured(120, [wrong, container({ id: 's' })], { w: 20 });
    expect(shares).toEqual([
      { containerId: 'w', pouredMl: 20 },
      { containerId: 's', pouredMl: 100 },
    ]);
  });
  test('opened ones are emptied first', () => {
    expect(
      sharePoured(300, [
        container({ id: 's' }),
        container({ id: 'o', state: 'opened', leftMl: 200 }),
      ]),
    ).toEqual([
      { containerId: 'o', pouredMl: 200 },
      { containerId: 's', pouredMl: 100 },
    ]);
  });
});

describe('stock', () => {
  test('a grade runs low by what may be used of it, not by what stands there', () => {
    const shelf = [
      container({ leftMl: 800 }),
      container({ id: 'b', leftMl: 900, state: 'opened', openedDays: 90 }),
      container({ id: 'c', grade: 'DOT 5.1', leftMl: 1000 }),
    ];
    expect(lowStock(shelf, '30 days capped', 1000)).toMatchObject([
      { grade: 'DOT 4', usableMl: { value: 800 } },
    ]);
  });
  test('a grade of which nothing is left is still missed', () => {
    expect(
      lowStock([container({ state: 'discarded', leftMl: 0 })], '30 days capped', 500),
    ).toMatchObject([{ usableMl: { value: 0 } }]);
  });
  test('every reason has a sentence', () => {
    const words = Object.values(ADMIT_WORDS);
    expect(new Set(words).size).toBe(words.length);
  });
});

describe('what was moved against what the run came to', () => {
  // 180 mL between MAX and the outlet over 60 mm: 3 mL a millimetre.
  const reservoir = { maxMl: 200, airDrawnMl: 20, belowMaxMm: 60 };
  const moved = (pouredMl: number) => ({ pouredMl, bledMl: 600, removedMl: 100, spilledMl: 0 });
  const gap = (pouredMl: number, containers = 2) =>
    balanceGap(moved(pouredMl), 0, containers, [reservoir]);

  // 5 % of 600, 10 mL for each of two containers, 5 mm at 3 mL.
  test('is allowed 5 % of what was bled, 10 mL a container and 5 mm of reservoir', () => {
    expect(gap(700).allowedMl.value).toBeCloseTo(30 + 20 + 15);
    expect(gap(700, 1).allowedMl.value).toBeCloseTo(30 + 10 + 15);
    expect(gap(700)).toMatchObject({ beyond: false, gapMl: { value: 0 } });
    for (const sign of [1, -1]) {
      expect(gap(700 + sign * 65).beyond).toBe(false);
      expect(gap(700 + sign * 65.1).beyond).toBe(true);
    }
  });

  test('counts what the run left more inside, and what was spilled', () => {
    expect(balanceGap(moved(800), 100, 2, [reservoir]).gapMl.value).toBeCloseTo(0);
    expect(
      balanceGap({ ...moved(800), spilledMl: 100 }, 0, 2, [reservoir]).gapMl.value,
    ).toBeCloseTo(0);
  });
});

describe('the container in hand', () => {
  const c = (id: string, leftMl: number, state: 'sealed' | 'opened' = 'sealed') => ({
    id,
    leftMl,
    state,
  });

  test('opened ones first, the next one when it is empty, the last one where all are', () => {
    const picked = [c('a', 500), c('b', 300, 'opened')];
    expect(containerInHand(picked, {})!.id).toBe('b');
    expect(containerInHand(picked, { b: 298.9 })!.id).toBe('b');
    expect(containerInHand(picked, { b: 299 })!.id).toBe('a');
    expect(containerInHand(picked, { a: 500, b: 300 })!.id).toBe('a');
    expect(containerInHand([], {})).toBeNull();
  });
});
