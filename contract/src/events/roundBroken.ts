import { BROKEN_ROUNDS, type HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { oneOf } from '../common';
import { openingId } from './shared';

export const roundBroken = z.strictObject({
  kind: z.literal('round broken'),
  openingId,
  how: oneOf('How the round was broken', BROKEN_ROUNDS),
}) satisfies z.ZodType<HappeningOf<'round broken'>>;
