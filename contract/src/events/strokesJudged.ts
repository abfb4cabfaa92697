import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { id } from '../common';

export const strokesJudged = z.strictObject({
  kind: z.literal('strokes judged'),
  eventIds: z.array(id).min(1).max(500).readonly(),
  count: z.boolean({ error: 'Whether these strokes count is not said; give true or false.' }),
}) satisfies z.ZodType<HappeningOf<'strokes judged'>>;
