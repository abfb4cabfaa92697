import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { openingId } from './shared';

const TURNS = 'Turns should be 0 to 3.';

export const bleederOpened = z.strictObject({
  kind: z.literal('bleeder opened'),
  openingId,
  turns: z.number({ error: TURNS }).min(0, TURNS).max(3, TURNS).describe('turns'),
}) satisfies z.ZodType<HappeningOf<'bleeder opened'>>;
