import type { HappeningOf } from '@brook/core/job/events';
import { z } from 'zod';
import { openingId } from './shared';

const TORQUE = 'Torque should be 0.5 to 400 N·m, or “by feel”.';

export const shut = z.strictObject({
  kind: z.literal('shut'),
  openingId,
  tightened: z.union(
    [
      z.literal('by feel'),
      z.strictObject({ torqueNm: z.number().min(0.5, TORQUE).max(400, TORQUE).describe('N·m') }),
    ],
    { error: TORQUE },
  ),
}) satisfies z.ZodType<HappeningOf<'shut'>>;
