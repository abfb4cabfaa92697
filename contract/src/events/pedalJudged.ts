import type { HappeningOf } from '@brook/core/job/events';
import { PEDAL_RESULTS } from '@brook/core/control/pedal';
import { z } from 'zod';
import { oneOf } from '../common';
import { elementId } from './shared';

export const pedalJudged = z.strictObject({
  kind: z.literal('pedal judged'),
  masterId: elementId.nullable(),
  result: oneOf('Result at the pedal or lever', PEDAL_RESULTS),
}) satisfies z.ZodType<HappeningOf<'pedal judged'>>;
