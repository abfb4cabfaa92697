import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { paperOfWorkshop } from './shared';

export const strippedElsewhere = z.strictObject({
  kind: z.literal('stripped elsewhere'),
  ...paperOfWorkshop,
}) satisfies z.ZodType<HappeningOf<'stripped elsewhere'>>;
