import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { id } from '../common';

export const undone = z.strictObject({
  kind: z.literal('undone'),
  eventId: id,
}) satisfies z.ZodType<HappeningOf<'undone'>>;
