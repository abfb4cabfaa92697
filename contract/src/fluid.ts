import { CLARITIES, CLASS_LIMITS, COLOURS, DEMAND_SOURCES, FOREIGN_SIGNS, GRADES, type CompatibilityAnswer, type ConditionAnswer, type Grade, type IsoClass, type Remedy } from '@brook/core/fluid';
import { z } from 'zod';
import { line, oneOf } from './common';

const GRADE_NAMES = GRADES.map((g) => g.grade) as [Grade, ...Grade[]];
const CLASS_NAMES = Object.keys(CLASS_LIMITS) as [IsoClass, ...IsoClass[]];
const grade = oneOf('Grade', GRADE_NAMES);
const isoClass = oneOf('Class', CLASS_NAMES).nullable().default(null).describe('Class of ISO 4925 where the label names one');
const range = (what: string, unit: string, least: number, most: number) => {
  const sentence = `${what} should be a number from ${least} to ${most} ${unit}.`;
  return z.number({ error: sentence }).min(least, sentence).max(most, sentence).describe(unit);
};

/** Ask whether fluids may go in. */
export const compatibilityRequest = z.strictObject({
  demands: z
    .array(
      z.strictObject({
        source: oneOf('Source', DEMAND_SOURCES),
        grades: z.array(grade).min(1, 'Each source should name at least one grade.').max(5),
        lowViscosity: z.boolean({ error: 'lowViscosity should be true or false.' }).default(false).describe('Whether class 6 or 7 is asked for'),
      }),
    )
    .max(3)
    .refine((given) => new Set(given.map((d) => d.source)).size === given.length, 'Each source should stand once: maker, cap, part.')
    .describe('What maker, cap and the maker of a changed part name; empty when nobody knows'),
  follow: oneOf('Followed source', DEMAND_SOURCES).nullable().default(null).describe('Decided by a person where the demands cannot all be obeyed'),
  control: oneOf('Control', ['none', 'ABS', 'stability control']),
  seals: oneOf('Seals', ['ordinary', 'natural rubber']),
  inSystem: oneOf('What is in the system', ['unknown', 'empty', ...GRADE_NAMES]),
  candidates: z.array(z.strictObject({ id: line('Candidate id', 1, 60), grade, isoClass })).min(1, 'Give at least one candidate.').max(100),
});
export type CompatibilityEntry = z.output<typeof compatibilityRequest>;

/** The adviser's answer, each reason with its sentence, each candidate with what it costs if it is in already. */
export const compatibilityAnswer = z.custom<
  Omit<CompatibilityAnswer, 'candidates'> & {
    readonly candidates: readonly (CompatibilityAnswer['candidates'][number] & { readonly sentences: readonly string[]; readonly remedy: { readonly code: Remedy; readonly sentence: string } | null })[];
  }
>();
export type CompatibilityReply = z.output<typeof compatibilityAnswer>;

const sample = z.strictObject({
  point: line('Sample point', 1, 60).describe('"reservoir" or the id of a bleeder'),
  colour: oneOf('Colour', COLOURS).nullable().default(null),
  clarity: oneOf('Clarity', CLARITIES).nullable().default(null),
  foreign: oneOf('Sign of another product', FOREIGN_SIGNS).nullable().default(null),
  colourExplained: z.boolean({ error: 'colourExplained should be true or false.' }).default(true),
  dropsInWater: oneOf('Drops in water', ['dissolve', 'part']).nullable().default(null),
  water: z.strictObject({ percent: range('Water', '%', 0, 10), meterGrade: grade }).nullable().default(null),
  boiling: z.strictObject({ observedC: range('Boiling point as read', '°C', 100, 350), ambientHpa: range('Air pressure', 'hPa', 500, 1100) }).nullable().default(null),
  copperPpm: range('Copper', 'ppm', 0, 1000).nullable().default(null),
  pH: range('pH', '', 0, 14).nullable().default(null),
});

/** Ask what to do about a fluid. */
export const conditionRequest = z.strictObject({
  grade,
  isoClass,
  samples: z.array(sample).min(1, 'Give at least one sample.').max(40),
});
export type ConditionEntry = z.output<typeof conditionRequest>;

/** The verdict with every reason and its sentence. */
export const conditionAnswer = z.custom<ConditionAnswer & { readonly sentences: readonly string[] }>();
export type ConditionReply = z.output<typeof conditionAnswer>;
