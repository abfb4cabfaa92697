import type { FluidEntry } from '../job';

/** What was seen at one point, clean but for what is said. */
export const seen = (
  point: string,
  more: Partial<FluidEntry['samples'][number]> = {},
): FluidEntry['samples'][number] => ({
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

/** A DOT 4 system with old but sound fluid. */
export const SOUND_FLUID: FluidEntry = {
  demands: [{ source: 'cap', grades: ['DOT 4'], lowViscosity: false }],
  follow: null,
  control: 'ABS',
  seals: 'ordinary',
  inSystem: 'DOT 4',
  samples: [seen('reservoir', { water: { percent: 2, meterGrade: 'DOT 4' } })],
  fill: { grade: 'DOT 4', isoClass: null, labelRead: null },
  newColour: 'clear',
  newDye: null,
};

/** The same with another look at the reservoir. */
export const fluidSeen = (more: Partial<FluidEntry['samples'][number]>): FluidEntry => ({
  ...SOUND_FLUID,
  samples: [seen('reservoir', more)],
});
