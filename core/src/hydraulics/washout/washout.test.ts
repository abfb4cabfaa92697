import fc from 'fast-check';
import { highestOutletMl, paths, type Layout } from '../../vehicle/circuit';
import { arbitraryLayout, layoutOf, newShares } from '../../testing';
import {
  CircuitFluid,
  LaminarSegment,
  laminarOldInside,
  laminarVolumesFor,
  lineSegments,
  MixedCavity,
  mixedVolumesFor,
  streamtubes,
} from '.';

// Danckwerts 1953 (Chem. Eng. Sci. 2, 1–13); Levenspiel, Chemical Reaction Engineering:
// laminar flow without diffusion F(θ) = 1 − 1/(4θ²), θ ≥ ½; one mixed tank F(θ) = 1 − e^−θ.
describe('closed forms', () => {
  test('98 % at the outlet of a laminar line takes 3.54 line volumes and leaves 7.07 % inside', () => {
    expect(laminarVolumesFor(0.98)).toBeCloseTo(3.5355, 4);
    expect(laminarOldInside(laminarVolumesFor(0.98))).toBeCloseTo(0.0707, 4);
  });

  test('98 % out of a mixed cavity takes 3.91 volumes', () => {
    expect(mixedVolumesFor(0.98)).toBeCloseTo(3.912, 3);
  });

  test('nothing new leaves a laminar line before half its volume', () => {
    expect(laminarVolumesFor(0)).toBe(0.5);
    expect(laminarOldInside(0.5)).toBe(0.5);
    expect(laminarOldInside(0.2)).toBeCloseTo(0.8, 12);
  });

  test('a share of 1 is refused: it would take for ever', () => {
    for (const bad of [1, -0.1, NaN]) {
      expect(() => laminarVolumesFor(bad)).toThrow(RangeError);
      expect(() => mixedVolumesFor(bad)).toThrow(RangeError);
    }
    expect(() => laminarOldInside(-1)).toThrow(RangeError);
  });
});

describe('streamtubes', () => {
  test('they carry the whole flow and hold the whole volume', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.01, max: 2, noNaN: true }), (ratio) => {
        const { flowShare, residence } = streamtubes(ratio);
        expect(flowShare.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
        expect(flowShare.reduce((sum, f, i) => sum + f * residence[i]!, 0)).toBeCloseTo(1, 9);
      }),
    );
  });

  test('bad cuts are refused', () => {
    expect(() => streamtubes(1)).toThrow(/ratio/);
    expect(() => streamtubes(1.05, 0.5)).toThrow(/lastTheta/);
  });
});

describe('one laminar line against its closed form', () => {
  const outAfter = (volumes: number, stepMl: number): { out: number; oldInside: number } => {
    const line = new LaminarSegment(40, streamtubes(), true);
    let out = 0;
    for (let passed = 0; passed < volumes * 40 - 1e-9; passed += stepMl) out = line.pass(stepMl, 1);
    return { out, oldInside: 1 - line.newMl() / 40 };
  };

  test.each([0.75, 1, 2, 3.5355, 6])('after %p line volumes', (volumes) => {
    const { out, oldInside } = outAfter(volumes, 0.05);
    // Tubes 5 % apart: within 2.5 % of the place, so within 5 % of the old share at the outlet.
    expect(Math.abs(1 - out - 1 / (4 * volumes * volumes))).toBeLessThan(
      0.06 / (4 * volumes * volumes) + 1e-3,
    );
    expect(Math.abs(oldInside - laminarOldInside(volumes))).toBeLessThan(0.002);
  });

  // θ = 1/(2 √(1 − target)), Danckwerts 1953: 3.54, 7.07, 11.2 and 15.8 line volumes.
  test.each([
    [0.98, 0.025],
    [0.995, 0.025],
    [0.998, 0.025],
    [0.999, 0.075],
  ])('a share of %p comes at its volumes, within %p of them', (target, within) => {
    const line = new LaminarSegment(40, streamtubes(), true);
    let passed = 0;
    while (line.pass(0.1, 1) < target) passed += 0.1;
    expect(Math.abs(passed / 40 / laminarVolumesFor(target) - 1)).toBeLessThan(within);
  });

  /** Line volumes until so much of what leaves the last of some equal lines in a row, each fed across its bore, is new. */
  const inRow = (lines: number, target: number): number => {
    const row = Array.from({ length: lines }, () => new LaminarSegment(40, streamtubes(), true));
    let passed = 0;
    for (let share = 0; share < target; passed += 0.2)
      share = row.reduce((fed, line) => line.pass(0.2, fed), 1);
    return passed / 40;
  };
  /** The same by the closed form: kernels 1/(2θ³) laid over each other, in steps of a fiftieth of a line volume, up to 120 of them. */
  const folded = (lines: number, target: number): number => {
    const step = 0.02;
    const n = 6000;
    const F = (theta: number) => (theta < 0.5 ? 0 : 1 - 1 / (4 * theta * theta));
    const kernel = Array.from({ length: n }, (_, i) => F((i + 1) * step) - F(i * step));
    let density = kernel;
    for (let l = 1; l < lines; l++) {
      const next = new Array<number>(n).fill(0);
      for (let i = 0; i < n; i++)
        if (density[i]! > 1e-12)
          for (let j = 25; i + j + 1 < n; j++) next[i + j + 1]! += density[i]! * kernel[j]!;
      density = next;
    }
    let sum = 0;
    for (let i = 0; i < n; i++) {
      sum += density[i]!;
      if (sum >= target) return (i + 1 - (lines - 1) / 2) * step;
    }
    throw new Error('not reached');
  };

  test.each([
    [1, 0.95],
    [2, 0.98],
    [3, 0.998],
  ])('%p lines in a row reach %p where the kernels laid over each other do', (lines, target) => {
    expect(Math.abs(inRow(lines, target) / folded(lines, target) - 1)).toBeLessThan(0.05);
  });

  test('the size of the steps changes nothing inside', () => {
    expect(outAfter(2, 0.05).oldInside).toBeCloseTo(outAfter(2, 8).oldInside, 6);
  });
});

