import { PHOTO_SIDE_PX, VOICE } from '@brook/contract';
import type { Medium } from '@brook/core/job/events';
import { createRequire } from 'node:module';
import sharp from 'sharp';
import { ProblemError } from '../http/problems/kinds';

// The package names its exports to CommonJS alone.
export const { WaveFile } = createRequire(import.meta.url)('wavefile') as typeof import('wavefile');

/** A photo or voice note as it is kept. */
export interface Reencoded {
  readonly contentType: 'image/jpeg' | 'audio/wav';
  readonly content: Buffer;
}

const JPEG_QUALITY = 82;
const BYTES_A_SAMPLE = 2;
const NO_PICTURE = { format: '', width: 0, height: 0 };
const FORMATS: readonly string[] = ['jpeg', 'png', 'webp'];
/** Four times what is kept. One that unpacks to more is meant to do harm, or comes from no phone of ours. */
const MOST_PIXELS = 16_000_000;

/**
 * Write a photo or voice note anew from what can be seen or heard in it: what a
 * phone put beside that, as the place where it was taken, is not in what is kept.
 *
 * @throws ProblemError of kind invalid when it is not what it should be
 */
export const reencode = (medium: Medium, sent: Buffer): Promise<Reencoded> =>
  medium === 'photo' ? photo(sent) : voice(sent);

async function photo(sent: Buffer): Promise<Reencoded> {
  const picture = sharp(sent, { failOn: 'error' });
  const { format, width, height } = await picture.metadata().catch(() => NO_PICTURE);
  if (width * height > MOST_PIXELS)
    throw noMedium(
      `A photo should have ${MOST_PIXELS / 1_000_000} million pixels at most; send it smaller.`,
    );
  const content = FORMATS.includes(format)
    ? await picture
        .rotate()
        .resize(PHOTO_SIDE_PX, PHOTO_SIDE_PX, { fit: 'inside', withoutEnlargement: true })
        .flatten({ background: '#ffffff' })
        .jpeg({ quality: JPEG_QUALITY })
        .toBuffer()
        .catch(() => null)
    : null;
  if (!content)
    throw noMedium('A photo should be a whole JPEG, PNG or WebP picture; take it again.');
  return { contentType: 'image/jpeg', content };
}

async function voice(sent: Buffer): Promise<Reencoded> {
  const samples = samplesOf(sent);
  if (samples === null || samples.length === 0)
    throw noMedium(
      `A voice note should be WAV with one channel of 16 bit, ${VOICE.sampleRateHz} samples a second; record it again.`,
    );
  if (samples.length > VOICE.mostS * VOICE.sampleRateHz * BYTES_A_SAMPLE)
    throw noMedium(
      `A voice note should last ${VOICE.mostS} seconds at most; record it in two parts.`,
    );
  const wav = new WaveFile();
  wav.fromScratch(1, VOICE.sampleRateHz, '16', []);
  // As bytes: one by one, millions of samples would hold everybody else up.
  Object.assign(wav.data, { samples, chunkSize: samples.length });
  return { contentType: 'audio/wav', content: Buffer.from(wav.toBuffer()) };
}

/** What can be heard, as it stands in the file, or null where it is in another form. */
function samplesOf(sent: Buffer): Uint8Array | null {
  try {
    const wav = new WaveFile(sent);
    const { audioFormat, numChannels, sampleRate, bitsPerSample } = wav.fmt as Format;
    const asKept =
      wav.container === 'RIFF' &&
      audioFormat === 1 &&
      numChannels === 1 &&
      sampleRate === VOICE.sampleRateHz &&
      bitsPerSample === 8 * BYTES_A_SAMPLE;
    const { samples } = wav.data as { readonly samples: Uint8Array };
    return asKept && samples.length % BYTES_A_SAMPLE === 0 ? samples : null;
  } catch {
    return null;
  }
}

/** The fmt chunk. */
interface Format {
  readonly audioFormat: number;
  readonly numChannels: number;
  readonly sampleRate: number;
  readonly bitsPerSample: number;
}

const noMedium = (sentence: string): ProblemError =>
  new ProblemError('invalid', sentence, [{ field: 'body', sentence }]);
