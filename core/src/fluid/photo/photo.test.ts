import { converter, differenceCiede2000 } from 'culori';
import fc from 'fast-check';
import { COLOURS, SWATCHES, type Colour } from '../verdict';
import { cielab, ciede2000, PHOTO_WORDS, readColour, type Lab, type Picture, type Rgb } from '.';

const channel = fc.integer({ min: 0, max: 255 });
const rgb: fc.Arbitrary<Rgb> = fc.tuple(channel, channel, channel);
const lab: fc.Arbitrary<Lab> = fc.tuple(
  fc.double({ min: 0, max: 100, noNaN: true }),
  fc.double({ min: -100, max: 100, noNaN: true }),
  fc.double({ min: -100, max: 100, noNaN: true }),
);

// Reference library: culori 4, its CIELAB of white D65.
test('CIELAB agrees with a reference library', () => {
  const reference = converter('lab65');
  fc.assert(
    fc.property(rgb, (c) => {
      const { l, a, b } = reference({ mode: 'rgb', r: c[0] / 255, g: c[1] / 255, b: c[2] / 255 });
      const ours = cielab(c);
      expect(Math.hypot(ours[0] - l, ours[1] - (a ?? 0), ours[2] - (b ?? 0))).toBeLessThan(0.02);
    }),
  );
});

test('CIEDE2000 agrees with a reference library', () => {
  const reference = differenceCiede2000();
  const named = ([l, a, b]: Lab) => ({ mode: 'lab65' as const, l, a, b });
  fc.assert(
    fc.property(lab, lab, (p, q) =>
      expect(ciede2000(p, q)).toBeCloseTo(reference(named(p), named(q)), 6),
    ),
  );
});

// Sharma, Wu and Dalal 2005, table 1, pairs 1 to 8.
test.each<[Lab, Lab, number]>([
  [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
  [[50, 3.1571, -77.2803], [50, 0, -82.7485], 2.8615],
  [[50, 2.8361, -74.02], [50, 0, -82.7485], 3.4412],
  [[50, -1.3802, -84.2814], [50, 0, -82.7485], 1],
  [[50, -1.1848, -84.8006], [50, 0, -82.7485], 1],
  [[50, -0.9009, -85.5211], [50, 0, -82.7485], 1],
  [[50, 0, 0], [50, -1, 2], 2.3669],
  [[50, -1, 2], [50, 0, 0], 2.3669],
])('%j and %j differ by %p', (p, q, difference) =>
  expect(ciede2000(p, q)).toBeCloseTo(difference, 4),
);

test('white is white in every light', () => {
  fc.assert(
    fc.property(
      fc.tuple(
        fc.integer({ min: 60, max: 255 }),
        fc.integer({ min: 60, max: 255 }),
        fc.integer({ min: 60, max: 255 }),
      ),
      (white) =>
        cielab(white, white).forEach((v, i) => expect(v).toBeCloseTo(i === 0 ? 100 : 0, 3)),
    ),
  );
});
test('what is no colour, and a white without light, are refused', () => {
  expect(() => cielab([256, 0, 0])).toThrow(/0 to 255/);
  expect(() => cielab([NaN, 0, 0])).toThrow(/0 to 255/);
  expect(() => cielab([1, 1, 1], [0, 0, 0])).toThrow(/some light/);
});

type Light = readonly [red: number, green: number, blue: number];
/** A jar on white paper, drawn: each surface times the light in linear sRGB, with the grain of a phone's camera. */
function draw(fluid: Rgb, light: Light, paper: Rgb = [244, 244, 244]): Picture {
  const [width, height] = [200, 120];
  const data = new Uint8ClampedArray(width * height * 4);
  let grain = 1;
  for (let i = 0; i < width * height; i++) {
    const inJar = i % width > 30 && i % width < 90;
    (inJar ? fluid : paper).forEach((c, k) => {
      grain = (grain * 48271) % 2147483647;
      const linear =
        (c / 255 <= 0.04045 ? c / 255 / 12.92 : ((c / 255 + 0.055) / 1.055) ** 2.4) * light[k]!;
      data[i * 4 + k] =
        255 * (linear <= 0.0031308 ? linear * 12.92 : 1.055 * linear ** (1 / 2.4) - 0.055) +
        (grain / 2147483647 - 0.5) * 4;
    });
    data[i * 4 + 3] = 255;
  }
  return { width, height, data };
}
const swatch = (c: Colour): Rgb =>
  [1, 3, 5].map((i) => parseInt(SWATCHES[c].slice(i, i + 2), 16)) as unknown as Rgb;
const JAR = { x: 60, y: 60 };
const PAPER = { x: 150, y: 60 };

describe.each<[string, Light]>([
  ['daylight', [0.9, 0.9, 0.9]],
  ['a warm lamp', [1, 0.72, 0.4]],
  ['a cold lamp', [0.72, 0.88, 1]],
  ['dim light', [0.16, 0.16, 0.16]],
  ['a dim warm lamp', [0.22, 0.15, 0.08]],
])('under %s', (_, light) => {
  test.each(COLOURS)('%s is read as such', (colour) => {
    const reading = readColour(draw(swatch(colour), light), JAR, PAPER);
    expect(reading).toMatchObject({ kind: 'read', colour, sure: true });
  });
});

test('without the white the warm lamp would have aged the fluid', () => {
  const picture = draw(swatch('clear'), [1, 0.72, 0.4]);
  const raw = readColour(picture, JAR, PAPER);
  if (raw.kind !== 'read') throw new Error('not read');
  const unbalanced = cielab(raw.fluid);
  expect(ciede2000(unbalanced, cielab(swatch('straw')))).toBeLessThan(
    ciede2000(unbalanced, cielab(swatch('clear'))),
  );
});

test('half-way between two steps it proposes one and is not sure', () => {
  const between = swatch('straw').map((c, i) => (c + swatch('amber')[i]!) / 2) as unknown as Rgb;
  expect(readColour(draw(between, [0.9, 0.9, 0.9]), JAR, PAPER)).toMatchObject({
    kind: 'read',
    sure: false,
  });
});

test.each([
  ['a tap at the edge', draw(swatch('amber'), [1, 1, 1]), { x: 0, y: 60 }, PAPER, 'outside'],
  [
    'paper that glares',
    draw(swatch('amber'), [1.4, 1.4, 1.4], [255, 255, 255]),
    JAR,
    PAPER,
    'white glares',
  ],
  ['hardly any light', draw(swatch('amber'), [0.01, 0.01, 0.01]), JAR, PAPER, 'white too dark'],
  [
    'a red rag for paper',
    draw(swatch('amber'), [1, 1, 1], [200, 20, 20]),
    JAR,
    PAPER,
    'white is not white',
  ],
  [
    'the edge of the paper for white',
    draw(swatch('brown'), [0.9, 0.9, 0.9]),
    JAR,
    { x: 90, y: 60 },
    'white not even',
  ],
  [
    'a tap on the wall of the jar',
    draw(swatch('brown'), [0.9, 0.9, 0.9]),
    { x: 90, y: 60 },
    PAPER,
    'fluid not even',
  ],
] as const)('%s is said', (_, picture, fluidAt, whiteAt, fault) => {
  expect(readColour(picture, fluidAt, whiteAt)).toEqual({ kind: 'fault', fault });
  expect(PHOTO_WORDS[fault]).toMatch(/\.$/);
});
