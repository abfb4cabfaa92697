import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { jarMl, openingId } from './shared';

export const jarRead = z.strictObject({
  kind: z.literal('jar read'),
  openingId,
  jarMl,
}) satisfies z.ZodType<HappeningOf<'jar read'>>;
