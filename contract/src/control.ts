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
    }),
  ),
  next,
});
export type ControlPage = z.infer<typeof controlPage>;
