import type { HappeningOf } from '@brook/core/job/events';
import { PLAY_MM, SLAVE_READING_MM, TAKE_UP_MM } from '@brook/core/control/clutch';
import { z } from 'zod';
import { within } from '../common';
import { elementId } from './shared';

export const takeUpRead = z.strictObject({
  kind: z.literal('take-up read'),
  masterId: elementId,
  restMm: within({ ...TAKE_UP_MM, least: 1 }, 'At rest'),
  takeUpMm: within(TAKE_UP_MM, 'Where it takes up'),
  pumpedMm: within(TAKE_UP_MM, 'Where it takes up after pumping').nullable(),
  playMm: within(PLAY_MM).nullable(),
  blockedMm: within(SLAVE_READING_MM, 'Rod travel, slave blocked').nullish(),
  endOfTravelMm: within(TAKE_UP_MM, 'The end of travel').nullish(),
}) satisfies z.ZodType<HappeningOf<'take-up read'>>;
