import type { FluidReasonCode } from './fillVerdict';

/** One sentence for every reason of the fluid verdict. */
export const FLUID_WORDS: Readonly<Record<FluidReasonCode, string>> = {
  'fill as the cap names': 'Fill the grade that the cap names and no other. The maker’s entry wins over the cap where there is one.',
  'mineral cap': 'The cap names mineral oil. This plan is for brake fluid only: follow the maker’s procedure, and never pour brake fluid in.',
  'silicone in glycol': 'Silicone where glycol belongs. The two never mix: water gathers, seals swell, the pedal goes soft. Strip, new seals, dry system.',
  'mineral in the system': 'Mineral oil in the brakes. Every rubber part has been exposed: strip the system and renew all rubber. Bleeding does not cure it.',
  'other product': 'Thick or greasy fluid: another product is inside. Find where it came from; bleeding does not cure it.',
  layers: 'The fluid lies in layers: two products that do not mix. Strip, new seals, dry system.',
  particles: 'Particles in the fluid: rubber or rust is breaking up. Find the part before any fluid is moved.',
  'not silicone in silicone': 'The cap names DOT 5 silicone, but what is inside does not look like silicone. Put a few drops in water: silicone parts, glycol dissolves.',
  dark: 'Dark fluid is old fluid. Flush it, and look under the boots.',
  hazy: 'Hazy fluid: moisture or fine bubbles. Look at it again after the flush.',
  'wet now': '3 % water or more: replace now. Do not put it off.',
  'wet this visit': '1.5 % water or more: replace at this visit.',
  'colour does not pass': 'No water reading. Colour can fail a fluid but never pass it: clear fluid can be wet.',
};
