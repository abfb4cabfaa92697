import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { elementId } from './shared';

export const partFitted = z.strictObject({
  kind: z.literal('part fitted'),
  partId: elementId,
  cappedAtOnce: z.boolean({ error: 'Whether the joint was capped at once is not answered.' }),
  keptFull: z.boolean({ error: 'Whether the reservoir was kept full is not answered.' }),
}) satisfies z.ZodType<HappeningOf<'part fitted'>>;
