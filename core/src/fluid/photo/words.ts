import type { PhotoFault } from './readColour';

/** What was wrong with a photo, and what would be right. */
export const PHOTO_WORDS: Readonly<Record<PhotoFault, string>> = {
  outside: 'Too near the edge: tap a little further in.',
  'white too dark': 'The paper is too dark to balance by. Take the photo again with more light.',
  'white glares':
    'The paper is overexposed: its white has no colour left to balance by. Take the photo again with less light, or tap where it does not glare.',
  'white is not white': 'That is not white paper. Tap the paper beside the jar.',
  'white not even': 'There is an edge or a shadow on the paper there. Tap where it is plain.',
  'fluid not even': 'There is an edge or a reflection in the fluid there. Tap where it is even.',
};
