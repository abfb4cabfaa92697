/** A colour of sRGB, each channel 0 to 255. */
export type Rgb = readonly [red: number, green: number, blue: number];
/** CIE 1976 L*a*b*, white D65. */
export type Lab = readonly [lightness: number, a: number, b: number];

/** sRGB to CIE XYZ, IEC 61966-2-1:1999, rows X, Y, Z. */
const TO_XYZ = [
  [0.4123907992659595, 0.357584339383878, 0.1804807884018343],
  [0.21263900587151036, 0.715168678767756, 0.07219231536073371],
  [0.01933081871559185, 0.11919477979462598, 0.9505321522496607],
] as const;
/** Cone responses by Bradford, as in ICC.1:2010 annex E. */
const BRADFORD = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
] as const;
const BRADFORD_BACK = [
  [0.9869929, -0.1470543, 0.1599627],
  [0.4323053, 0.5183603, 0.0492912],
  [-0.0085287, 0.0400428, 0.9684867],
] as const;
/** White of D65, sum of the rows above. */
const WHITE: Triple = [0.9504559270516716, 1, 1.0890577507598784];

type Triple = readonly [number, number, number];
type Matrix = readonly [Triple, Triple, Triple];

/**
 * CIELAB of a colour (CIE 15:2004), under the light that `white` shows: cone
 * responses are scaled so that the white becomes D65 (von Kries in Bradford's
 * space), brightness with it.
 *
 * @param rgb sRGB, 0 to 255
 * @param white what white paper looks like in the same light; [255, 255, 255] when the light is D65
 * @throws RangeError for a channel outside 0 to 255, or a white without light
 * @example cielab([255, 255, 255]) is [100, 0, 0]
 */
export function cielab(rgb: Rgb, white: Rgb = [255, 255, 255]): Lab {
  const whiteCones = times(BRADFORD, xyz(white));
  if (!whiteCones.every((c) => c > 0))
    throw new RangeError(`white is ${white.join(', ')}; give a white with some light in it`);
  const d65 = times(BRADFORD, WHITE);
  const cones = times(BRADFORD, xyz(rgb)).map(
    (c, i) => (c / whiteCones[i]!) * d65[i]!,
  ) as unknown as Triple;
  const [x, y, z] = times(BRADFORD_BACK, cones).map((v, i) =>
    root(v / WHITE[i]!),
  ) as unknown as Triple;
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

/** Luminance of a colour of sRGB, 0 to 1. */
export const luminance = (rgb: Rgb): number => xyz(rgb)[1];

function xyz(rgb: Rgb): Triple {
  const linear = rgb.map((c) => {
    if (!(c >= 0 && c <= 255)) throw new RangeError(`a channel is ${c}; give 0 to 255`);
    const v = c / 255;
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
  }) as unknown as Triple;
  return times(TO_XYZ, linear);
}

const times = (m: Matrix, v: Triple): Triple =>
  m.map((row) => row[0] * v[0] + row[1] * v[1] + row[2] * v[2]) as unknown as Triple;

/** The cube root of CIE 15, straight below (6/29)³. */
const root = (t: number): number =>
  t > (6 / 29) ** 3 ? Math.cbrt(t) : t / (3 * (6 / 29) ** 2) + 4 / 29;
