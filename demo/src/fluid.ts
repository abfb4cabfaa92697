import type { FluidEntry } from '@brook/contract';

type Sample = FluidEntry['samples'][number];
type Grade = NonNullable<FluidEntry['fill']>['grade'];

/** What was seen at one point, clean but for what is said. */
export const seen = (point: string, more: Partial<Sample> = {}): Sample => ({
  point,
  colour: 'amber',
  clarity: 'clear',
  foreign: 'none',
  dye: null,
  dropsInWater: null,
  water: null,
  boiling: null,
  copperPpm: null,
  pH: null,
  practice: false,
  ...more,
});

/** The same with a water reading. */
export const wet = (point: string, percent: number, more: Partial<Sample> = {}): Sample =>
  seen(point, { water: { percent, meterGrade: 'DOT 4' }, ...more });

/** An entry as most vehicles of the island bring it: the cap names one grade, and that goes in. */
export const entry = (
  grade: Grade,
  samples: Sample[],
  more: Partial<FluidEntry> = {},
): FluidEntry => ({
  demands: [{ source: 'cap', grades: [grade], lowViscosity: false }],
  follow: null,
  control: 'ABS',
  seals: 'ordinary',
  inSystem: grade,
  samples: samples.map((s) => (s.water ? { ...s, water: { ...s.water, meterGrade: grade } } : s)),
  fill: { grade, isoClass: null, labelRead: grade === 'DOT 5.1' ? grade : null },
  newColour: 'clear',
  newDye: null,
  ...more,
});
