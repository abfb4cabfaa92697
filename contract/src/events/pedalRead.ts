import type { HappeningOf } from '@brook/core/job/events';
import { FORCE_N, HEIGHT_MM, MEASURED_WHEN } from '@brook/core/control/pedal';
import { z } from 'zod';
import { oneOf, within } from '../common';
import { elementId } from './shared';

export const pedalRead = z.strictObject({
  kind: z.literal('pedal read'),
  masterId: elementId,
  when: oneOf('When it was measured', MEASURED_WHEN),
  at: z.union(
    [
      z.literal('rest'),
      z.literal('first resistance'),
      z.strictObject({ forceN: within(FORCE_N).describe('N, at the pad or the tip') }),
    ],
    {
      error: 'Where it was read should be “rest”, “first resistance” or a force of 1 to 600 N.',
    },
  ),
  pumped: z.boolean({ error: 'Whether it was pumped up before is not said.' }),
  heightMm: within(HEIGHT_MM).describe('mm above the floor, or of the tip from the bar'),
}) satisfies z.ZodType<HappeningOf<'pedal read'>>;
