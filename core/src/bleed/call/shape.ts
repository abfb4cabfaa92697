import type { StrokeShape } from '../stages';

/** How a stroke is shaped, as it is called, and why [C]. */
export interface ShapeWords {
  /** How it goes down: "push it down …". */
  readonly down: string;
  /** How it comes back: "let it come up …". */
  readonly back: string;
  readonly why: string;
  /** Share of a stroke's time that it goes down [M]. */
  readonly downShare: number;
}

export const SHAPE_WORDS: Readonly<Record<StrokeShape, ShapeWords>> = {
  'fast push, slow return': {
    down: 'fast',
    back: 'slowly',
    why: 'A stretch falls towards this bleeder: only a fast push carries its bubbles down.',
    downShare: 0.25,
  },
  'slow push': {
    down: 'slowly',
    back: 'slowly',
    why: 'The master was open: a fast push would spray out of its port.',
    downShare: 0.6,
  },
  steady: {
    down: 'steadily',
    back: 'steadily',
    why: 'Nothing on this way asks for a fast push; one that snaps back draws air past the seals.',
    downShare: 0.5,
  },
};
