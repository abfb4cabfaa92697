import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';

export const pressureSet = z.strictObject({
  kind: z.literal('pressure set'),
  on: z.boolean({ error: 'Whether the pot is under pressure is not said; give true or false.' }),
}) satisfies z.ZodType<HappeningOf<'pressure set'>>;
