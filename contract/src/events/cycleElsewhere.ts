import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { paperOfWorkshop } from './shared';

export const cycleElsewhere = z.strictObject({
  kind: z.literal('cycle elsewhere'),
  ...paperOfWorkshop,
  bledAfter: z.boolean({
    error: 'Whether the paper names the bleed after it is not said; give true or false.',
  }),
}) satisfies z.ZodType<HappeningOf<'cycle elsewhere'>>;
