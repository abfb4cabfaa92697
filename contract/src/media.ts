import { MEDIA } from '@brook/core/job/events';
import { z } from 'zod';
import { id, isoTime, line, next } from './common';

/** The largest photo or voice note that is taken, bytes. */
export const MEDIA_LIMIT_BYTES = 5 * 1024 * 1024;
/** The longest side of a photo as it is kept, pixels: enough to read a cap by. */
export const PHOTO_SIDE_PX = 2048;
/** A voice note as it is kept: one channel of 16 bit, so many samples a second, so many seconds at most. */
export const VOICE = { sampleRateHz: 16_000, mostS: 120 } as const;

/** A photo or voice note that is with the workshop; its id is that of the event that tells of it. */
export const storedMedia = z.object({
  id,
  medium: z.enum(MEDIA),
  contentType: z.enum(['image/jpeg', 'audio/wav']),
  sizeBytes: z.number().int(),
  receivedAt: isoTime,
});
/** A page of a job's, in the order in which they came. */
export const mediaPage = z.object({ media: z.array(storedMedia), next });
export type MediaPage = z.infer<typeof mediaPage>;
export type StoredMedia = z.infer<typeof storedMedia>;

/** A photo or voice note of an earlier job on a vehicle, at its place. */
export const vehicleNote = z.object({
  id,
  jobId: id,
  jobNumber: z.number().int(),
  medium: z.enum(MEDIA),
  elementId: line('Element id', 1, 60)
    .nullable()
    .describe('Element of the layout at which it was taken; null where it is of the whole vehicle'),
  person: z.string(),
  at: isoTime.describe('When it was taken, by the phone that took it'),
  arrived: z.boolean().describe('False while it is still on the phone that took it'),
});
/** A page of a vehicle's, newest first. */
export const vehicleNotesPage = z.object({ notes: z.array(vehicleNote), next });
export type VehicleNote = z.infer<typeof vehicleNote>;
export type VehicleNotesPage = z.infer<typeof vehicleNotesPage>;
