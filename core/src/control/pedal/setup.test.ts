import { layoutOf } from '../../testing';
import { curveOf, pedalSetup, travelMm, wholeForces } from '.';

// By hand from the sizes of the templates (from memory, as the templates say): areas of circles, half of a disc's
// drawing back, hoses by half of their 2.2 mL a metre at 6.895 MPa, 0.0025 mL a MPa for each cm² of piston.
test.each([
  // Two pistons of 30 mm: 2 · π · 15² · 0.15 / 2; hoses of 1.1 m: 0.5 · 2.2 · 1.1/6.895; 2 · 7.069 cm².
  ['motorcycle-front-disc', 'master', 153.938, 0.10603, 0.17549 + 0.03534],
  // Discs in front as above, drums behind in whole: 2 · 2 · π · 9.5² · 1; hoses of 1.24 m; 51.035 + 11.341 cm².
  ['estate-front-rear', 'master', 387.076, 0.38277 + 1.13411, 0.19782 + 0.15594],
  // A clutch's own hose is no matter of the brakes on the same reservoir.
  ['clutch-concentric', 'clutch-master', 285.023, 0, 0.08296 + 0.01767],
] as const)('%s, %s: area, clearance and widening by hand', (template, id, area, ml, perMPa) => {
  const setup = pedalSetup(layoutOf(template), id);
  expect(setup.areaMm2).toBeCloseTo(area, 2);
  expect(setup.clearanceMl.value).toBeCloseTo(ml, 4);
  expect(setup.clearanceMl.plusMinus).toBeCloseTo(0.6 * ml, 4);
  expect(setup.complianceMlPerMPa.value).toBeCloseTo(perMPa, 4);
  expect(setup.complianceMlPerMPa.plusMinus).toBeCloseTo(perMPa / 2, 4);
});

test('the brakes on a shared reservoir have their own hoses and calipers, not the clutch’s', () => {
  const brakes = pedalSetup(layoutOf('clutch-concentric'), 'master');
  // 0.5 · 2.2 · 1.54/6.895, and 2 · (28.274 + 12.566) cm².
  expect(brakes.complianceMlPerMPa.value).toBeCloseTo(0.24569 + 0.2042, 4);
  expect(() => pedalSetup(layoutOf('clutch-concentric'), 'nobody')).toThrow(
    /no master "nobody" in this layout/,
  );
});

// ratio · (play + ΔV/A), with p = (6 · 150 − 100)/153.938 = 5.1969 MPa and Boyle's share of it.
test('a lever’s travel under a firm pull, first stroke and pumped, by hand', () => {
  const curve = curveOf(pedalSetup(layoutOf('motorcycle-front-disc'), 'master'));
  const p = 800 / 153.93804;
  const air = 0.5 * (p / (p + 0.101325));
  const first = 6 * (1.2 + (1000 * (0.106029 + 0.210832 * p + air)) / 153.93804);
  expect(travelMm(curve, 150, 0.5, false)).toBeCloseTo(first, 2);
  expect(travelMm(curve, 150, 0.5, true)).toBeCloseTo(first - (6 * 106.029) / 153.93804, 2);
  expect(travelMm(curve, 10, 0.5, true)).toBeCloseTo(6 * 1.2, 6);
});

// 1.5 and 2.5 × F₀/ratio, light the larger of 50 N and 3.5 × F₀/ratio on a pedal; 20 N and 150 N at a lever.
test('forces by the springs of the layout, whole newtons', () => {
  const of = (template: 'motorcycle-front-disc' | 'hatchback-diagonal') =>
    pedalSetup(layoutOf(template), 'master');
  const lever = of('motorcycle-front-disc');
  expect(wholeForces('lever', lever)).toEqual({ low: [25, 42], light: 20, firm: 150 });
  const pedal = { ...of('hatchback-diagonal'), ratio: 5 };
  expect(wholeForces('pedal', pedal)).toEqual({ low: [30, 50], light: 70, firm: 300 });
  expect(wholeForces('foot', pedal)).toEqual({ low: [30, 50], light: 70, firm: 150 });
  expect(wholeForces('pedal', { ...pedal, ratio: 10 }).light).toBe(50);
});
