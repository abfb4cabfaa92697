import { AMOUNTS, type AmountKey } from '@brook/core/bleed/rules';
import { z } from 'zod';
import { id, isoTime, next } from './common';
import { computed } from './computed';

/** How one opening of a closed run went, against its plan. */
const pace = z.object({
  at: isoTime,
  jobId: id,
  jobNumber: z.number().int(),
  pace: computed('Pace'),
});

/** A page of what the runs of a vehicle took, newest first. */
export const pacePage = z.object({ paces: z.array(pace), next });
export type PacePage = z.infer<typeof pacePage>;

/** Times of the workshop’s own that enough openings told and the house rules do not have yet. */
export const paceProposals = z.object({
  proposals: z.array(
    z.object({
      key: z.enum(Object.keys(AMOUNTS) as [AmountKey, ...AmountKey[]]),
      value: z.number().describe('The middle one, in the unit of that rule'),
      openings: z.number().int().describe('How many openings told it'),
    }),
  ),
});
export type PaceProposals = z.infer<typeof paceProposals>;
