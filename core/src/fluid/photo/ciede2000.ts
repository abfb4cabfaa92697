import type { Lab } from './cielab';

const degrees = (radians: number): number => (radians * 180) / Math.PI;
const sin = (deg: number): number => Math.sin((deg * Math.PI) / 180);
const cos = (deg: number): number => Math.cos((deg * Math.PI) / 180);

/**
 * Difference between two colours as an eye sees it: CIEDE2000, kL = kC = kH = 1.
 * Formulas and their numbers: Sharma, Wu and Dalal, "The CIEDE2000
 * Color-Difference Formula", Color Research and Application 30 (2005) 21–30.
 */
export function ciede2000([l1, a1, b1]: Lab, [l2, a2, b2]: Lab): number {
  const chroma7 = ((Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2) ** 7;
  const g = 0.5 * (1 - Math.sqrt(chroma7 / (chroma7 + 25 ** 7)));
  const [aa, ab] = [(1 + g) * a1, (1 + g) * a2];
  const [ca, cb] = [Math.hypot(aa, b1), Math.hypot(ab, b2)];
  const [ha, hb] = [hue(aa, b1), hue(ab, b2)];
  const grey = ca * cb === 0;
  const turn = grey ? 0 : hb - ha > 180 ? hb - ha - 360 : hb - ha < -180 ? hb - ha + 360 : hb - ha;
  const dH = 2 * Math.sqrt(ca * cb) * sin(turn / 2);
  const l = (l1 + l2) / 2;
  const c = (ca + cb) / 2;
  const h = grey
    ? ha + hb
    : Math.abs(ha - hb) <= 180
      ? (ha + hb) / 2
      : ha + hb < 360
        ? (ha + hb + 360) / 2
        : (ha + hb - 360) / 2;
  const t =
    1 - 0.17 * cos(h - 30) + 0.24 * cos(2 * h) + 0.32 * cos(3 * h + 6) - 0.2 * cos(4 * h - 63);
  const sl = 1 + (0.015 * (l - 50) ** 2) / Math.sqrt(20 + (l - 50) ** 2);
  const sc = 1 + 0.045 * c;
  const sh = 1 + 0.015 * c * t;
  const rotation =
    -sin(60 * Math.exp(-(((h - 275) / 25) ** 2))) * 2 * Math.sqrt(c ** 7 / (c ** 7 + 25 ** 7));
  const [x, y, z] = [(l2 - l1) / sl, (cb - ca) / sc, dH / sh];
  return Math.sqrt(x * x + y * y + z * z + rotation * y * z);
}

function hue(a: number, b: number): number {
  if (a === 0 && b === 0) return 0;
  const angle = degrees(Math.atan2(b, a));
  return angle < 0 ? angle + 360 : angle;
}
