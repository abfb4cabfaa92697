import fc from 'fast-check';
import { ENTRY, figure } from '../../base/figure';
import { atLocalPressureC, toStandardPressureC, pressureAtAltitudeHpa } from '../verdict';
import {
  brakeHeatW,
  simulateHeat,
  SMALL_CAR,
  lastBrakingHeatJ,
  twoMasses,
  vapourMargin,
  type HeatPhase,
  type TwoMasses,
} from '.';

const boiling = (value: number) =>
  figure({ label: 'Boiling point', value, unit: '°C', rule: 'measured', source: ENTRY });
const hill = (more: Partial<Parameters<typeof vapourMargin>[0]> = {}) =>
  vapourMargin({
    vehicle: SMALL_CAR,
    road: [{ lengthM: 8000, dropM: 560, speedMs: 14 }],
    airC: 20,
    altitudeM: 0,
    boiling: boiling(180),
    ...more,
  });

describe('heat into one brake', () => {
  // By hand: 1400·9.80665·0.07·14 = 13,455 W down the slope; drag ½·1.2·0.65·14³ = 1070 W; rolling 0.012·13,729·0.99755·14 = 2301 W; 70 % on two brakes.
  test('is what the slope gives less drag and rolling', () => {
    expect(brakeHeatW(SMALL_CAR, { lengthM: 8000, dropM: 560, speedMs: 14 })).toBeCloseTo(
      ((13_455 - 1070 - 2301) * 0.7) / 2,
      -1,
    );
  });
  test('is none uphill, and less with the engine’s help', () => {
    expect(brakeHeatW(SMALL_CAR, { lengthM: 1000, dropM: -30, speedMs: 14 })).toBe(0);
    const road = { lengthM: 1000, dropM: 80, speedMs: 14 };
    expect(brakeHeatW({ ...SMALL_CAR, engineShare: 0.4 }, road)).toBeCloseTo(
      0.6 * brakeHeatW(SMALL_CAR, road),
      9,
    );
  });
  test('of a stop is what the vehicle has in motion', () =>
    expect(lastBrakingHeatJ(SMALL_CAR, 20)).toBe((0.5 * 1400 * 400 * 0.7) / 2));
  test.each([
    [{ lengthM: 100, dropM: 100, speedMs: 10 }, /drops/],
    [{ lengthM: 0, dropM: 0, speedMs: 10 }, /drops/],
    [{ lengthM: 100, dropM: 5, speedMs: 0 }, /speedMs/],
  ])('%j is refused', (piece, words) => {
    expect(() => brakeHeatW(SMALL_CAR, piece)).toThrow(words);
  });
});

