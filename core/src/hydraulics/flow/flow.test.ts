import fc from 'fast-check';
import { paths, type Layout } from '../../vehicle/circuit';
import { layoutTemplates } from '../../vehicle/circuit/templates';
import { fluidViscosity, GRADES } from '../../fluid/verdict';
import { strokeVolume } from '../order';
import { arbitraryLayout, EVERYTHING, layoutOf } from '../../testing';
import {
  bondNumber,
  boreFillingRiseMmS,
  BRETHERTON_LIMIT,
  columnPa,
  limitInsideMm,
  METHODS,
  reynolds,
  risesAt,
  steadyFlowMlS,
  stokesRiseMmS,
  transport,
  tubeResistance,
  USUAL_DAY,
  USUAL_MEANS,
  velocityMmS,
  vianaFroude,
  type Means,
  type Method,
} from '.';
import {
  cureWords,
  decidingStretch,
  METHOD_VERDICT_WORDS,
  METHOD_WORDS,
  methodReasonWords,
  rankMethods,
  type MethodQuestion,
  type MethodRow,
} from '../../bleed/method';

const question = (layout: Layout, more: Partial<MethodQuestion> = {}): MethodQuestion => ({
  layout,
  bleederIds: layout.bleeders.map((b) => b.id),
  air: new Set(),
  empty: new Set(),
  means: EVERYTHING,
  circumstances: USUAL_DAY,
  viscosity: fluidViscosity('DOT 4', null, 20),
  strokeMl: (p) => strokeVolume(p.chamber).value,
  ...more,
});
const row = (rows: readonly MethodRow[], method: Method) => rows.find((r) => r.method === method)!;
const everywhere = (layout: Layout) =>
  new Set([...layout.nodes, ...layout.stretches].map((e) => e.id));

describe('bubbles', () => {
  // Bretherton 1961, J. Fluid Mech. 10, 166: a long bubble in a vertical tube does not rise below ρ g r²/σ = 0.842.
  test('the limit lies at 3.28 mm, ordinary brake line right at it', () => {
    expect(bondNumber(3.35)).toBeCloseTo(0.876, 2);
    expect(limitInsideMm()).toBeCloseTo(3.28, 2);
    expect(limitInsideMm(0.03)).toBeCloseTo(3.13, 2);
    expect(limitInsideMm(0.036)).toBeCloseTo(3.43, 2);
    expect(bondNumber(limitInsideMm())).toBeCloseTo(BRETHERTON_LIMIT, 12);
  });

  // Water and air, 15 mm: 1.1 cm² bore, about 0.10 m/s is observed; Dumitrescu 1943 gives 0.351 √(gD) without tension and viscosity.
  test('in wide bores with thin liquids the correlation tends to Dumitrescu’s 0.351, within a twentieth', () => {
    expect(vianaFroude(100, 1, 0.073)).toBeGreaterThan(0.351 * 0.95);
    expect(vianaFroude(100, 1, 0.073)).toBeLessThan(0.351 * 1.05);
  });

  // Viana et al. 2003, the two regimes by themselves (from memory): at high buoyancy Reynolds numbers
  // Fr = 0.34/(1 + 3805/Eo^3.06)^0.58, at low ones Fr = 9.494·10⁻³·R^1.026/(1 + 6197/Eo^2.561)^0.5793.
  test.each([15, 20, 60])(
    'the joined correlation of %d mm of bore tends to both of its regimes',
    (mm) => {
      const sigma = 0.073;
      const eotvos = (1050 * 9.81 * (mm / 1000) ** 2) / sigma;
      const nuAt = (reynolds: number) => (Math.sqrt(9.81 * (mm / 1000) ** 3) / reynolds) * 1e6;
      const inertial = 0.34 / (1 + 3805 / eotvos ** 3.06) ** 0.58;
      const viscous = (r: number) =>
        (9.494e-3 * r ** 1.026) / (1 + 6197 / eotvos ** 2.561) ** 0.5793;
      const ratio = (of: number, to: number) => Math.abs(of / to - 1);
      expect(ratio(vianaFroude(mm, nuAt(1e5), sigma), inertial)).toBeLessThan(0.02);
      for (const r of [0.5, 2])
        expect(ratio(vianaFroude(mm, nuAt(r), sigma), viscous(r))).toBeLessThan(0.13);
    },
  );

  test('the rise starts from nothing at the limit and grows with the bore', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 9.9, noNaN: true }),
        fc.double({ min: 3, max: 60, noNaN: true }),
        (insideMm, nu) => {
          const rise = boreFillingRiseMmS(insideMm, nu);
          if (insideMm <= limitInsideMm()) expect(rise).toBe(0);
          expect(boreFillingRiseMmS(insideMm + 0.1, nu)).toBeGreaterThanOrEqual(rise - 1e-9);
          // The correlation joins two regimes and is not smooth where they meet; far apart the thicker fluid is the slower.
          expect(boreFillingRiseMmS(insideMm, nu * 20)).toBeLessThanOrEqual(rise + 1e-9);
        },
      ),
    );
    expect(boreFillingRiseMmS(limitInsideMm() + 1e-6, 15)).toBeLessThan(0.01);
  });

  // Stokes: g d²/(18 ν) by hand, 0.1 mm and 0.02 mm at 15 mm²/s.
  test('fine bubbles rise by Stokes', () => {
    expect(stokesRiseMmS(0.1, 15)).toBeCloseTo(0.363, 3);
    expect(stokesRiseMmS(0.02, 15)).toBeCloseTo(0.0145, 4);
  });
});

