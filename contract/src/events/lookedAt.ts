import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { line } from '../common';
import { openItemId } from './shared';

export const lookedAt = z.strictObject({
  kind: z.literal('looked at'),
  openItemId,
  saw: line('What was looked at', 3, 300),
}) satisfies z.ZodType<HappeningOf<'looked at'>>;
