import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { elementId } from './shared';

export const drawnOff = z.strictObject({
  kind: z.literal('drawn off'),
  reservoirId: elementId,
}) satisfies z.ZodType<HappeningOf<'drawn off'>>;
