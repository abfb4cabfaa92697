import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { openingId } from './shared';

export const syringeReadied = z.strictObject({
  kind: z.literal('syringe readied'),
  openingId,
}) satisfies z.ZodType<HappeningOf<'syringe readied'>>;
