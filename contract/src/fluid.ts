import { DEMAND_SOURCES } from '@brook/core/fluid/verdict';
import { z } from 'zod';
import { line, oneOf } from './common';
import { computed } from './computed';
import { control, demands, dye, grade, inSystem, isoClass, samples, seals } from './sample';

/** Ask whether fluids may go in. */
export const compatibilityRequest = z.strictObject({
  demands,
  follow: oneOf('Followed source', DEMAND_SOURCES)
    .nullable()
    .default(null)
    .describe('Decided by a person where the demands cannot all be obeyed'),
  control,
  seals,
  inSystem,
  candidates: z
    .array(z.strictObject({ id: line('Candidate id', 1, 60), grade, isoClass }))
    .min(1, 'Give at least one candidate.')
    .max(100),
});
export type CompatibilityEntry = z.output<typeof compatibilityRequest>;

/** The adviser's answer, each reason with its sentence, each candidate with what it costs if it is in already. */
export const compatibilityAnswer = computed('CompatibilityReply');
export type CompatibilityReply = z.output<typeof compatibilityAnswer>;

/** Ask what to do about a fluid. */
export const conditionRequest = z.strictObject({
  grade,
  isoClass,
  lastDye: dye.describe('Dye of the last fill; it explains a colour off the scale'),
  samples: samples.min(1, 'Give at least one sample.'),
});
export type ConditionEntry = z.output<typeof conditionRequest>;

/** The verdict with every reason and its sentence. */
export const conditionAnswer = computed('ConditionReply');
export type ConditionReply = z.output<typeof conditionAnswer>;
