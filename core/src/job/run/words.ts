import type { Missing } from './nextStep';

/** What to do about what is missing at a bleeder. */
export const MISSING_WORDS: Readonly<Record<Missing, string>> = {
  strokes: 'The planned wash-out is not reached.',
  'bubbles not read': 'Bubbles in the last three strokes? Tap what you saw.',
  'opened again': 'Opened again: three strokes, then a look, before it is shut.',
  'round broken':
    'Air may have gone in: go on, three strokes must follow that are free of bubbles.',
  'bubbles in the last three':
    'Bubbles within the last three strokes: go on, three must be free of them.',
  'colour not read': 'Colour in the hose now? Tap what you saw.',
  'colour not new': 'Darker than the new fluid: go on, then look again.',
};
