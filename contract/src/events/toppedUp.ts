import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { id } from '../common';
import { elementId } from './shared';

export const toppedUp = z.strictObject({
  kind: z.literal('topped up'),
  reservoirId: elementId,
  containerId: id.nullable().describe('Out of which container, where somebody said so'),
}) satisfies z.ZodType<HappeningOf<'topped up'>>;