describe('flow', () => {
  // Hagen–Poiseuille, textbook: 128 μ L/(π d⁴); 1 mPa·s, 1 m, 1 mm: 4.07e10 Pa·s/m³.
  test('resistance of a tube agrees with the closed form', () => {
    expect(tubeResistance(1000, 1, 1e3 / 1050) / 4.0744e10).toBeCloseTo(1, 4);
    expect(tubeResistance(1000, 2, 10) * 16).toBeCloseTo(tubeResistance(1000, 1, 10), 0);
  });

  test('without a bleeder’s loss to speak of, a long thin line flows as Hagen and Poiseuille say', () => {
    const [path] = paths(layoutOf('motorcycle-front-disc'));
    const thin = { stretches: path!.stretches.map((s) => ({ ...s, insideMm: 1 })) };
    const ideal =
      (1e6 * 50_000) /
      thin.stretches.reduce((sum, s) => sum + tubeResistance(s.lengthMm, 1, 15), 0);
    expect(steadyFlowMlS(thin, 50_000, 15) / ideal).toBeCloseTo(1, 3);
    expect(steadyFlowMlS(thin, 0, 15)).toBe(0);
    expect(steadyFlowMlS(thin, -100, 15)).toBe(0);
  });

  // 1 to 3 mL/s under 60 kPa of vacuum, 2 to 5 under pressure, 0.1 to 1.5 by gravity on a long rear line: common practice, no source.
  test('a long rear line flows as the trade sees it', () => {
    const rear = paths(layoutOf('hatchback-diagonal')).find((p) => p.bleeder.id === 'left-rear')!;
    const at = (kPa: number) => steadyFlowMlS(rear, kPa * 1000 + columnPa(590), 15.5);
    expect(at(60)).toBeGreaterThan(1);
    expect(at(60)).toBeLessThan(3);
    expect(at(100)).toBeGreaterThan(2);
    expect(at(140)).toBeLessThan(5);
    expect(at(0)).toBeGreaterThan(0.1);
    expect(at(0)).toBeLessThan(1.5);
    expect(reynolds(at(100), 3.35, 15.5)).toBeLessThan(2300);
  });

  // 1 mL/s through π/4 mm² of a 1 mm bore: 1273 mm/s.
  test('velocity is flow over bore area', () => {
    expect(velocityMmS(1, 1)).toBeCloseTo(1273.24, 2);
  });

  // The limits of DOT 4 give 11.5 mm²/s at 20 °C, a typical fluid about 15.5; FMVSS 116 for the limits, the rest from memory.
  test('viscosity comes with its band, and stays unsaid for silicone and mineral oil without a data sheet', () => {
    const typical = fluidViscosity('DOT 4', null, 20)!;
    expect(typical.value).toBeCloseTo(15.5, 0);
    expect(typical.value - typical.plusMinus!).toBeCloseTo(11.5, 1);
    for (const { grade } of GRADES)
      expect(fluidViscosity(grade, null, 20) === null).toBe(
        grade === 'DOT 5' || grade === 'mineral oil',
      );
    expect(
      fluidViscosity('DOT 5', null, 20, { viscosityAtMinus40Mm2s: 300, viscosityAt100Mm2s: 15 })!
        .value,
    ).toBeGreaterThan(15);
  });
});

