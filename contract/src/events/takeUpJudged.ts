import type { HappeningOf } from '@brook/core/job/events';
import { TAKE_UPS } from '@brook/core/control/clutch';
import { z } from 'zod';
import { oneOf } from '../common';
import { elementId } from './shared';

export const takeUpJudged = z.strictObject({
  kind: z.literal('take-up judged'),
  masterId: elementId,
  takeUp: oneOf('Where it takes up', TAKE_UPS),
}) satisfies z.ZodType<HappeningOf<'take-up judged'>>;
