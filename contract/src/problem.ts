import { z } from 'zod';

/** A field that was refused, and what would be right. */
export const fieldFault = z.object({
  field: z.string().describe('Name of the field or element, dots between the parts'),
  sentence: z.string().describe('What came and what would be right'),
});
export type FieldFault = z.infer<typeof fieldFault>;

/** RFC 9457 problem document. */
export const problem = z.object({
  type: z
    .string()
    .describe(
      '/problems/ and one of: unreadable, invalid, too-large, not-json, signed-out, forbidden, not-found, conflict, refused, too-many, failed, unavailable',
    ),
  title: z.string(),
  status: z.number().int(),
  detail: z.string().describe('One sentence for a person'),
  faults: z.array(fieldFault).optional().describe('Every field that is at fault'),
});
export type Problem = z.infer<typeof problem>;
