import { JOB_STAGES } from '@brook/core/job/stage';
import { z } from 'zod';
import { counter, id } from './common';
import { keptEvent } from './jobEvent';
import { driveState } from './vehicle';

const SINCE = 'since should be the position up to which the log is known.';

export const liveQuery = z.object({
  since: z.coerce
    .number({ error: SINCE })
    .int(SINCE)
    .min(0, SINCE)
    .max(2_000_000_000, SINCE)
    .default(0),
  device: id
    .optional()
    .describe('The phone that listens; others are told since when it was not heard of'),
});

/** What came into a job’s log behind the position that was known. */
export const liveLog = z.object({
  since: z.number().int().describe('Position behind which the events stand'),
  events: z.array(keptEvent),
  position: z.number().int().describe('Position of the last event of the log'),
  stage: z.enum(JOB_STAGES),
  version: z.number().int(),
  drive: driveState,
  lastPlace: z.number().int().describe('The last place of its vehicle’s order'),
});
export type LiveLog = z.infer<typeof liveLog>;

export const livePhone = z.object({
  deviceId: id,
  person: z.string(),
  seenAtMs: z.number().int().describe('When it was last heard of, by the server’s clock'),
  holds: z
    .number()
    .int()
    .nullable()
    .describe(
      'How many events it said it still holds when it was put away; null while it is in use, or where it said nothing',
    ),
});
export type LivePhone = z.infer<typeof livePhone>;

/** The line stands; the server’s time, and the phones that worked on the job. */
export const liveBeat = z.object({
  nowMs: z.number().int().describe('Milliseconds since 1970 by the server’s clock'),
  phones: z.array(livePhone),
});
export type LiveBeat = z.infer<typeof liveBeat>;

/** The line to a workshop stands. */
export const workshopBeat = z.object({
  nowMs: z.number().int().describe('Milliseconds since 1970 by the server’s clock'),
});
export type WorkshopBeat = z.infer<typeof workshopBeat>;

/** A phone is put away, or turns to something else. */
export const putAway = z.strictObject({
  holds: counter('holds', 0).describe('How many events of this job wait on it'),
});