describe('will this flow move that bubble', () => {
  const outfit = layoutOf('sidecar-outfit');
  const sidecar = paths(outfit).find((p) => p.bleeder.id === 'sidecar')!;

  test('a level or rising stretch is swept by any flow, a falling one by enough of it', () => {
    const slow = transport(sidecar, { flowMlS: 0.001, strokeS: null, reverse: false }, risesAt(15));
    for (const s of slow) if (s.fallsMm <= 0) expect(s.verdict).toBe('carried');
    expect(slow.find((s) => s.stretchId === 'hump-down')!.verdict).not.toBe('carried');
    expect(
      transport(sidecar, { flowMlS: 2, strokeS: null, reverse: false }, risesAt(15)).every(
        (s) => s.verdict === 'carried',
      ),
    ).toBe(true);
  });

  test('from below the other stretches fall', () => {
    const down = transport(sidecar, { flowMlS: 1, strokeS: null, reverse: false }, risesAt(15));
    const up = transport(sidecar, { flowMlS: 1, strokeS: null, reverse: true }, risesAt(15));
    down.forEach((s, i) => expect(up[i]!.fallsMm).toBe(-s.fallsMm || 0));
  });

  test('in a wide falling line a long bubble climbs back against a trickle', () => {
    const truck = paths(layoutOf('clutch-nose-up'))[0]!;
    const fall = transport(
      truck,
      { flowMlS: 0.02, strokeS: null, reverse: false },
      risesAt(8),
    ).find((s) => s.stretchId === 'fall')!;
    expect(fall.verdict).toBe('rises back');
    expect(fall.riseMmS.plusMinus).toBeGreaterThan(0);
  });

  test('the rest between strokes counts against them', () => {
    const truck = paths(layoutOf('clutch-nose-up'))[0]!;
    const of = (whole: number) =>
      transport(
        truck,
        { flowMlS: 5, strokeS: { whole, push: 1.5 }, reverse: false },
        risesAt(8),
      ).find((s) => s.stretchId === 'fall')!.marginMmS;
    expect(of(6)).toBeLessThan(of(1.5));
  });

  test('the deciding stretch is truly the worst one', () => {
    fc.assert(
      fc.property(
        arbitraryLayout,
        fc.double({ min: 0.01, max: 5, noNaN: true }),
        (layout, flowMlS) => {
          const flows = paths(layout).map((p) => ({
            bleederId: p.bleeder.id,
            flowMlS: null,
            headMm: {
              label: 'h',
              value: 1,
              unit: 'mm' as const,
              rule: 'r',
              source: { kind: 'model' as const },
              from: [],
            },
            stretches: transport(p, { flowMlS, strokeS: null, reverse: false }, risesAt(15)),
          }));
          const worst = decidingStretch(flows);
          const falling = flows.flatMap((f) => f.stretches).filter((s) => s.fallsMm > 0);
          if (falling.length === 0) expect(worst).toBeNull();
          else expect(worst!.marginMmS).toBe(Math.min(...falling.map((s) => s.marginMmS)));
        },
      ),
    );
  });
});

