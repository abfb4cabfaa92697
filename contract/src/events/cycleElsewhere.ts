import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { line } from '../common';

export const cycleElsewhere = z.strictObject({
  kind: z.literal('cycle elsewhere'),
  workshop: line('Workshop', 2, 80),
  date: z.iso.date({ error: 'Date should be a day like 2026-04-30.' }),
  paper: line('Number of the paper', 1, 60),
  bledAfter: z.boolean({
    error: 'Whether the paper names the bleed after it is not said; give true or false.',
  }),
}) satisfies z.ZodType<HappeningOf<'cycle elsewhere'>>;
