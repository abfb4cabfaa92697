import type { HappeningOf } from '@brook/core/job/events';
import { CLOCK_MINUTES, CLOCKS } from '@brook/core/base/clock';
import { z } from 'zod';
import { oneOf, within } from '../common';
import { elementId } from './shared';

export const clockStarted = z.strictObject({
  kind: z.literal('clock started'),
  clock: oneOf('Clock', CLOCKS),
  minutes: within({ what: 'A clock', ...CLOCK_MINUTES, unit: 'min', whole: true }),
  elementId: elementId.nullable(),
}) satisfies z.ZodType<HappeningOf<'clock started'>>;
