import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { line } from '../common';
import { openingId } from './shared';

export const shutEarly = z.strictObject({
  kind: z.literal('shut early'),
  openingId,
  reason: line('Why it was shut early', 3, 300),
}) satisfies z.ZodType<HappeningOf<'shut early'>>;
