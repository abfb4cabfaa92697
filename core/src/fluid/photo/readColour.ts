import { COLOURS, SWATCHES, type Colour } from '../verdict';
import { cielab, luminance, type Lab, type Rgb } from './cielab';
import { ciede2000 } from './ciede2000';

/** A picture as a browser hands it over: rows of red, green, blue and alpha, 0 to 255. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly data: ArrayLike<number>;
}

/** A place in a picture, px from its left and upper edge. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

export type PhotoFault =
  | 'outside'
  | 'white too dark'
  | 'white glares'
  | 'white is not white'
  | 'white not even'
  | 'fluid not even';

export type PhotoReading =
  | {
      readonly kind: 'read';
      readonly lab: Lab;
      readonly fluid: Rgb;
      readonly white: Rgb;
      readonly colour: Colour;
      readonly differences: Readonly<Record<Colour, number>>;
      readonly sure: boolean;
    }
  | { readonly kind: 'fault'; readonly fault: PhotoFault };

/** Half the side of the square that is averaged, as a share of the picture's shorter side [M]. */
const PATCH_SHARE = 0.02;
/** Below this luminance a white has too few steps left to balance with, above it a channel is cut off [M]. */
const DARKEST_WHITE = 0.02;
const GLARE = 253;
/** Chroma beyond which it is no white in any lamp's light [M]. */
const MOST_CHROMA = 60;
/** Spread of lightness over the patch beyond which it holds an edge or a reflection [M]. */
const MOST_SPREAD = 12;
/** Two steps nearer to each other than this, by CIEDE2000, are for the eye to decide [M]. */
const SURE_BY = 6;

const STEPS: readonly (readonly [Colour, Lab])[] = COLOURS.map((c) => [
  c,
  cielab(hex(SWATCHES[c])),
]);

/**
 * Read the colour of a fluid off a photo against white paper: both patches
 * averaged, the fluid's colour freed of the light by the white beside it, and the
 * nearest step of the scale by CIEDE2000. A proposal [M]; the eye decides.
 */
export function readColour(picture: Picture, fluidAt: Spot, whiteAt: Spot): PhotoReading {
  const fluid = patch(picture, fluidAt);
  const white = patch(picture, whiteAt);
  if (!fluid || !white) return { kind: 'fault', fault: 'outside' };
  if (white.mean.every((c) => c >= GLARE)) return { kind: 'fault', fault: 'white glares' };
  if (luminance(white.mean) < DARKEST_WHITE) return { kind: 'fault', fault: 'white too dark' };
  const [, a, b] = cielab(white.mean);
  if (Math.hypot(a, b) > MOST_CHROMA) return { kind: 'fault', fault: 'white is not white' };
  if (white.spread > MOST_SPREAD) return { kind: 'fault', fault: 'white not even' };
  if (fluid.spread > MOST_SPREAD) return { kind: 'fault', fault: 'fluid not even' };
  const lab = cielab(fluid.mean, white.mean);
  const differences = Object.fromEntries(
    STEPS.map(([colour, step]) => [colour, ciede2000(lab, step)]),
  ) as Record<Colour, number>;
  const nearest = [...COLOURS].sort((p, q) => differences[p] - differences[q]);
  return {
    kind: 'read',
    lab,
    fluid: fluid.mean,
    white: white.mean,
    colour: nearest[0]!,
    differences,
    sure: differences[nearest[1]!] - differences[nearest[0]!] > SURE_BY,
  };
}

/** Mean of sRGB over a square, and how uneven it is: standard deviation of L*. */
function patch(
  { width, height, data }: Picture,
  { x, y }: Spot,
): { mean: Rgb; spread: number } | null {
  const half = Math.max(1, Math.round(Math.min(width, height) * PATCH_SHARE));
  const [cx, cy] = [Math.round(x), Math.round(y)];
  if (!(cx - half >= 0 && cy - half >= 0 && cx + half < width && cy + half < height)) return null;
  const sum = [0, 0, 0];
  const lightness: number[] = [];
  for (let row = cy - half; row <= cy + half; row++) {
    for (let column = cx - half; column <= cx + half; column++) {
      const at = (row * width + column) * 4;
      const rgb: Rgb = [data[at]!, data[at + 1]!, data[at + 2]!];
      rgb.forEach((c, i) => (sum[i] = sum[i]! + c));
      lightness.push(cielab(rgb)[0]);
    }
  }
  const mean = sum.map((s) => s / lightness.length) as unknown as Rgb;
  const middle = lightness.reduce((s, l) => s + l, 0) / lightness.length;
  return {
    mean,
    spread: Math.sqrt(lightness.reduce((s, l) => s + (l - middle) ** 2, 0) / lightness.length),
  };
}

function hex(colour: string): Rgb {
  return [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16)) as unknown as Rgb;
}
