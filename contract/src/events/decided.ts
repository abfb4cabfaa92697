import { DECISIONS, type HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { id, oneOf } from '../common';

export const decided = z.strictObject({
  kind: z.literal('decided'),
  haltId: id,
  decision: oneOf('Decision', DECISIONS),
}) satisfies z.ZodType<HappeningOf<'decided'>>;
