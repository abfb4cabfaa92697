import type { HappeningOf } from '@brook/core/job/events';
import { JOINT_NM } from '@brook/core/vehicle/torque';
import { z } from 'zod';
import { within } from '../common';
import { elementId } from './shared';

export const jointTightened = z.strictObject({
  kind: z.literal('joint tightened'),
  elementId,
  manualNm: within(JOINT_NM, 'The manual’s torque').nullable(),
  appliedNm: within(JOINT_NM, 'The torque applied').nullable().describe('N·m; null is by feel'),
}) satisfies z.ZodType<HappeningOf<'joint tightened'>>;
