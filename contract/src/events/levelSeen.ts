import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { openingId } from './shared';

const LEVEL = 'The level should be 0 to 2000 mL.';

export const levelSeen = z.strictObject({
  kind: z.literal('level seen'),
  openingId,
  levelMl: z.number({ error: LEVEL }).min(0, LEVEL).max(2000, LEVEL).describe('mL'),
  fluidComes: z.boolean({ error: 'Whether fluid comes at the bleeder is not said.' }),
}) satisfies z.ZodType<HappeningOf<'level seen'>>;
