import { z } from 'zod';
import { id, isoTime, next } from './common';
import { computed } from './computed';

/** A page of how the controls of a vehicle were at the end of its jobs, newest first. */
export const controlPage = z.object({
  controls: z.array(
    z.object({
      at: isoTime,
      jobId: id,
      jobNumber: z.number().int(),
      released: z.boolean().describe('Whether that job released the vehicle'),
      found: computed('ControlOnRecord'),
      air: z
        .object({
          first: z.boolean().describe('Whether the others are held against this one'),
          ml: z
            .number()
            .describe('mL, at the pressure of the air round it; below 0 where less than none'),
          sdMl: z.number().describe('Standard deviation, mL'),
        })
        .nullable()
        .describe('Air by what was measured; null where the readings tell nothing'),
    }),
  ),
  next,
});
export type ControlPage = z.infer<typeof controlPage>;
