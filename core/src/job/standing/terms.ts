/** How strokes are counted: a tap for each, by a beat, by reading the jar, by a helper's phone. */
export const COUNT_WAYS = ['tap', 'tempo', 'jar', 'helper'] as const;
export type CountWay = (typeof COUNT_WAYS)[number];

/** Bubbles as they are seen at a bleeder. */
export const BUBBLE_READINGS = ['none', 'fine', 'some', 'many'] as const;
export type BubbleReading = (typeof BUBBLE_READINGS)[number];

/** What may help where bubbles stay the same, in order of effort [C]. */
export const TRIES = [
  'open less',
  'tap it',
  'flick it',
  'another stroke',
  'turn it up',
  'wait',
  'another method',
] as const;
export type Try = (typeof TRIES)[number];

/** How tight a bleeder was made: an honest "by feel" is never a torque. */
export type Tightened = 'by feel' | { readonly torqueNm: number };

/** What a person may decide on a halt. */
export const DECISIONS = [
  'plan anew',
  'another method',
  'go on',
  'do it last',
  'leave shut',
  'end job',
] as const;
export type Decision = (typeof DECISIONS)[number];
