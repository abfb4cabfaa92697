import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { openItemId } from './shared';
import { id, line } from '../common';

export const mended = z.strictObject({
  kind: z.literal('mended'),
  haltId: id.nullable(),
  openItemId: openItemId.nullish().describe('What was owed from before'),
  where: line('Where', 2, 120),
  how: line('What was done', 3, 300),
}) satisfies z.ZodType<HappeningOf<'mended'>>;
