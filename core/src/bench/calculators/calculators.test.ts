import { calculatorFault, CALCULATORS, type Calculator } from '.';

const of = (id: string): Calculator => CALCULATORS.find((c) => c.id === id)!;
const values = (id: string, given: Record<string, number>) =>
  of(id)
    .reckon(given)
    .map((f) => f.value);
const first = (id: string, given: Record<string, number>) => values(id, given)[0]!;

// Boyle and the lever by hand: 5 × 70 N − 100 N on 387.1 mm² are 0.646 MPa; of a bubble 0.646/(0.646 + 0.101325) is gone.
test('air from travel: 10 mm lower on 22.2 mm and ratio 5', () => {
  const given = { lowerMm: 10, forceN: 70, boreMm: 22.2, ratio: 5, springsN: 100, altitudeM: 0 };
  const p = 250 / 387.08;
  expect(first('air', given)).toBeCloseTo((2 * 0.38708) / (p / (p + 0.101325)), 3);
  expect(values('air', given)[1]).toBeCloseTo(p, 3);
  expect(of('air').reckon(given)[0]!.plusMinus).toBeGreaterThan(0);
  expect(() => of('air').reckon({ ...given, forceN: 20 })).toThrow(/more than 20 N/);
  expect(() => of('air').reckon({ ...given, forceN: 21 })).not.toThrow();
  // ISO 2533:1975, table: 79,501 Pa at 2,000 m.
  const high = { ...given, altitudeM: 2000 };
  expect(first('air', high)).toBeCloseTo((2 * 0.38708) / (p / (p + 0.079501)), 3);
});

// By hand: 12 mm at ratio 6 are 2 mm of rod, on 14 mm (153.9 mm²) 0.308 mL, over 8 h.
test('a lever that came 12 mm nearer overnight', () => {
  const given = { lostMm: 12, hours: 8, boreMm: 14, ratio: 6 };
  expect(values('leak', given)).toEqual([expect.closeTo(0.0385, 4), expect.closeTo(0.3079, 4)]);
  expect(first('leak', { ...given, lostMm: 0 })).toBe(0);
  expect(of('leak').reckon({ ...given, lostMm: 0 })[0]!.plusMinus).toBeGreaterThan(0);
});

test('a rod is turned by the middle of the window, held back by its play', () => {
  const given = { takeUpMm: 30, leastMm: 55, mostMm: 75, pitchMm: 1.25, ratio: 6, playMm: 8 };
  expect(first('pushrod', given)).toBeCloseTo(35 / 7.5, 9);
  expect(of('pushrod').reckon(given)[0]!.label).toBe('Turns, rod longer');
  const tight = of('pushrod').reckon({ ...given, playMm: 3 });
  expect(tight[0]!.value).toBeCloseTo(2 / 1.25, 9);
  expect(tight[0]!.rule).toMatch(/free play holds it back/);
  expect(of('pushrod').reckon({ ...given, takeUpMm: 90 })[0]!.label).toBe('Turns, rod shorter');
  expect(() => of('pushrod').reckon({ ...given, mostMm: 55 })).toThrow(/more than 55 mm/);
});

// Areas go by the square of the diameter: 22.2 to 19.05 mm (7/8 to 3/4 in) is 1.36 times.
test('a smaller bore gives more pressure and asks as much more travel', () => {
  expect(values('bore', { oldMm: 22.225, newMm: 19.05 })).toEqual([
    expect.closeTo((7 / 6) ** 2, 9),
    expect.closeTo((7 / 6) ** 2, 9),
  ]);
});

// The textbook rule T·L/(L + E): 40 N·m, 400 mm and 100 mm straight on are 32 N·m, square on 40.
test('a crow-foot: straight on it is set lower, square on as it is', () => {
  const given = { torqueNm: 40, wrenchMm: 400, extensionMm: 100, angleDeg: 0 };
  expect(first('crow-foot', given)).toBeCloseTo(32, 9);
  expect(first('crow-foot', { ...given, angleDeg: 90 })).toBeCloseTo(40, 9);
});

test('tubes, strokes and rinses by the closed form', () => {
  expect(first('line', { insideMm: 3.35, lengthM: 1 })).toBeCloseTo(8.814, 3);
  expect(first('stroke', { boreMm: 20, strokeMm: 10 })).toBeCloseTo(Math.PI, 9);
  // Half and half, stirred and drawn off three times: an eighth.
  expect(first('rinse', { restMl: 50, rinseMl: 50, rinses: 3 })).toBeCloseTo(12.5, 9);
});

// FMVSS 116 and ISO 4925: DOT 4 boils at 230 °C or more dry, at 155 °C or more with 3.7 % of water.
test('boiling point: the limits of the standard at its two ends', () => {
  expect(first('boiling', { waterPercent: 0 })).toBeCloseTo(230, 6);
  expect(first('boiling', { waterPercent: 3.7 })).toBeCloseTo(155, 6);
});

// Stokes: twice the bubble rises four times as fast.
test('bubbles rise by the square of their size, slower where it is cold', () => {
  const given = { bubbleMm: 0.1, heightMm: 100, temperatureC: 15 };
  const minutes = first('rest', given);
  expect(first('rest', { ...given, bubbleMm: 0.2 })).toBeCloseTo(minutes / 4, 9);
  expect(first('rest', { ...given, temperatureC: 0 })).toBeGreaterThan(minutes);
});

describe.each(CALCULATORS)('$id', (calculator) => {
  const { fields, reckon } = calculator;
  const middle = Object.fromEntries(
    fields.map((f) => [f.key, f.usual ?? Math.ceil((f.least + f.most) / 2)]),
  );

  test('each field is asked once, and what is usual may be given', () => {
    expect(new Set(fields.map((f) => f.key)).size).toBe(fields.length);
    for (const f of fields) {
      if (f.usual !== undefined) expect(calculatorFault(f, f.usual)).toBeNull();
      expect(calculatorFault(f, f.least)).toBeNull();
      expect(calculatorFault(f, f.least - 1)).toMatch(/should be/);
      expect(calculatorFault(f, f.most + 1)).toMatch(/should be/);
      expect(calculatorFault(f, NaN)).toMatch(/should be/);
    }
  });

  test('what it answers opens to a rule and to what was typed in', () => {
    const given = calculator.id === 'pushrod' ? { ...middle, leastMm: 55, mostMm: 75 } : middle;
    const figures = reckon(given);
    expect(figures.length).toBeGreaterThan(0);
    for (const f of figures) {
      expect(f.rule).not.toBe('');
      expect(f.from.length).toBeGreaterThan(0);
    }
  });
});
