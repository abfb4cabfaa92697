import type { HappeningOf } from '@brook/core/job/events';
import { CHECK_ITEMS, CONTROL_CHECKS } from '@brook/core/job/items';
import { z } from 'zod';
import { oneOf } from '../common';
import { elementId } from './shared';

export const checked = z.strictObject({
  kind: z.literal('checked'),
  item: oneOf('Item of the proof', [...CHECK_ITEMS, ...CONTROL_CHECKS]),
  masterId: elementId.nullish().describe('Of what is tried at one control'),
  passes: z.boolean({ error: 'Whether it passes is not said; give true or false.' }),
}) satisfies z.ZodType<HappeningOf<'checked'>>;
