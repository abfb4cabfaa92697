import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { openingId } from './shared';

export const openedAgain = z.strictObject({
  kind: z.literal('opened again'),
  openingId,
}) satisfies z.ZodType<HappeningOf<'opened again'>>;