describe('which method', () => {
  test('what is not at hand cannot work, and says so', () => {
    const nothing: Means = {
      helper: false,
      bottle: false,
      vacuumPump: false,
      pressurePot: false,
      syringe: false,
      selfRefilling: false,
      scanTool: false,
    };
    const rows = rankMethods(question(layoutOf('hatchback-diagonal'), { means: nothing }));
    expect(rows.filter((r) => r.verdict !== 'hopeless').map((r) => r.method)).toEqual(['gravity']);
    expect(USUAL_MEANS.helper).toBe(true);
  });

  // Common practice, no source: two people on a car, one at the lever on a motorcycle.
  test('with everything at hand a car is bled by two, a motorcycle by one at its lever', () => {
    expect(rankMethods(question(layoutOf('hatchback-diagonal')))[0]!.method).toBe('two people');
    expect(rankMethods(question(layoutOf('motorcycle-twin-front')))[0]!.method).toBe(
      'alone at the lever',
    );
    expect(
      rankMethods(
        question(layoutOf('hatchback-diagonal'), {
          circumstances: { ...USUAL_DAY, preferred: 'pressure' },
        }),
      )[0]!.method,
    ).toBe('pressure');
  });

  // Valves that stop a bleed without being faulty: common practice, no source.
  test('valves stop what they stop, each with its cure', () => {
    const estate = rankMethods(question(layoutOf('estate-front-rear')));
    for (const method of ['pressure', 'vacuum'] as const)
      expect(row(estate, method)).toMatchObject({
        verdict: 'hopeless',
        cures: [{ kind: 'hold the valve open', elementId: 'metering' }],
      });
    expect(
      row(rankMethods(question(layoutOf('veteran-single'))), 'gravity').reasons,
    ).toContainEqual(expect.objectContaining({ code: 'residual valve', elementId: 'residual' }));
    const hanging = rankMethods(
      question(layoutOf('three-wheeler'), { circumstances: { ...USUAL_DAY, axleHanging: true } }),
    );
    expect(hanging.every((r) => r.verdict === 'hopeless')).toBe(true);
    expect(row(hanging, 'two people').cures).toContainEqual({
      kind: 'load the axle',
      elementId: 'load',
      byMm: null,
      becomes: 'feasible',
    });
  });

  test('a motorcycle reservoir bears no pressure without the maker’s word, and bears it with it', () => {
    const bike = layoutOf('motorcycle-twin-front');
    expect(row(rankMethods(question(bike)), 'pressure').verdict).toBe('hopeless');
    expect(
      row(
        rankMethods(
          question({
            ...bike,
            reservoirs: bike.reservoirs.map((b) => ({ ...b, makerPressureKpa: 80 })),
          }),
        ),
        'pressure',
      ).verdict,
    ).toBe('feasible');
  });

  // 620 mm of reservoir less 330 mm of outlet less legs of 20 and 440 mm that are full of air: by hand, 170 mm are missing.
  test('gravity over the hump fails by the millimetres that are missing, and raising the master’s end by them cures it', () => {
    const outfit = layoutOf('sidecar-outfit');
    const empty = new Set([
      'pedal-feed',
      'hump-up',
      'hump-down',
      'sidecar-along',
      'sidecar-caliper',
    ]);
    const gravity = row(
      rankMethods(question(outfit, { bleederIds: ['sidecar'], air: empty, empty })),
      'gravity',
    );
    expect(gravity.verdict).toBe('hopeless');
    const noHead = gravity.reasons.find((r) => r.code === 'no head')!;
    expect(noHead.figure!.value).toBe(620 - 330 - 20 - 440);
    expect(methodReasonWords(outfit, noHead)).toContain('170 mm');
    // What is missing, and as much more as makes it flow at a rate that anybody waits for.
    const raise = gravity.cures.find((c) => c.kind === 'raise the master’s end')!;
    expect(raise.becomes).toBe('second best');
    expect(raise.byMm).toBeGreaterThan(171);
    expect(raise.byMm).toBeLessThan(171 + 100);
    expect(gravity.cures).toContainEqual(
      expect.objectContaining({ kind: 'lower the bleeder', byMm: raise.byMm }),
    );
    const strokes = row(
      rankMethods(question(outfit, { bleederIds: ['sidecar'], air: empty, empty })),
      'alone at the lever',
    );
    expect(strokes.verdict).toBe('feasible');
    expect(strokes.deciding!.stretchId).toBe('hump-down');
  });

  test('under vacuum bubbles are no measure, a flow without a data sheet stays unsaid', () => {
    const layout = layoutOf('hatchback-diagonal');
    const airy = rankMethods(question(layout, { air: everywhere(layout) }));
    expect(row(airy, 'vacuum').reasons.map((r) => r.code)).toContain('bubbles mislead');
    const silicone = rankMethods(question(layout, { viscosity: null }));
    expect(
      row(silicone, 'gravity').flows.every((f) => f.flowMlS === null && f.stretches.length === 0),
    ).toBe(true);
    expect(row(silicone, 'gravity').reasons.map((r) => r.code)).toContain('flow not known');
  });

  test('a lever master that lies tilted is cured by turning the lever, and only where air may be', () => {
    const bike = layoutOf('motorcycle-front-disc');
    const tilted = {
      ...bike,
      masters: bike.masters.map((m) => ({ ...m, attitude: 'nose up' as const })),
    };
    // The lever is turned level on the bar to give air a way up: common practice, no source.
    const at = (layout: Layout, air: ReadonlySet<string>) =>
      row(rankMethods(question(layout, { air })), 'alone at the lever');
    expect(at(tilted, everywhere(tilted))).toMatchObject({
      verdict: 'second best',
      cures: [{ kind: 'turn the lever', becomes: 'feasible' }],
    });
    expect(at(bike, everywhere(bike)).verdict).toBe('feasible');
    expect(at(tilted, new Set()).verdict).toBe('feasible');
  });

  test('a bleeder that is not at the top of its part is cured by turning the part', () => {
    const base = layoutOf('motorcycle-front-disc');
    const layout: Layout = {
      ...base,
      bleeders: base.bleeders.map((b) => ({ ...b, atTop: false })),
    };
    const lever = row(
      rankMethods(question(layout, { air: everywhere(layout) })),
      'alone at the lever',
    );
    expect(lever).toMatchObject({
      verdict: 'second best',
      cures: [{ kind: 'turn the part', becomes: 'feasible' }],
    });
  });

  test('every method of every template has a verdict whose words name real things', () => {
    for (const t of layoutTemplates) {
      const layout = t.build(t.driverSides[0]!);
      for (const air of [new Set<string>(), everywhere(layout)]) {
        const rows = rankMethods(question(layout, { air, empty: air }));
        expect(rows.map((r) => r.method).sort()).toEqual([...METHODS].sort());
        for (const r of rows) {
          expect(METHOD_VERDICT_WORDS[r.verdict]).toBeTruthy();
          expect(METHOD_WORDS[r.method].caution).toMatch(/\.$/);
          for (const reason of r.reasons)
            expect(methodReasonWords(layout, reason)).toMatch(/^[A-Z].*\.$/s);
          for (const cure of r.cures) expect(cureWords(layout, cure)).toMatch(/\.$/);
          if (r.verdict === 'hopeless')
            expect(r.reasons.some((x) => x.weight === 'stops') && r.cures.length > 0).toBe(true);
        }
      }
    }
  });
});
