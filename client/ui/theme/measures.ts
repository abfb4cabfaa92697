import type { TextStyle } from 'react-native';

/** Steps of the 4 px grid. */
export const SPACE = { hair: 4, small: 8, medium: 12, large: 16, wide: 24, vast: 40 } as const;

/** Smallest target for a wet glove, px. */
export const TOUCH = 52;

/** Width from which a screen gets two columns, px. */
export const WIDE_FROM = 880;

const WORDS = "'Brook Words', 'Atkinson Hyperlegible', Verdana, sans-serif";
const NUMERALS = "'Brook Numerals', 'Arial Narrow', sans-serif";

/** Three sizes for words. */
export const WORD = {
  small: { fontFamily: WORDS, fontSize: 15, lineHeight: 20 },
  body: { fontFamily: WORDS, fontSize: 18, lineHeight: 24 },
  head: { fontFamily: WORDS, fontSize: 28, lineHeight: 32, fontWeight: '700' },
} as const satisfies Record<string, TextStyle>;

/** Two for numerals, tabular. */
export const NUMERAL = {
  row: {
    fontFamily: NUMERALS,
    fontSize: 24,
    lineHeight: 28,
    fontWeight: '600',
    fontVariant: ['tabular-nums'],
  },
  giant: {
    fontFamily: NUMERALS,
    fontSize: 176,
    lineHeight: 160,
    fontWeight: '600',
    fontVariant: ['tabular-nums'],
  },
} as const satisfies Record<string, TextStyle>;
