import { PHOTO_SIDE_PX } from '@brook/contract';

const JPEG_QUALITY = 0.85;

/**
 * Let a person take a photo, or choose one where there is no camera.
 *
 * @returns a JPEG no larger than is kept, drawn anew so that nothing else goes along, or null where none was taken
 * @throws Error with a sentence where it is no picture that this phone can read
 */
export async function takePhoto(): Promise<Blob | null> {
  const file = await chosenFile();
  return file && redrawn(file);
}

function chosenFile(): Promise<File | null> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = 'image/*';
    // A phone opens its camera at the back at once.
    input.setAttribute('capture', 'environment');
    input.addEventListener('change', () => resolve(input.files?.[0] ?? null));
    input.addEventListener('cancel', () => resolve(null));
    input.click();
  });
}

async function redrawn(file: File): Promise<Blob> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new Error(
      'This phone cannot read that picture. Take a photo, or choose a JPEG, PNG or WebP file.',
    );
  });
  const scale = Math.min(1, PHOTO_SIDE_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const drawn = await new Promise<Blob | null>((done) =>
    canvas.toBlob(done, 'image/jpeg', JPEG_QUALITY),
  );
  if (!drawn) throw new Error('This phone could not draw that picture. Take it again.');
  return drawn;
}
