import type { TextStyle } from 'react-native';

/** Steps of the 4 px grid. */
export const SPACE = { hair: 4, small: 8, medium: 12, large: 16, wide: 24, vast: 40 } as const;

/** Smallest target for a wet glove, px. */
export const TOUCH = 52;

/** Width from which a screen is a desk: the jobs at the left, the step, and what belongs beside it, px. */
export const WIDE_FROM = 1000;

/** Height under which a screen is short: what a browser's bars leave of a phone, a desk at 200 %. */
export const SHORT_UNDER = 700;

/** Width under which the band at the edge takes less, px: a phone at 200 %. */
export const NARROW_UNDER = 280;

/**
 * A length in root em, so that a reader's larger font counts. React Native for
 * the web hands a string through as it is; its types know numbers alone.
 *
 * @param px at the usual root size of 16 px
 */
const rem = (px: number): number => `${px / 16}rem` as unknown as number;

/** No narrower than the longest word in it; React Native's types know numbers alone. */
export const MIN_CONTENT = 'min-content' as unknown as number;

const WORDS = "'Brook Words', 'Atkinson Hyperlegible', Verdana, sans-serif";
const NUMERALS = "'Brook Numerals', 'Arial Narrow', sans-serif";

/** Three sizes for words. */
export const WORD = {
  small: { fontFamily: WORDS, fontSize: rem(15), lineHeight: rem(20) },
  body: { fontFamily: WORDS, fontSize: rem(18), lineHeight: rem(24) },
  head: { fontFamily: WORDS, fontSize: rem(28), lineHeight: rem(32), fontWeight: '700' },
} as const satisfies Record<string, TextStyle>;

/** Two for numerals, tabular. */
export const NUMERAL = {
  row: {
    fontFamily: NUMERALS,
    fontSize: rem(24),
    lineHeight: rem(28),
    fontWeight: '600',
    fontVariant: ['tabular-nums'],
  },
  giant: {
    fontFamily: NUMERALS,
    fontSize: rem(176),
    lineHeight: rem(160),
    fontWeight: '600',
    fontVariant: ['tabular-nums'],
  },
  /** The same where the screen is short: still to be read from two metres. */
  large: {
    fontFamily: NUMERALS,
    fontSize: rem(96),
    lineHeight: rem(92),
    fontWeight: '600',
    fontVariant: ['tabular-nums'],
  },
} as const satisfies Record<string, TextStyle>;

/** Words and numbers inside a chart, px of the drawing: it does not grow with the words around it. */
export const CHART_LABEL = {
  fontFamily: NUMERALS,
  fontSize: 15,
  fontWeight: '600',
} as const;
