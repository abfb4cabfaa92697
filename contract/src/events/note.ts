import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { line } from '../common';

export const note = z.strictObject({
  kind: z.literal('note'),
  text: line('Note', 1, 1000),
}) satisfies z.ZodType<HappeningOf<'note'>>;
