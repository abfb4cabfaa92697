import type { HappeningOf } from '@brook/core/job/events';
import { MEASURED_WHEN, SUNK_MM } from '@brook/core/control/pedal';
import { z } from 'zod';
import { oneOf, within } from '../common';
import { elementId } from './shared';

export const sinkWatched = z.strictObject({
  kind: z.literal('sink watched'),
  masterId: elementId,
  when: oneOf('When it was measured', MEASURED_WHEN),
  mm: within(SUNK_MM).describe('mm that it crept under a steady firm push'),
  seconds: within({ what: 'The watch', unit: 's', least: 1, most: 600 }),
  engine: oneOf('Engine', ['running']).optional().describe('Left out: off, the servo emptied'),
}) satisfies z.ZodType<HappeningOf<'sink watched'>>;
