import type { HappeningOf } from '@brook/core/job/events';
import { PITCH_MM, SLAVE_NEED_MM, TAKE_UP_MM } from '@brook/core/control/clutch';
import { z } from 'zod';
import { within } from '../common';
import { elementId } from './shared';

export const clutchNeeds = z.strictObject({
  kind: z.literal('clutch needs'),
  masterId: elementId,
  slaveTravelMm: within(SLAVE_NEED_MM).nullable().describe('mm, by the manual'),
  window: z
    .strictObject({
      leastMm: within(TAKE_UP_MM, 'Where the window begins'),
      mostMm: within(TAKE_UP_MM, 'Where the window ends'),
    })
    .nullable()
    .describe('Heights between which it should take up'),
  pitchMm: within(PITCH_MM).nullable().describe('mm a turn of the rod'),
}) satisfies z.ZodType<HappeningOf<'clutch needs'>>;
