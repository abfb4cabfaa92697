/** Colour of glycol fluid, from new to old, on the product's own scale. */
export const COLOURS = ['clear', 'straw', 'amber', 'brown', 'black'] as const;
export type Colour = (typeof COLOURS)[number];

/** What each step looks like in a clear jar against white paper, sRGB [M]. The swatches and the reading of a photo share it. */
export const SWATCHES: Readonly<Record<Colour, string>> = {
  clear: '#DCEBE4',
  straw: '#E6CF6E',
  amber: '#C5861B',
  brown: '#6E4318',
  black: '#2A1C12',
};

/** Colours off the scale: a dye of the maker's, or another product. */
export const DYES = ['blue', 'green', 'red', 'purple'] as const;
export type Dye = (typeof DYES)[number];

export const CLARITIES = ['clear', 'hazy', 'particles'] as const;
export type Clarity = (typeof CLARITIES)[number];

/** Signs that something is in the reservoir that does not belong there. */
export const FOREIGN_SIGNS = [
  'none',
  'purple or beads in water',
  'oil film, green or red',
  'thick or greasy',
  'layers',
] as const;
export type ForeignSign = (typeof FOREIGN_SIGNS)[number];

/** What a few drops in water do: glycol dissolves, silicone and mineral oil part [C]. */
export const DROPS = ['dissolve', 'part'] as const;
export type Drops = (typeof DROPS)[number];
