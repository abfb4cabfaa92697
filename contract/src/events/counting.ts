import { COUNT_WAYS, type HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { id, oneOf } from '../common';

export const counting = z.strictObject({
  kind: z.literal('counting'),
  way: oneOf('Way of counting', COUNT_WAYS),
  knew: id
    .nullable()
    .optional()
    .describe('The last event of the log that this device knew; null where it knew none'),
}) satisfies z.ZodType<HappeningOf<'counting'>>;
