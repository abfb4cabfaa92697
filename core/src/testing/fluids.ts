import type { Sample } from '../fluid/verdict';

/** Straw and clear in the reservoir, and nothing measured. */
export const SEEN_ALONE: Sample = {
  point: 'reservoir',
  colour: 'straw',
  clarity: 'clear',
  foreign: 'none',
  dye: null,
  dropsInWater: null,
  practice: false,
  water: null,
  boiling: null,
  copperPpm: null,
  pH: null,
};
