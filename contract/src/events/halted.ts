import { HALT_REASONS, type HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { oneOf } from '../common';
import { elementId, openingId } from './shared';

export const halted = z.strictObject({
  kind: z.literal('halted'),
  reason: oneOf('Reason', HALT_REASONS),
  openingId: openingId.nullable(),
  masterId: elementId.nullish().describe('The control at which it was found'),
}) satisfies z.ZodType<HappeningOf<'halted'>>;
