import { SWATCHES, type Colour, type Dye } from '@brook/core/fluid/verdict';
import { PALETTE } from './palette';

/** Fluid owns its colours: the same in every light, always with a word or a texture beside them. Apart from the roles, so that the first page does without. */
export const FLUID: Readonly<Record<Colour | Dye, string>> = {
  ...SWATCHES,
  blue: PALETTE.dyeBlue,
  green: PALETTE.dyeGreen,
  red: PALETTE.dyeRed,
  purple: PALETTE.dyePurple,
};
