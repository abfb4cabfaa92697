import { MOST_MADE, type HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { openingId } from './shared';

const MADE = `Strokes said at once should be 1 to ${MOST_MADE}.`;

export const stroke = z.strictObject({
  kind: z.literal('stroke'),
  openingId,
  made: z
    .number({ error: MADE })
    .int(MADE)
    .min(1, MADE)
    .max(MOST_MADE, MADE)
    .optional()
    .describe('How many in a row, said at once; one where it is left out'),
}) satisfies z.ZodType<HappeningOf<'stroke'>>;
