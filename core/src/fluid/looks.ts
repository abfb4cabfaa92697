/** Colour of glycol fluid, from new to old, on the product's own scale. */
export const COLOURS = ['clear', 'straw', 'amber', 'brown', 'black'] as const;
export type Colour = (typeof COLOURS)[number];

export const CLARITIES = ['clear', 'hazy', 'particles'] as const;
export type Clarity = (typeof CLARITIES)[number];

/** Signs that something is in the reservoir that does not belong there. */
export const FOREIGN_SIGNS = ['none', 'purple or beads in water', 'oil film, green or red', 'thick or greasy', 'layers'] as const;
export type ForeignSign = (typeof FOREIGN_SIGNS)[number];

/** What was seen and measured in the reservoir. */
export interface FluidSeen {
  readonly colour: Colour;
  readonly clarity: Clarity;
  readonly foreign: ForeignSign;
  /** Water by meter, % by mass, or null when not measured. */
  readonly waterPercent: number | null;
}