describe('two masses', () => {
  const phases = fc.array(
    fc.record<HeatPhase>({
      seconds: fc.double({ min: 1, max: 1200, noNaN: true }),
      heatW: fc.double({ min: 0, max: 20_000, noNaN: true }),
      speedMs: fc.double({ min: 0, max: 40, noNaN: true }),
    }),
    { minLength: 1, maxLength: 6 },
  );

  test('energy balance: heat in is heat stored and heat shed', () => {
    fc.assert(
      fc.property(phases, (given) => {
        const run = simulateHeat(twoMasses(6, 5), given, 20);
        expect(Math.abs(run.inJ - run.storedJ - run.shedJ)).toBeLessThanOrEqual(
          1e-6 * Math.max(1, run.inJ),
        );
      }),
      { numRuns: 40 },
    );
  });

  test('nothing gets colder than the air, and the peak is the hottest point', () => {
    fc.assert(
      fc.property(phases, (given) => {
        const run = simulateHeat(twoMasses(6, 5), given, 20);
        const fluids = run.points.map((p) => p.fluidC);
        expect(Math.min(...fluids)).toBeGreaterThanOrEqual(20 - 1e-9);
        expect(Math.max(...fluids)).toBe(run.peak.fluidC);
      }),
      { numRuns: 40 },
    );
  });

  // One mass that sheds to the air: ΔT = P/hA·(1 − e^(−hA·t/C)), the textbook lumped capacity (Incropera, Fundamentals of Heat and Mass Transfer).
  test('without a way to the caliper the disc follows the closed form', () => {
    const alone: TwoMasses = {
      discJK: 3000,
      caliperJK: 3000,
      betweenWK: 0,
      discAirWK: 10,
      discAirWKPerMs: 0,
      caliperAirWK: 1,
    };
    const run = simulateHeat(alone, [{ seconds: 600, heatW: 2000, speedMs: 0 }], 20);
    expect(run.points.at(-1)!.discC).toBeCloseTo(20 + 200 * (1 - Math.exp(-2)), 6);
    expect(run.points.at(-1)!.fluidC).toBe(20);
  });

  // Steady state of the two-node network: P = hA_d·ΔT_d + hA_c·ΔT_c and G·(ΔT_d − ΔT_c) = hA_c·ΔT_c.
  test('after hours of the same heat it stands where the network balances', () => {
    const m: TwoMasses = {
      discJK: 300,
      caliperJK: 300,
      betweenWK: 3,
      discAirWK: 10,
      discAirWKPerMs: 0,
      caliperAirWK: 1.5,
    };
    const { discC, fluidC } = simulateHeat(
      m,
      [{ seconds: 10_000, heatW: 1000, speedMs: 0 }],
      0,
    ).points.at(-1)!;
    const disc = 1000 / (10 + (1.5 * 3) / 4.5);
    expect(discC).toBeCloseTo(disc, 6);
    expect(fluidC).toBeCloseTo((disc * 3) / 4.5, 6);
  });

  // By hand: a stop from 100 km/h of 1400 kg, 70 % in front on two discs, is ½·1400·27.78²·0.35 =
  // 189 kJ; 6 kg of iron at 500 J/(kg·K) take 63 K of it (specific heats from memory).
  test('one stop from 100 km/h warms a disc of 6 kg by 63 K before anything is shed', () => {
    const joule = lastBrakingHeatJ(SMALL_CAR, 100 / 3.6);
    expect(joule).toBeCloseTo(189_043, -1);
    const run = simulateHeat(twoMasses(6, 5), [{ seconds: 1, heatW: joule, speedMs: 0 }], 20);
    expect(run.points.at(-1)!.discC - 20).toBeGreaterThan(62.5);
    expect(run.points.at(-1)!.discC - 20).toBeLessThan(63.1);
  });

  // By hand: 3000 J/K of disc and 5 kg · 600 J/(kg·K) of caliper with its fluid share 189 kJ: 31.5 K each,
  // when nothing is shed (specific heats from memory). The way between them, 3 W/K against 3000 J/K
  // twice, evens out in 500 s: after 500 s a share e^−1 of the difference is left.
  test('what a stop leaves in the disc is shared with the caliper', () => {
    const shut = { ...twoMasses(6, 5), discAirWK: 0, discAirWKPerMs: 0, caliperAirWK: 0 };
    const joule = lastBrakingHeatJ(SMALL_CAR, 100 / 3.6);
    const stop = { seconds: 1, heatW: joule, speedMs: 0 };
    const even = simulateHeat(shut, [stop, { seconds: 21_000, heatW: 0, speedMs: 0 }], 20);
    expect(even.points.at(-1)!.discC - 20).toBeCloseTo(189_043 / 6000, 1);
    expect(even.points.at(-1)!.fluidC).toBeCloseTo(even.points.at(-1)!.discC, 6);
    const soon = simulateHeat(shut, [stop, { seconds: 500, heatW: 0, speedMs: 0 }], 20);
    const { discC, fluidC } = soon.points.at(-1)!;
    expect((discC - fluidC) / (189_043 / 3000)).toBeCloseTo(Math.exp(-1), 2);
  });

  // By hand: 1 kW for ever, at 10 m/s: the disc sheds 4 + 1.2·10 = 16 W/K, and through the caliper
  // 3·1.5/(3 + 1.5) = 1 W/K: 58.8 K on the disc, two thirds of it, 39.2 K, in the fluid. Standing,
  // 4 + 1 W/K: 200 K and 133 K. Conductances are starting values of ours, from memory.
  test.each([
    [10, 58.8, 39.2],
    [0, 200, 133.3],
  ])(
    'a small car’s brake at 1 kW and %d m/s comes to rest at +%d K, its fluid at +%d K',
    (speedMs, disc, fluid) => {
      const phase = { seconds: 21_600, heatW: 1000, speedMs };
      const { discC, fluidC } = simulateHeat(twoMasses(6, 5), [phase], 0).points.at(-1)!;
      expect(discC).toBeCloseTo(disc, 0);
      expect(fluidC).toBeCloseTo(fluid, 0);
    },
  );

  // Bodies of one shape: what is stored goes by the weight, what is shed by the surface, weight^(2/3).
  test('eight times the weight stores eight times as much and sheds four times as much', () => {
    const small = twoMasses(6, 5);
    const large = twoMasses(48, 40);
    for (const key of ['discJK', 'caliperJK'] as const)
      expect(large[key]).toBeCloseTo(8 * small[key], 6);
    for (const key of ['betweenWK', 'discAirWK', 'discAirWKPerMs', 'caliperAirWK'] as const)
      expect(large[key]).toBeCloseTo(4 * small[key], 6);
    // Each by its own weight: a heavier disc alone changes nothing at the caliper.
    expect(twoMasses(48, 5)).toMatchObject({
      betweenWK: small.betweenWK,
      caliperAirWK: small.caliperAirWK,
      caliperJK: small.caliperJK,
    });
  });

  test('more than six hours are refused', () =>
    expect(() =>
      simulateHeat(twoMasses(6, 5), [{ seconds: 30_000, heatW: 0, speedMs: 0 }], 20),
    ).toThrow(/21,600/));
});

