import { MEDIA, type HappeningOf } from '@brook/core/job/events';
import { CHECK_ITEMS, CONTROL_CHECKS } from '@brook/core/job/items';
import { z } from 'zod';
import { oneOf } from '../common';
import { elementId } from './shared';

export const mediaNote = z.strictObject({
  kind: z.literal('media note'),
  medium: oneOf('Medium', MEDIA),
  elementId: elementId.nullable().describe('At which element it was taken'),
  proof: z
    .strictObject({
      masterId: elementId.nullable().describe('Of what is tried at one control'),
      item: oneOf('Item of the proof', ['result', ...CHECK_ITEMS, ...CONTROL_CHECKS]),
    })
    .optional()
    .describe('The item of the proof that it shows'),
}) satisfies z.ZodType<HappeningOf<'media note'>>;
