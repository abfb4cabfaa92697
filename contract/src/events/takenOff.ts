import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { elementId } from './shared';

export const takenOff = z.strictObject({
  kind: z.literal('taken off'),
  elementId,
}) satisfies z.ZodType<HappeningOf<'taken off'>>;
