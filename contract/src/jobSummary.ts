import { DRIVE_STATES, JOB_STAGES } from '@brook/core/job/stage';
import { PURPOSES } from '@brook/core/bleed/scope';
import { z } from 'zod';
import { id, isoTime, next, oneOf, pageQuery } from './common';
import { computed } from './computed';

/** A job as a list shows it. */
export const jobSummary = z.object({
  id,
  number: z.number().int().describe('Counts up within the workshop'),
  vehicleId: id,
  vehicleName: z.string(),
  vehicleTag: z.string(),
  vehicleDrive: oneOf('Drive state', DRIVE_STATES),
  owes: z
    .number()
    .int()
    .describe(
      'OpenItems that it takes over; of a closed one, those that it left and that are open still',
    ),
  purpose: oneOf('Purpose', PURPOSES),
  stage: oneOf('Stage', JOB_STAGES),
  openedAt: isoTime,
  closedAt: isoTime.nullable(),
  clocks: computed('Clocks').describe('Those that run, the one that is up first at the front'),
});
export type JobSummary = z.infer<typeof jobSummary>;

/** A page of jobs: open ones first, then closed, newest first. */
export const jobPage = z.object({
  jobs: z.array(jobSummary),
  next,
});
export type JobPage = z.infer<typeof jobPage>;

export const jobQuery = pageQuery.extend({
  q: z
    .string()
    .trim()
    .max(60, 'q should be at most 60 characters.')
    .optional()
    .describe('Words that stand in the vehicle’s name or plate, or the number of the job'),
  vehicle: id.optional().describe('Of one vehicle alone'),
});
