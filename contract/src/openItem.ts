import { OPEN_ITEM_KINDS, type OpenItem } from '@brook/core/owed/openItems';
import { z } from 'zod';

/** One thing that a vehicle still owes. */
export const openItem = z.object({
  id: z.string(),
  kind: z.enum(OPEN_ITEM_KINDS),
  weight: z.enum(['holds', 'owed']).describe('Holds the vehicle, or is owed at the next visit'),
  where: z.string().nullable().describe('Bleeder, master, node or part; null for the vehicle'),
  place: z.string().nullable().describe('The name of that place'),
  because: z.string().describe('How it came about'),
  sinceMs: z.number().describe('Milliseconds since 1970'),
  order: z
    .object({ position: z.number().int(), receivedMs: z.number() })
    .optional()
    .describe('Its place in the order of its vehicle'),
  by: z.string(),
  jobId: z.string().nullable().describe('Job that left it; null where it was said of the vehicle'),
  jobNumber: z.number().int().nullable(),
  leftBehind: z
    .literal(true)
    .optional()
    .describe('Said in a job that was moved to another vehicle since'),
}) satisfies z.ZodType<OpenItem>;
