import type { HappeningOf } from '@brook/core/job/events';
import { BENCH_ENDS } from '@brook/core/bleed/scope';
import { z } from 'zod';
import { oneOf } from '../common';
import { elementId } from './shared';

export const masterFitted = z.strictObject({
  kind: z.literal('master fitted'),
  masterId: elementId,
  linesStayedFull: z.boolean({ error: 'Whether the lines stayed full is not answered.' }),
  nothingElseOpened: z.boolean({ error: 'Whether anything else was opened is not answered.' }),
  modulatorLostNothing: z.boolean({ error: 'Whether a modulator lost fluid is not answered.' }),
  heldDown: z.boolean({ error: 'How the lines were joined is not answered.' }),
  bench: oneOf('End of the bench run', BENCH_ENDS),
}) satisfies z.ZodType<HappeningOf<'master fitted'>>;
