import { CAME_OFF, type HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { id, oneOf } from '../common';
import { elementId } from './shared';

export const cameOff = z.strictObject({
  kind: z.literal('came off'),
  what: oneOf('What came off', CAME_OFF),
  elementId: elementId.nullable(),
  noteId: id.nullish().describe('The photo or voice note of it, by its event'),
}) satisfies z.ZodType<HappeningOf<'came off'>>;
