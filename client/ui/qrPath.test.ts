/**
 * jsdom knows no TextEncoder, as every browser does.
 *
 * @jest-environment node
 */
import jsQR from 'jsqr';
import { qrPath } from './qrPath';

/** Paint the path as a camera would see it, so many pixels a module. */
function painted({ side, d }: ReturnType<typeof qrPath>, px = 4) {
  const width = side * px;
  const pixels = new Uint8ClampedArray(width * width * 4).fill(255);
  for (const [, x, y] of d.matchAll(/M(\d+) (\d+)h1v1h-1z/g))
    for (let i = 0; i < px * px; i++) {
      const at = (Number(y) * px + Math.floor(i / px)) * width + Number(x) * px + (i % px);
      pixels.fill(0, at * 4, at * 4 + 3);
    }
  return { pixels, width };
}

const ADDRESS = 'https://brook.skerrow.example:8443/help#K7QM2XPA';

// Read back by jsQR, a decoder that shares nothing with what made it.
test('a camera reads back what was put in', () => {
  for (const text of [ADDRESS, 'http://10.0.0.7:8080/help#22222222']) {
    const { pixels, width } = painted(qrPath(text));
    expect(jsQR(pixels, width, width)?.data).toBe(text);
  }
});

test('it is read with a drop of fluid in its middle', () => {
  const { pixels, width } = painted(qrPath(ADDRESS));
  const [from, to] = [Math.floor(width * 0.42), Math.floor(width * 0.58)];
  for (let y = from; y < to; y++) pixels.fill(0, (y * width + from) * 4, (y * width + to) * 4);
  expect(jsQR(pixels, width, width)?.data).toBe(ADDRESS);
});

test('four light modules stand around it (ISO/IEC 18004)', () => {
  const { side, d } = qrPath(ADDRESS);
  const at = [...d.matchAll(/M(\d+) (\d+)h/g)].flatMap(([, x, y]) => [Number(x), Number(y)]);
  expect(Math.min(...at)).toBe(4);
  expect(Math.max(...at)).toBe(side - 5);
});
