import fc from 'fast-check';
import Qty from 'js-quantities';
import {
  inOtherUnit,
  inRange,
  rangeWords,
  convertLength,
  convertPressure,
  convertTemperature,
  convertTorque,
  convertVolume,
  type LengthUnit,
  type PressureUnit,
  type TorqueUnit,
  type VolumeUnit,
} from '.';

// Reference library: js-quantities. Its fluid ounce is the US one; the imperial one is built from the gallon of 4.54609 L (Weights and Measures Act 1985).
const VOLUME: Record<VolumeUnit, string | null> = {
  mL: 'ml',
  L: 'l',
  flOzUs: 'floz',
  flOzImp: null,
};
const LENGTH: Record<LengthUnit, string> = { mm: 'mm', m: 'm', in: 'in', ft: 'ft' };
const amount = fc.double({ min: 0.001, max: 1e6, noNaN: true });

const close = (actual: number, expected: number) =>
  expect(Math.abs(actual - expected)).toBeLessThanOrEqual(1e-6 * Math.abs(expected) + 1e-9);

test('volumes agree with the reference library', () => {
  const known = (Object.keys(VOLUME) as VolumeUnit[]).filter((u) => VOLUME[u] !== null);
  fc.assert(
    fc.property(amount, fc.constantFrom(...known), fc.constantFrom(...known), (value, from, to) => {
      close(convertVolume(value, from, to), Qty(value, VOLUME[from]!).to(VOLUME[to]!).scalar);
    }),
  );
});

test('an imperial fluid ounce is 1/160 of the gallon of 4.54609 L', () => {
  close(convertVolume(160, 'flOzImp', 'L'), 4.54609);
});

test('lengths agree with the reference library', () => {
  const units = Object.keys(LENGTH) as LengthUnit[];
  fc.assert(
    fc.property(amount, fc.constantFrom(...units), fc.constantFrom(...units), (value, from, to) => {
      close(convertLength(value, from, to), Qty(value, LENGTH[from]).to(LENGTH[to]).scalar);
    }),
  );
});

test('torques agree with the reference library', () => {
  const units: Record<TorqueUnit, string> = {
    'N·m': 'N*m',
    'lbf·ft': 'lbf*ft',
    'lbf·in': 'lbf*in',
  };
  const all = Object.keys(units) as TorqueUnit[];
  fc.assert(
    fc.property(amount, fc.constantFrom(...all), fc.constantFrom(...all), (value, from, to) => {
      close(convertTorque(value, from, to), Qty(value, units[from]).to(units[to]).scalar);
    }),
  );
});

test('pressures agree with the reference library', () => {
  const units: Record<PressureUnit, string> = { kPa: 'kPa', MPa: 'MPa', bar: 'bar', psi: 'psi' };
  const all = Object.keys(units) as PressureUnit[];
  fc.assert(
    fc.property(amount, fc.constantFrom(...all), fc.constantFrom(...all), (value, from, to) => {
      close(convertPressure(value, from, to), Qty(value, units[from]).to(units[to]).scalar);
    }),
  );
});

test('temperatures agree with the reference library', () => {
  fc.assert(
    fc.property(fc.double({ min: -100, max: 700, noNaN: true }), (value) => {
      close(convertTemperature(value, '°F', '°C'), Qty(value, 'tempF').to('tempC').scalar);
      close(convertTemperature(value, '°C', '°F'), Qty(value, 'tempC').to('tempF').scalar);
    }),
  );
});

test('there and back gives the same', () => {
  fc.assert(
    fc.property(amount, (v) =>
      close(convertTemperature(convertTemperature(v, '°C', '°F'), '°F', '°C'), v),
    ),
  );
  expect(convertTemperature(212, '°F', '°C')).toBe(100);
  expect(convertTemperature(37, '°C', '°C')).toBe(37);
});

describe('what may be given', () => {
  const degrees = { what: 'Temperature', unit: '°C', least: -30, most: 50 };

  test.each([
    [-30, true],
    [50, true],
    [12.5, true],
    [-30.1, false],
    [50.1, false],
    [NaN, false],
  ])('%p °C from −30 to 50: %p', (value, may) => expect(inRange(degrees, value)).toBe(may));

  test('whole numbers only where pieces are counted', () => {
    const count = { what: 'Count', unit: '', least: 1, most: 40, whole: true } as const;
    expect([1, 40, 2.5, 0, 41].map((n) => inRange(count, n))).toEqual([
      true,
      true,
      false,
      false,
      false,
    ]);
    expect(rangeWords(count)).toBe('1 to 40');
  });

  test('in words, with a true minus and thousands parted', () => {
    expect(rangeWords(degrees)).toBe('−30 to 50 °C');
    expect(rangeWords({ what: 'Fluid', unit: 'mL', least: 0, most: 20_000 })).toBe(
      '0 to 20,000 mL',
    );
  });
});

// Reference library: js-quantities.
test.each([
  [10.8, 'N·m', Qty('10.8 N*m').to('lbf*ft').scalar, 1, 'lbf·ft'],
  [4.9, 'N·m', Qty('4.9 N*m').to('lbf*in').scalar, 0, 'lbf·in'],
  [5, 'N·m', Qty('5 N*m').to('lbf*ft').scalar, 1, 'lbf·ft'],
  [111, 'mm', Qty('111 mm').to('in').scalar, 2, 'in'],
  [4.8, 'm', Qty('4.8 m').to('ft').scalar, 1, 'ft'],
  [250, 'mL', Qty('250 ml').to('floz').scalar, 2, 'US fl oz'],
  [232, '°C', Qty('232 tempC').to('tempF').scalar, 0, '°F'],
  [100, 'kPa', Qty('100 kPa').to('psi').scalar, 1, 'psi'],
  [3.5, 'MPa', Qty('3500 kPa').to('psi').scalar, 0, 'psi'],
] as const)('%p %s in the other unit of the trade', (value, unit, expected, digits, other) => {
  expect(inOtherUnit(value, unit)).toBe(`${expected.toFixed(digits)} ${other}`);
});

test('what nobody says in another unit has none; below nothing it keeps its sign', () => {
  expect(inOtherUnit(3, 'strokes')).toBeNull();
  expect(inOtherUnit(-40, '°C')).toBe('−40 °F');
});
