import { LOOK_LATER, type HappeningOf } from '@brook/core/job/events';
import { ODOMETER_KM } from '@brook/core/bleed/scope';
import { z } from 'zod';
import { line, oneOf, within } from '../common';
import { elementId } from './shared';

export const lookLater = z.strictObject({
  kind: z.literal('look later'),
  elementId: elementId.nullable(),
  why: oneOf('Why it is looked at again', LOOK_LATER),
  what: line('What it is', 2, 200),
  byDate: z.iso
    .date('The day should be YYYY-MM-DD.')
    .nullable()
    .describe('Day by which somebody looks'),
  byKm: within(ODOMETER_KM).nullable(),
}) satisfies z.ZodType<HappeningOf<'look later'>>;
