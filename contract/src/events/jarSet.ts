import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { jarMl } from './shared';

export const jarSet = z.strictObject({
  kind: z.literal('jar set'),
  jarMl,
}) satisfies z.ZodType<HappeningOf<'jar set'>>;
