import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { line } from '../common';

export const marked = z.strictObject({
  kind: z.literal('marked'),
  reason: line('Reason', 3, 300),
}) satisfies z.ZodType<HappeningOf<'marked'>>;
