import type { HappeningOf } from '@brook/core/job/events';
import { COLOURS } from '@brook/core/fluid/verdict';
import { z } from 'zod';
import { oneOf } from '../common';
import { openingId } from './shared';

export const colour = z.strictObject({
  kind: z.literal('colour'),
  openingId,
  colour: oneOf('Colour', COLOURS),
}) satisfies z.ZodType<HappeningOf<'colour'>>;
