import fc from 'fast-check';
import {
  CLIMATES,
  fitUptake,
  forecastMonths,
  monthsUntilPercent,
  SATURATION_PERCENT,
  TIME_CONSTANT_MONTHS,
  waterAfterPercent,
} from '.';

const climate = fc.constantFrom(...CLIMATES);

describe('uptake', () => {
  // About 3 % after two years in temperate air: common practice, no source.
  test('temperate air brings 3 % in 24 months', () =>
    expect(waterAfterPercent(24, 'temperate')).toBeCloseTo(3, 12));
  test('begins dry, rises, and never passes saturation', () => {
    fc.assert(
      fc.property(climate, fc.double({ min: 0, max: 200, noNaN: true }), (c, months) => {
        expect(waterAfterPercent(0, c)).toBe(0);
        expect(waterAfterPercent(months + 1, c)).toBeGreaterThan(waterAfterPercent(months, c));
        expect(waterAfterPercent(months, c)).toBeLessThan(SATURATION_PERCENT[c]);
      }),
    );
  });
  test('turns back into the same months', () => {
    fc.assert(
      fc.property(climate, fc.double({ min: 0.1, max: 100, noNaN: true }), (c, months) =>
        expect(monthsUntilPercent(waterAfterPercent(months, c), c)).toBeCloseTo(months, 5),
      ),
    );
  });
  test('saturation is never reached', () => expect(monthsUntilPercent(3.5, 'dry')).toBeNull());
  test('damper air is faster', () =>
    expect(waterAfterPercent(12, 'humid')).toBeGreaterThan(waterAfterPercent(12, 'dry')));
  test('what cannot be is refused', () => {
    expect(() => waterAfterPercent(-1, 'dry')).toThrow(/0 or more/);
    expect(() => waterAfterPercent(1, 'dry', 0)).toThrow(/above 0/);
  });
});

describe('fit to a vehicle’s own measurements', () => {
  const readings = (tau: number, months: readonly number[]) =>
    months.map((m) => ({ months: m, waterPercent: waterAfterPercent(m, 'temperate', tau) }));

  test('nothing measured leaves what the climate says, with a wide band', () => {
    expect(fitUptake('humid', [])).toMatchObject({
      tauMonths: TIME_CONSTANT_MONTHS,
      lnTauSd: 0.5,
      measurements: 0,
    });
  });

  test('many measurements find the time constant that made them', () => {
    for (const tau of [12, 26, 45]) {
      const { tauMonths } = fitUptake(
        'temperate',
        readings(tau, [3, 6, 9, 12, 15, 18, 21, 24, 30, 36]),
      );
      expect(Math.abs(tauMonths / tau - 1)).toBeLessThan(0.05);
    }
  });

  test('one measurement draws it part of the way, and narrows the band', () => {
    const { tauMonths, lnTauSd } = fitUptake('temperate', readings(12, [6]));
    expect(tauMonths).toBeGreaterThan(12);
    expect(tauMonths).toBeLessThan(TIME_CONSTANT_MONTHS);
    expect(lnTauSd).toBeLessThan(0.5);
  });

  // Reference: the maximum of the same posterior, found by trying a fine grid.
  test('agrees with the maximum that a grid finds', () => {
    const measured = fc.array(
      fc.record({
        months: fc.double({ min: 1, max: 60, noNaN: true }),
        waterPercent: fc.double({ min: 0, max: 4.5, noNaN: true }),
      }),
      { minLength: 1, maxLength: 5 },
    );
    fc.assert(
      fc.property(measured, (given) => {
        const cost = (lnTau: number) =>
          ((lnTau - Math.log(TIME_CONSTANT_MONTHS)) / 0.5) ** 2 +
          given.reduce(
            (sum, m) =>
              sum +
              ((m.waterPercent - waterAfterPercent(m.months, 'temperate', Math.exp(lnTau))) /
                0.3) **
                2,
            0,
          );
        let best = Infinity;
        for (let lnTau = 0; lnTau < 7; lnTau += 0.005) best = Math.min(best, cost(lnTau));
        expect(cost(Math.log(fitUptake('temperate', given).tauMonths))).toBeLessThanOrEqual(
          best + 0.02 * best + 1e-3,
        );
      }),
      { numRuns: 60 },
    );
  });

  test('more measurements never widen the band', () => {
    const months = [6, 12, 18, 24];
    const sds = months.map(
      (_, i) => fitUptake('temperate', readings(20, months.slice(0, i + 1))).lnTauSd,
    );
    expect(sds).toEqual([...sds].sort((a, b) => b - a));
  });

  test.each([
    [{ months: 0, waterPercent: 1 }, /months above 0/],
    [{ months: 5, waterPercent: 11 }, /0 to 10 %/],
  ])('%j is refused', (m, words) => {
    expect(() => fitUptake('dry', [m])).toThrow(words);
  });
});

describe('forecast', () => {
  test('without a measurement it is the climate’s, and the band is wide', () => {
    const forecast = forecastMonths(fitUptake('temperate', []), 3);
    expect(forecast).toMatchObject({
      kind: 'in months',
      months: {
        value: expect.closeTo(24, 6),
        rule: expect.stringContaining('nothing was measured'),
      },
    });
    if (forecast.kind !== 'in months') throw new Error('no date');
    expect(forecast.latestMonths! / forecast.earliestMonths).toBeGreaterThan(4);
  });
  test('the band holds the forecast', () => {
    fc.assert(
      fc.property(climate, fc.double({ min: 1, max: 3.4, noNaN: true }), (c, limit) => {
        const f = forecastMonths(fitUptake(c, []), limit);
        if (f.kind !== 'in months') return;
        expect(f.earliestMonths).toBeLessThan(f.months.value);
        if (f.latestMonths !== null) expect(f.latestMonths).toBeGreaterThan(f.months.value);
      }),
    );
  });
  test('"not within ten years" is an answer', () => {
    expect(forecastMonths(fitUptake('dry', []), 3.6)).toEqual({ kind: 'not within ten years' });
    expect(
      forecastMonths({ climate: 'dry', tauMonths: 300, lnTauSd: 0.1, measurements: 3 }, 3).kind,
    ).toBe('not within ten years');
  });
});
