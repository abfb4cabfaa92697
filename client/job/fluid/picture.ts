import type { Picture } from '@brook/core/fluid/photo';

/** Longest side that a picture is read at, px: enough for a patch, small enough to hand to a worker. */
const LONGEST_PX = 1200;

/**
 * The pixels of a chosen file, upright and no larger than they need be.
 *
 * @throws Error with one sentence when the file holds no picture that this browser can show
 */
export async function pixelsOf(
  file: Blob,
): Promise<Picture & { readonly data: Uint8ClampedArray }> {
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new Error('That file is no picture that can be shown here. Take a JPEG or PNG.');
  });
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [Math.round(bitmap.width * scale), Math.round(bitmap.height * scale)];
  const canvas = document.createElement('canvas');
  Object.assign(canvas, { width, height });
  const context = canvas.getContext('2d', { colorSpace: 'srgb' })!;
  context.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  return { width, height, data: context.getImageData(0, 0, width, height).data };
}
