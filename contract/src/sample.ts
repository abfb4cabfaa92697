import {
  CLARITIES,
  CLASS_LIMITS,
  COLOURS,
  DEMAND_SOURCES,
  DROPS,
  DYES,
  FOREIGN_SIGNS,
  GRADES,
  readingFault,
  READINGS,
  type Grade,
  type IsoClass,
  type ReadingKind,
} from '@brook/core/fluid/verdict';
import { z } from 'zod';
import { line, oneOf } from './common';

const GRADE_NAMES = GRADES.map((g) => g.grade) as [Grade, ...Grade[]];
const CLASS_NAMES = Object.keys(CLASS_LIMITS) as [IsoClass, ...IsoClass[]];

export const grade = oneOf('Grade', GRADE_NAMES);
export const isoClass = oneOf('Class', CLASS_NAMES)
  .nullable()
  .default(null)
  .describe('Class of ISO 4925 where the label names one');
export const inSystem = oneOf('What is in the system', ['unknown', 'empty', ...GRADE_NAMES]);
export const control = oneOf('Control', ['none', 'ABS', 'stability control']);
export const seals = oneOf('Seals', ['ordinary', 'natural rubber']);
export const dye = oneOf('Dye', DYES).nullable().default(null).describe('A colour off the scale');
export const flag = (name: string) => z.boolean({ error: `${name} should be true or false.` });

/** A reading within the range in which it can be right. */
export const reading = (kind: ReadingKind) =>
  z
    .number({
      error:
        `${READINGS[kind].label} should be a number from ${READINGS[kind].least} to ${READINGS[kind].most} ${READINGS[kind].unit}`.trim() +
        '.',
    })
    .superRefine((value, context) => {
      const message = readingFault(kind, value);
      if (message) context.addIssue({ code: 'custom', message });
    })
    .describe(READINGS[kind].unit);

/** What cap, maker and the maker of a changed part name, each at most once. */
export const demands = z
  .array(
    z.strictObject({
      source: oneOf('Source', DEMAND_SOURCES),
      grades: z.array(grade).min(1, 'Each source should name at least one grade.').max(5),
      lowViscosity: flag('lowViscosity')
        .default(false)
        .describe('Whether class 6 or 7 is asked for'),
    }),
    {
      error:
        'Demands are missing; give a list of who asks for which grades, empty when nobody knows.',
    },
  )
  .max(3, 'Three sources at most: maker, cap, part.')
  .refine(
    (given) => new Set(given.map((d) => d.source)).size === given.length,
    'Each source should stand once: maker, cap, part.',
  )
  .describe('What maker, cap and the maker of a changed part name; empty when nobody knows');

/** What was seen and measured at one point; null stands for what nobody looked at. */
export const sample = z.strictObject({
  point: line('Sample point', 1, 60).describe('"reservoir" or the id of a bleeder'),
  colour: oneOf('Colour', COLOURS).nullable().default(null),
  clarity: oneOf('Clarity', CLARITIES).nullable().default(null),
  foreign: oneOf('Sign of another product', FOREIGN_SIGNS).nullable().default(null),
  dye,
  dropsInWater: oneOf('Drops in water', DROPS).nullable().default(null),
  water: z
    .strictObject({ percent: reading('waterPercent'), meterGrade: grade })
    .nullable()
    .default(null),
  boiling: z
    .strictObject({ observedC: reading('boilingC'), ambientHpa: reading('ambientHpa') })
    .nullable()
    .default(null),
  copperPpm: reading('copperPpm').nullable().default(null),
  pH: reading('pH').nullable().default(null),
  practice: flag('practice')
    .default(false)
    .describe('Whether water or boiling point came from a practice instrument'),
});

/** Samples of one visit, each point at most once. */
export const samples = z
  .array(sample, {
    error: 'Samples are missing; give a list of what was seen and measured, point by point.',
  })
  .max(40, 'Give at most 40 samples.')
  .refine(
    (given) => new Set(given.map((s) => s.point)).size === given.length,
    'Each sample point should stand once.',
  );
