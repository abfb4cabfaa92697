import type { HappeningOf } from '@brook/core/job/events';
import { PREPARATION_STEPS } from '@brook/core/bleed/plan';
import { z } from 'zod';
import { id, oneOf } from '../common';

export const prepared = z.strictObject({
  kind: z.literal('prepared'),
  step: oneOf('Step', PREPARATION_STEPS),
  containerId: id.nullish().describe('Of a first fill: out of which container'),
}) satisfies z.ZodType<HappeningOf<'prepared'>>;
