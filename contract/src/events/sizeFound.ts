import type { HappeningOf } from '@brook/core/job/events';
import { WAYS_KNOWN } from '@brook/core/vehicle/circuit';
import { z } from 'zod';
import { line, oneOf } from '../common';
import { elementId } from './shared';

export const sizeFound = z.strictObject({
  kind: z.literal('size found'),
  elementId,
  size: line('Size', 1, 40),
  value: z.union([z.number(), z.string().max(60)]),
  how: oneOf('How it is known', WAYS_KNOWN).optional(),
}) satisfies z.ZodType<HappeningOf<'size found'>>;
