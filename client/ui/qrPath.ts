import { create } from 'qrcode';

/** Light modules around the code, so that it is found (ISO/IEC 18004, quiet zone). */
export const QUIET_MODULES = 4;

/** A QR code as one path in units of its modules, quiet zone included. */
export interface QrPath {
  readonly side: number;
  readonly d: string;
}

/** Draw a text as a QR code that may lose a seventh of its words: an oily thumb across the glass. */
export function qrPath(text: string): QrPath {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
  const at = (i: number) =>
    `M${(i % size) + QUIET_MODULES} ${Math.floor(i / size) + QUIET_MODULES}h1v1h-1z`;
  return {
    side: size + 2 * QUIET_MODULES,
    d: Array.from(data, (dark, i) => (dark ? at(i) : '')).join(''),
  };
}
