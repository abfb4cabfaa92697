import { COUNT_WAYS, type HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { oneOf } from '../common';

export const counting = z.strictObject({
  kind: z.literal('counting'),
  way: oneOf('Way of counting', COUNT_WAYS),
}) satisfies z.ZodType<HappeningOf<'counting'>>;
