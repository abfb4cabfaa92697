import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { openItemId } from './shared';
import { id } from '../common';

export const backOn = z.strictObject({
  kind: z.literal('back on'),
  eventId: id.nullable().describe('Of the event by which it came off in this job'),
  openItemId: openItemId.nullable().describe('What was owed from before'),
}) satisfies z.ZodType<HappeningOf<'back on'>>;
