import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { openingId } from './shared';

const LOOK = 'The time to the next look should be 1 to 86,400 s, in whole seconds.';

export const flowSet = z.strictObject({
  kind: z.literal('flow set'),
  openingId,
  lookAfterS: z
    .number({ error: LOOK })
    .int(LOOK)
    .min(1, LOOK)
    .max(86_400, LOOK)
    .nullable()
    .describe('Seconds until somebody looks at the latest; null where it was stopped'),
}) satisfies z.ZodType<HappeningOf<'flow set'>>;
