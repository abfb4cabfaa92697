import fc from 'fast-check';
import Qty from 'js-quantities';
import {
  fromChosen,
  inUnits,
  isConverted,
  METRIC,
  numberIn,
  UNIT_CHOICES,
  unitIn,
  type UnitChoice,
} from '.';

const INCH: UnitChoice = {
  length: 'in',
  volume: 'fl oz',
  torque: 'lbf·ft',
  temperature: '°F',
  pressure: 'psi',
};

// What each says was worked out with the reference library js-quantities, and rounded as said.
test.each([
  ['111 mm', `${Qty('111 mm').to('in').scalar.toFixed(2)} in`],
  ['22.2 mm', `${Qty('22.2 mm').to('in').scalar.toFixed(3)} in`],
  ['4.8 m', `${Qty('4.8 m').to('ft').scalar.toFixed(1)} ft`],
  ['250 mL', `${Qty('250 ml').to('floz').scalar.toFixed(2)} fl oz`],
  ['13.7 L', `${Qty('13.7 l').to('floz').scalar.toFixed(0)} fl oz`],
  ['232 °C', `${Qty('232 tempC').to('tempF').scalar.toFixed(0)} °F`],
  ['−40 °C', '−40 °F'],
  ['100 kPa', `${Qty('100 kPa').to('psi').scalar.toFixed(1)} psi`],
  ['3.45 MPa', `${Qty('3.45 MPa').to('psi').scalar.toFixed(0)} psi`],
  ['0.7 to 1.4 bar', '10 to 20 psi'],
  ['Set it to 10.8 N·m', 'Set it to 8.0 lbf·ft'],
  ['Wanted 55 to 75 mm.', 'Wanted 2.17 to 2.95 in.'],
  ['between 20 and 40 mm below MAX', 'between 0.79 and 1.57 in below MAX'],
  ['about 0.8 mL, give or take 0.3', 'about 0.027 fl oz, give or take 0.010'],
  ['18.4 of 20 L', '622 of 676 fl oz'],
  ['13,659 mL in all', '461.87 fl oz in all'],
  ['0.35 mL/h', '0.0118 fl oz/h'],
  // A difference of two temperatures has no zero of its own.
  ['12 °C of margin', '22 °F of margin'],
  ['+12 °C', '+22 °F'],
  ['lower by 5 °C', 'lower by 9 °F'],
  ['a limit less 6 °C', 'a limit less 11 °F'],
])('%s is read as %s', (metric, read) => expect(inUnits(metric, INCH)).toBe(read));

test.each([
  'A 10 mm six-point or flare-nut wrench',
  '11 mm flare-nut wrench',
  'wrench 8 mm, quarter turn',
  'copper 150 ppm',
  '226 mm² and 12 mm²/s',
  '30 min, 2 strokes',
  'DOT 5.1 or class 6',
  'M10 × 1',
  '10.8 N·m = 8.0 lbf·ft = 96 lbf·in',
  'Job 12, mL by the jar',
])('what is no quantity of theirs stays: %s', (text) => expect(inUnits(text, INCH)).toBe(text));

test('what is said in both units is said in the chosen one first, and not twice', () => {
  expect(inUnits('111 mm, 4.37 in', INCH)).toBe('4.37 in, 111 mm');
  expect(inUnits('111 mm, 4.37 in', METRIC)).toBe('111 mm, 4.37 in');
});

test('each quantity goes by its own choice', () => {
  const text = '12 mm, 80 mL, 20 °C, 9 N·m and 100 kPa';
  expect(inUnits(text, METRIC)).toBe(text);
  expect(inUnits(text, { ...METRIC, pressure: 'bar' })).toBe(
    '12 mm, 80 mL, 20 °C, 9 N·m and 1.00 bar',
  );
  expect(inUnits(text, { ...METRIC, torque: 'lbf·in', length: 'in' })).toBe(
    '0.47 in, 80 mL, 20 °C, 80 lbf·in and 100 kPa',
  );
});

test('a bare number keeps sign and unit apart', () => {
  expect(numberIn('−3', '°C', INCH, true)).toBe('−5');
  expect(numberIn('0', 'mL', INCH)).toBe('0.00');
  expect(numberIn('39', 'strokes', INCH)).toBe('39');
  expect([unitIn('mL', INCH), unitIn('strokes', INCH), unitIn('mm', METRIC)]).toEqual([
    'fl oz',
    'strokes',
    'mm',
  ]);
});

describe('what is read can be typed', () => {
  const choice = fc.record(
    Object.fromEntries(
      Object.entries(UNIT_CHOICES).map(([q, units]) => [q, fc.constantFrom(...units)]),
    ),
  ) as unknown as fc.Arbitrary<UnitChoice>;
  const unit = fc.constantFrom('mm', 'm', 'mL', 'L', '°C', 'N·m', 'kPa', 'MPa', 'bar');

  test('there and back is the same within what is shown, in every choice of units', () => {
    fc.assert(
      fc.property(choice, unit, fc.integer({ min: 1, max: 5000 }), (units, of, value) => {
        const back = fromChosen(Number(numberIn(String(value), of, units)), of, units);
        // Half of the last place that is shown: a whole psi is 0.07 bar, a whole lbf·ft 1.36 N·m.
        const shown = of === 'N·m' ? 0.68 : 0.5;
        expect(Math.abs(back - value)).toBeLessThanOrEqual(
          isConverted(of, units) ? shown + 1e-9 : 0,
        );
      }),
    );
  });

  test('read twice is read once', () => {
    fc.assert(
      fc.property(choice, unit, fc.integer({ min: 1, max: 5000 }), (units, of, value) => {
        const once = inUnits(`${value} ${of}`, units);
        expect(inUnits(once, units)).toBe(once);
      }),
    );
  });
});
