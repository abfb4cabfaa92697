import { TRIES, type HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { oneOf } from '../common';
import { openingId } from './shared';

export const tried = z.strictObject({
  kind: z.literal('tried'),
  openingId,
  what: oneOf('What was tried', TRIES),
  done: z.boolean({ error: 'Whether it was done or passed over is not said.' }),
}) satisfies z.ZodType<HappeningOf<'tried'>>;
