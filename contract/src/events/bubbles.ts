import { BUBBLE_READINGS, type HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { oneOf } from '../common';
import { openingId } from './shared';

export const bubbles = z.strictObject({
  kind: z.literal('bubbles'),
  openingId,
  reading: oneOf('Bubbles', BUBBLE_READINGS),
}) satisfies z.ZodType<HappeningOf<'bubbles'>>;
