import { z } from 'zod';
import { CONTROLS } from '@brook/core/vehicle/circuit';
import { id, isoTime } from './common';
import { computed } from './computed';
import { openItem } from './openItem';
import { driveState } from './vehicle';

const whose = { vehicleId: id, vehicleName: z.string(), vehicleTag: z.string() };

/** What stands open in a workshop, each with the way to its record: vehicles that are held, what is looked at again, what leads let go, the waste drum. */
export const overview = z.object({
  held: z
    .array(
      z.object({
        ...whose,
        drive: driveState,
        openItems: z.array(openItem).describe('What holds it'),
      }),
    )
    .describe('Vehicles that must not be driven, or on their test drive alone; longest first'),
  lookAgain: z
    .array(z.object({ ...whose, openItems: z.array(openItem) }))
    .describe('Joints above their value or by feel, and parts that were used again'),
  worse: z
    .array(
      z.object({
        ...whose,
        control: z.enum(CONTROLS),
        trend: computed('AirTrend'),
        since: isoTime.describe('The first measure'),
        measures: z.number().int(),
      }),
    )
    .describe('Controls behind which air comes to be, by their measures; the fastest first'),
  letGo: z
    .array(
      z.object({
        ...whose,
        jobId: id,
        jobNumber: z.number().int(),
        what: z.string(),
        why: z.string(),
        by: z.string(),
        at: isoTime,
      }),
    )
    .describe('Paper that leads let go, the fifty newest'),
  waste: z.object({ wasteMl: z.number(), drumMl: z.number() }).describe('mL'),
});
export type Overview = z.infer<typeof overview>;
