import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { id } from '../common';

export const clockEnded = z.strictObject({
  kind: z.literal('clock ended'),
  eventId: id.describe('Of the event that started it'),
}) satisfies z.ZodType<HappeningOf<'clock ended'>>;