describe('one mixed cavity against its closed form', () => {
  test.each([0.5, 1, 3.912])('after %p volumes', (volumes) => {
    for (const steps of [1, 7]) {
      const cavity = new MixedCavity(20);
      for (let i = 0; i < steps; i++) cavity.pass((volumes * 20) / steps, 1);
      expect(cavity.newShare).toBeCloseTo(1 - Math.exp(-volumes), 12);
    }
  });

  test('what entered is inside or has left', () => {
    const cavity = new MixedCavity(20);
    const left = 13 * cavity.pass(13, 1);
    expect(cavity.newMl() + left).toBeCloseTo(13, 12);
  });
});

const reservoirOf = (layout: Layout, bleederId: string): Layout['reservoirs'][number] => {
  const { fedBy } = paths(layout).find((p) => p.bleeder.id === bleederId)!.chamber;
  return layout.reservoirs.find((b) => b.id === fedBy)!;
};

describe('the fluid of a circuit', () => {
  test('volume is conserved: poured new fluid is in the lines, in the reservoirs or bled', () => {
    fc.assert(
      fc.property(
        arbitraryLayout,
        fc.array(fc.tuple(fc.nat(), fc.double({ min: 0.5, max: 30, noNaN: true })), {
          maxLength: 25,
        }),
        (layout, draws) => {
          const fluid = new CircuitFluid(layout);
          let poured = 0;
          for (const c of layout.reservoirs) {
            fluid.emptyReservoir(c.id);
            poured += fluid.fillReservoir(c.id, c.maxMl);
          }
          for (const [pick, ml] of draws) {
            const bleeder = layout.bleeders[pick % layout.bleeders.length]!;
            const reservoir = reservoirOf(layout, bleeder.id);
            const airDrawnMl = highestOutletMl(layout, reservoir.id);
            if (fluid.levelMl(reservoir.id) - ml < airDrawnMl)
              poured += fluid.fillReservoir(reservoir.id, reservoir.maxMl);
            fluid.bleed(bleeder.id, Math.min(ml, fluid.levelMl(reservoir.id) - airDrawnMl));
          }
          const { lines, reservoirs, bled } = fluid.newFluidMl();
          expect(lines + reservoirs + bled).toBeCloseTo(poured, 6);
        },
      ),
    );
  });

  test('every share stays between old and new', () => {
    fc.assert(
      fc.property(arbitraryLayout, (layout) => {
        const fluid = new CircuitFluid(layout);
        for (const c of layout.reservoirs) {
          fluid.emptyReservoir(c.id);
          fluid.fillReservoir(c.id, c.maxMl);
          fluid.bleed(
            layout.bleeders.find((b) => reservoirOf(layout, b.id).id === c.id)!.id,
            (c.maxMl - highestOutletMl(layout, c.id)) / 2,
          );
        }
        for (const share of newShares(fluid).values()) {
          expect(share).toBeGreaterThanOrEqual(-1e-12);
          expect(share).toBeLessThanOrEqual(1 + 1e-12);
        }
      }),
    );
  });

  test('going back to a moment and on again gives what going on alone gives', () => {
    fc.assert(
      fc.property(
        arbitraryLayout,
        fc.array(fc.nat(), { minLength: 3, maxLength: 8 }),
        (layout, picks) => {
          const [twice, once] = [new CircuitFluid(layout), new CircuitFluid(layout)];
          const bleed = (fluid: CircuitFluid, pick: number) => {
            const { id } = layout.bleeders[pick % layout.bleeders.length]!;
            fluid.fillReservoir(reservoirOf(layout, id).id, reservoirOf(layout, id).maxMl);
            return fluid.bleed(id, 12);
          };
          const half = Math.floor(picks.length / 2);
          picks.slice(0, half).forEach((p) => [twice, once].forEach((f) => bleed(f, p)));
          const then = twice.snapshot();
          picks.forEach((p) => bleed(twice, p));
          twice.rollback(then);
          for (const p of picks.slice(half)) expect(bleed(twice, p)).toBe(bleed(once, p));
          expect(twice.newFluidMl()).toEqual(once.newFluidMl());
        },
      ),
      { numRuns: 40 },
    );
  });

  test('a copy goes on by itself and like the one it was made of', () => {
    const fluid = new CircuitFluid(layoutOf('estate-front-rear'));
    for (const { id, maxMl } of layoutOf('estate-front-rear').reservoirs) {
      fluid.emptyReservoir(id);
      fluid.fillReservoir(id, maxMl);
    }
    fluid.bleed('left-rear', 40);
    const copy = fluid.copy();
    const before = newShares(fluid);
    const onCopy = copy.bleed('right-rear', 25);
    expect(newShares(fluid)).toEqual(before);
    expect(fluid.bleed('right-rear', 25)).toBe(onCopy);
    expect(newShares(copy)).toEqual(newShares(fluid));
  });

  test('cutting a line by joints changes nothing', () => {
    const whole = layoutOf('hatchback-diagonal');
    const cut: Layout = {
      ...whole,
      nodes: [...whole.nodes, { kind: 'joint', id: 'clip', name: 'Clip', heightMm: 280 }],
      stretches: whole.stretches.flatMap((s) =>
        s.id === 'left-rear-floor'
          ? [
              { ...s, to: 'clip', lengthMm: 1000 },
              { ...s, id: 'rest', from: 'clip', lengthMm: s.lengthMm - 1000 },
            ]
          : [s],
      ),
    };
    const newShare = (layout: Layout) => {
      const fluid = new CircuitFluid(layout);
      fluid.emptyReservoir('reservoir');
      fluid.fillReservoir('reservoir', 220);
      return fluid.bleed('left-rear', 180);
    };
    expect(lineSegments(cut)).toHaveLength(lineSegments(whole).length);
    expect(newShare(cut)).toBeCloseTo(newShare(whole), 12);
  });

  test('a change of bore parts a line', () => {
    const whole = layoutOf('motorcycle-front-disc');
    const wide: Layout = {
      ...whole,
      stretches: whole.stretches.map((s) => (s.id === 'lower-hose' ? { ...s, insideMm: 5 } : s)),
    };
    expect(lineSegments(whole)).toHaveLength(1);
    expect(lineSegments(wide)).toHaveLength(2);
  });

  test('the earlier bleeder leaves the shared stretch new for the later one', () => {
    const fresh = new CircuitFluid(layoutOf('veteran-single'));
    const after = new CircuitFluid(layoutOf('veteran-single'));
    for (const f of [fresh, after]) {
      f.emptyReservoir('reservoir');
      f.fillReservoir('reservoir', layoutOf('veteran-single').reservoirs[0]!.maxMl);
    }
    after.bleed('left-rear', 100);
    after.fillReservoir('reservoir', 400);
    expect(after.bleed('right-rear', 60)).toBeGreaterThan(fresh.bleed('right-rear', 60));
  });

  test('drawing more than there is, is refused', () => {
    const fluid = new CircuitFluid(layoutOf('motorcycle-front-disc'));
    expect(() => fluid.bleed('front', 30)).toThrow(/top up first/);
    expect(() => fluid.levelMl('nowhere')).toThrow(/no reservoir chamber/);
  });
});
