import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { openingId } from './shared';

export const syringeEmpty = z.strictObject({
  kind: z.literal('syringe empty'),
  openingId,
}) satisfies z.ZodType<HappeningOf<'syringe empty'>>;