describe('margin', () => {
  // Heat soak after the stop: a fact of the trade, common practice, no source.
  test('the fluid is hottest while the vehicle stands, after the stop', () => {
    const { heat } = hill();
    const driving = 8000 / 14 + 14 / 3;
    expect(heat.peak.seconds).toBeGreaterThan(driving);
    expect(heat.points.at(-1)!.seconds).toBeCloseTo(driving + 900, 6);
  });
  test('a heavier vehicle, a longer hill and wetter fluid each leave less', () => {
    const margin = hill().margin.value;
    expect(hill({ vehicle: { ...SMALL_CAR, massKg: 1900 } }).margin.value).toBeLessThan(margin);
    expect(
      hill({ road: [{ lengthM: 16_000, dropM: 1120, speedMs: 14 }] }).margin.value,
    ).toBeLessThan(margin);
    expect(hill({ boiling: boiling(160) }).margin.value).toBeCloseTo(margin - 20, 9);
  });
  test('thin air lowers the boiling point once, the way the standard raises it', () => {
    for (const c of [165, 185, 230])
      expect(
        toStandardPressureC(atLocalPressureC(c, 1500), pressureAtAltitudeHpa(1500)),
      ).toBeCloseTo(c, 0);
    expect(hill({ altitudeM: 1500 }).margin.value).toBeLessThan(hill().margin.value);
  });
  // The same descent step by step by hand-written Euler steps of a hundredth of a second, with the
  // balances of the head of this file: 571 s of 3,529 W at 14 m/s, 4.7 s of the stop at 7 m/s, 900 s
  // standing. Small steps of another scheme check the phases, their heats and their speeds.
  test('the whole descent agrees with the balance taken in small steps', () => {
    let [disc, fluid, hottest] = [0, 0, 0];
    const brakingS = 14 / 3;
    for (const [seconds, watt, speed] of [
      [8000 / 14, brakeHeatW(SMALL_CAR, { lengthM: 8000, dropM: 560, speedMs: 14 }), 14],
      [brakingS, (0.5 * 1400 * 14 ** 2 * 0.35) / brakingS, 7],
      [900, 0, 0],
    ] as const) {
      for (let t = 0; t < seconds; t += 0.01) {
        const across = 3 * (disc - fluid);
        disc += (0.01 * (watt - across - (4 + 1.2 * speed) * disc)) / 3000;
        fluid += (0.01 * (across - 1.5 * fluid)) / 3000;
        hottest = Math.max(hottest, fluid);
      }
    }
    expect(hill().peakFluid.value).toBeCloseTo(20 + hottest, 0);
    expect(hill().margin.value).toBeCloseTo(180 - 20 - hottest, 0);
  });

  test('it opens to what it rests on, and a road without a piece is refused', () => {
    expect(hill().margin.from.map((f) => f.label)).toEqual([
      'Boiling point there',
      'Hottest fluid',
    ]);
    expect(() => hill({ road: [] })).toThrow(/at least one/);
  });
});
